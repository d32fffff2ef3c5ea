<script lang="ts">
  import { page } from '$app/state';
  import OpeningShell from '$lib/features/shell/OpeningShell.svelte';

  let { data, children } = $props();
</script>

{#key page.params.opening}
  <OpeningShell store={data.store} opening={page.params.opening ?? ''}>{@render children()}</OpeningShell>
{/key}
