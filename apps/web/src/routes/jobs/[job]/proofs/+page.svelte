<script lang="ts">
  import JobProofs from '$lib/components/stage/JobProofs.svelte';
  import JobTabs from '$lib/components/stage/JobTabs.svelte';
  import { proveText } from '$lib/texts/prove.ts';

  let { data } = $props();
</script>

<svelte:head><title>{proveText.job.title}</title></svelte:head>
<JobTabs store={data.store} />
<main>
  <h1>{proveText.job.title}</h1>
  <p class="lead">{proveText.job.lead}</p>
  {#key data.store.id}<JobProofs store={data.store} />{/key}
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
