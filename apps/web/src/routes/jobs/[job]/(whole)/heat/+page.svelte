<script lang="ts">
  import JobPage from '$lib/features/shell/JobPage.svelte';
  import HeatJob from '$lib/features/prove/heat/HeatJob.svelte';
  import { heatText } from '$words/prove-heat.ts';

  let { data } = $props();
</script>

<JobPage view="heat" lead={heatText.job.lead}>
  {#key data.store.id}<HeatJob store={data.store} />{/key}
</JobPage>
