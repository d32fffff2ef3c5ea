<script lang="ts">
  import OutboxBar from '$lib/features/shell/OutboxBar.svelte';

  let { data, children } = $props();
  const store = $derived(data.store);

  let seen = $state(document.visibilityState === 'visible');

  // A browser keeps few connections to one address: pages nobody looks at must not hold theirs. The first thing said
  // on a new one is where the job stands, so nothing is missed meanwhile.
  $effect(() => (seen ? store.follow() : undefined));
</script>

<svelte:document onvisibilitychange={() => (seen = document.visibilityState === 'visible')} />

<OutboxBar {store} />
{@render children()}
