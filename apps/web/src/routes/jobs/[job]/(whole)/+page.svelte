<script lang="ts">
  import PageHelp from '$lib/features/shell/PageHelp.svelte';
  import NoOpenings from '$lib/features/shell/NoOpenings.svelte';
  import { goto } from '$app/navigation';
  import NextStep from '$lib/features/guide/NextStep.svelte';
  import MarksForm from '$lib/features/openings/MarksForm.svelte';
  import OpeningsTable from '$lib/features/openings/OpeningsTable.svelte';
  import RemovedList from '$lib/features/openings/RemovedList.svelte';
  import SetBar from '$lib/features/openings/SetBar.svelte';
  import { OpeningsSet } from '$lib/job/openings-set.svelte.ts';
  import { jobWords } from '$words/shell.ts';
  import { untrack } from 'svelte';

  let { data } = $props();
  const store = $derived(data.store);
  const job = $derived(store.context.job);
  const mayEdit = $derived(store.pack.rights.includes('plan'));
  const set = untrack(() => new OpeningsSet(data.store));

  /** One opening that was added is measured next; of several the list is looked at. */
  const added = (ids: readonly string[]) =>
    ids.length === 1 ? goto(`/jobs/${store.id}/${ids[0]}/measure`) : undefined;
</script>

<main>
  <div class="head">
    <h1>{job.name}</h1>
    <PageHelp of={{ view: 'openings' }} />
    {#if mayEdit}<a class="add" href="/jobs/{job.id}/add">{jobWords.addOpenings}</a>{/if}
    <a href="/jobs/{job.id}/file" download>{jobWords.save}</a>
  </div>
  {#if job.note}<p class="note">{job.note}</p>{/if}
  {#if mayEdit}<NextStep {store} />{/if}
  <SetBar {set} />
  {#if store.rows.length === 0}
    <NoOpenings {store} />
  {:else}<OpeningsTable {store} {set} />{/if}
  <RemovedList {store} {set} />
  {#if mayEdit}
    <section aria-labelledby="one-more">
      <h2 id="one-more">{jobWords.addOpening}</h2>
      <MarksForm {store} {set} onadded={added} />
    </section>
  {/if}
</main>

<style>
  main {
    display: grid;
    grid-template-columns: minmax(0, 1fr);
    gap: var(--gap-4);
    max-width: 80rem;
    margin: 0 auto;
    padding: var(--gap-4);
    min-width: 0;
  }
  .head {
    display: flex;
    flex-flow: row wrap;
    align-items: baseline;
    gap: var(--gap-2) var(--gap-5);
  }
  .head h1 {
    overflow-wrap: anywhere;
  }
  .note {
    color: var(--ink-soft);
  }
  section {
    display: grid;
    gap: var(--gap-3);
    margin-top: var(--gap-4);
  }
</style>
