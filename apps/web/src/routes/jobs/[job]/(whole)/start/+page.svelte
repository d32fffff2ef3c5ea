<script lang="ts">
  import SetUpJob from '$lib/features/guide/SetUpJob.svelte';
  import JobPage from '$lib/features/shell/JobPage.svelte';
  import { guideWords } from '$words/guide.ts';

  let { data } = $props();
</script>

<JobPage view="start" lead={guideWords.lead}><SetUpJob store={data.store} /></JobPage>
