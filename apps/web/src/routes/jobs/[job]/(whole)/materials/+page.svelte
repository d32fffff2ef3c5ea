<script lang="ts">
  import Materials from '$lib/features/supply/Materials.svelte';

  let { data } = $props();
</script>

{#key data.store.id}<Materials store={data.store} />{/key}
