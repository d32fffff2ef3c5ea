<script lang="ts">
  import OpeningShell from '$lib/components/stage/OpeningShell.svelte';

  let { data, children } = $props();
</script>

{#key data.current.opening.id}
  <OpeningShell context={data.context} current={data.current} rows={data.rows} rights={data.rights}
    >{@render children()}</OpeningShell
  >
{/key}
