<script lang="ts">
  import JobTabs from '$lib/components/stage/JobTabs.svelte';
  import { text } from '$lib/texts/en.ts';

  let { data } = $props();
</script>

<JobTabs store={data.store} />
<main><h1>{text.sizes.title}</h1></main>
