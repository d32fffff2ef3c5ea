<script lang="ts">
  import JobTabs from '$lib/components/stage/JobTabs.svelte';
  import JointSeasonForm from '$lib/components/stage/JointSeasonForm.svelte';
  import MonthsForm from '$lib/components/stage/MonthsForm.svelte';
  import PricesForm from '$lib/components/stage/PricesForm.svelte';
  import { conditionText } from '$lib/texts/conditions.ts';

  let { data } = $props();
</script>

<svelte:head><title>{conditionText.title}</title></svelte:head>
<JobTabs store={data.store} />
<main>
  <h1>{conditionText.title}</h1>
  <p class="lead">{conditionText.lead}</p>
  {#if !data.store.pack.rights.includes('settings')}<p class="quiet">{conditionText.readOnly}</p>{/if}
  {#key data.store.id}
    <div class="parts">
      <MonthsForm store={data.store} />
      <div class="second">
        <JointSeasonForm store={data.store} />
        <PricesForm store={data.store} />
      </div>
    </div>
  {/key}
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
  .parts {
    display: grid;
    grid-template-columns: minmax(0, 1fr) minmax(0, 1fr);
    gap: var(--gap-6);
  }
  .second {
    display: grid;
    gap: var(--gap-6);
    align-content: start;
  }
  @media (max-width: 900px) {
    .parts {
      grid-template-columns: minmax(0, 1fr);
    }
  }
</style>
