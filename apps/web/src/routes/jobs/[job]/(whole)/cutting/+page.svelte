<script lang="ts">
  import Cutting from '$lib/features/supply/Cutting.svelte';

  let { data } = $props();
</script>

{#key data.store.id}<Cutting store={data.store} />{/key}
