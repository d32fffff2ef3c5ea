<script lang="ts">
  import Today from '$lib/features/calendar/Today.svelte';

  let { data } = $props();
</script>

{#key data.store.id}<Today store={data.store} />{/key}
