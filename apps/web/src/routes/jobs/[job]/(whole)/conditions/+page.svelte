<script lang="ts">
  import JobPage from '$lib/features/shell/JobPage.svelte';
  import JobUnits from '$lib/features/conditions/JobUnits.svelte';
  import JointSeasonForm from '$lib/features/conditions/JointSeasonForm.svelte';
  import MonthsForm from '$lib/features/conditions/MonthsForm.svelte';
  import SiteForm from '$lib/features/conditions/SiteForm.svelte';
  import PricesForm from '$lib/features/conditions/PricesForm.svelte';
  import { page } from '$app/state';
  import { onMount } from 'svelte';
  import { conditionText } from '$words/conditions.ts';

  let { data } = $props();

  // A hint leads to what it asks for; the page was not there yet when the browser looked for it.
  onMount(() => document.getElementById(page.url.hash.slice(1))?.scrollIntoView());
</script>

<JobPage view="conditions" lead={conditionText.lead}>
  {#if !data.store.pack.rights.includes('settings')}<p class="quiet">{conditionText.readOnly}</p>{/if}
  {#key `${data.store.id} ${data.store.reads}`}
    <div class="parts">
      <div class="second">
        {#if data.store.pack.rights.includes('settings')}<SiteForm store={data.store} />{/if}
        <MonthsForm store={data.store} />
      </div>
      <div class="second">
        <JobUnits store={data.store} />
        <JointSeasonForm store={data.store} />
        <PricesForm store={data.store} />
      </div>
    </div>
  {/key}
</JobPage>

<style>
  .parts {
    display: grid;
    grid-template-columns: minmax(0, 1fr) minmax(0, 1fr);
    gap: var(--gap-6);
  }
  .second {
    display: grid;
    grid-template-columns: minmax(0, 1fr);
    gap: var(--gap-6);
    align-content: start;
  }
  @media (max-width: 900px) {
    .parts {
      grid-template-columns: minmax(0, 1fr);
    }
  }
</style>
