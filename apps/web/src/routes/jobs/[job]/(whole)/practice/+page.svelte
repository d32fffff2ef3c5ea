<script lang="ts">
  import JobPractice from '$lib/features/practice/JobPractice.svelte';

  let { data } = $props();
</script>

<JobPractice store={data.store} />
