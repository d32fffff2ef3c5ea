<script lang="ts">
  import { setFind } from '$lib/features/shell/finding.ts';
  import OutboxBar from '$lib/features/shell/OutboxBar.svelte';

  let { data, children } = $props();
  const store = $derived(data.store);

  let seen = $state(document.visibilityState === 'visible');

  let finding = $state(false);
  setFind(() => (finding = true));

  function keydown(event: KeyboardEvent) {
    if (!(event.ctrlKey || event.metaKey) || event.key.toLowerCase() !== 'k') return;
    event.preventDefault();
    finding = !finding;
  }

  // A browser keeps few connections to one address: pages nobody looks at must not hold theirs. The first thing said
  // on a new one is where the job stands, so nothing is missed meanwhile.
  $effect(() => (seen ? store.follow() : undefined));
  // Not in the way of the page that opens.
  const HEAD_ms = 6000;
  $effect(() => {
    const own = store;
    const soon = setTimeout(() => void own.checkHead(), HEAD_ms);
    return () => clearTimeout(soon);
  });
</script>

<svelte:window onkeydown={keydown} />
<svelte:document onvisibilitychange={() => (seen = document.visibilityState === 'visible')} />

<OutboxBar {store} />
{@render children()}
{#if finding}
  {#await import('$lib/features/shell/Palette.svelte') then { default: Palette }}
    <Palette {store} onclose={() => (finding = false)} />
  {/await}
{/if}
