<script lang="ts">
  import Day from '$lib/features/day/Day.svelte';

  let { data } = $props();
</script>

<Day store={data.store} />
