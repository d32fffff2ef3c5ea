<script lang="ts">
  import HouseTests from '$lib/features/house-tests/HouseTests.svelte';

  let { data } = $props();
</script>

{#key data.store.id}<HouseTests store={data.store} />{/key}
