<script lang="ts">
  import { page } from '$app/state';
  import OpeningShell from '$lib/components/stage/OpeningShell.svelte';

  let { data, children } = $props();
</script>

{#key page.params.opening}
  <OpeningShell store={data.store} opening={page.params.opening ?? ''}>{@render children()}</OpeningShell>
{/key}
