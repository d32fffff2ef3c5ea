<script lang="ts">
  import HeatJob from '$lib/components/stage/HeatJob.svelte';
  import JobTabs from '$lib/components/stage/JobTabs.svelte';
  import { heatText } from '$lib/texts/heat.ts';

  let { data } = $props();
</script>

<svelte:head><title>{heatText.job.title}</title></svelte:head>
<JobTabs store={data.store} />
<main>
  <h1>{heatText.job.title}</h1>
  <p class="lead">{heatText.job.lead}</p>
  {#key data.store.id}<HeatJob store={data.store} />{/key}
</main>

<style>
  main {
    display: grid;
    gap: var(--gap-4);
    padding: var(--gap-3) var(--gap-4);
  }
  .lead {
    color: var(--ink-soft);
    max-width: 70ch;
  }
</style>
