<script lang="ts">
  import PracticePlace from '$lib/features/practice/PracticePlace.svelte';

  let { data } = $props();
</script>

<PracticePlace me={data.person} />
