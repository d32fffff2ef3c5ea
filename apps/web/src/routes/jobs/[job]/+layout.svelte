<script lang="ts">
  import OutboxBar from '$lib/components/stage/OutboxBar.svelte';
  import { onMount } from 'svelte';

  let { data, children } = $props();
  const store = $derived(data.store);

  $effect(() => store.follow());

  onMount(() => {
    const seen = () => {
      if (document.visibilityState === 'visible') void store.refresh();
    };
    document.addEventListener('visibilitychange', seen);
    return () => document.removeEventListener('visibilitychange', seen);
  });
</script>

<OutboxBar {store} />
{@render children()}
