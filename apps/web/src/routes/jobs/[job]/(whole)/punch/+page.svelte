<script lang="ts">
  import Punch from '$lib/features/punch/Punch.svelte';

  let { data } = $props();
</script>

<Punch store={data.store} />
