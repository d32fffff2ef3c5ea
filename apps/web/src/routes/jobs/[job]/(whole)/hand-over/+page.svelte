<script lang="ts">
  import HandOver from '$lib/features/hand-over/HandOver.svelte';

  let { data } = $props();
</script>

<HandOver store={data.store} />
