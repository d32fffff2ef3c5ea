<script lang="ts">
  import { goto } from '$app/navigation';
  import { page } from '$app/state';
  import GridForm from '$lib/features/openings/GridForm.svelte';
  import MarksForm from '$lib/features/openings/MarksForm.svelte';
  import ScheduleForm from '$lib/features/openings/ScheduleForm.svelte';
  import SetBar from '$lib/features/openings/SetBar.svelte';
  import { ScheduleDesk } from '$lib/features/openings/schedule-desk.svelte.ts';
  import JobPage from '$lib/features/shell/JobPage.svelte';
  import { OpeningsSet } from '$lib/job/openings-set.svelte.ts';
  import { addWords } from '$words/openings.ts';
  import { shellWords } from '$words/shell.ts';
  import { untrack } from 'svelte';

  let { data } = $props();
  const store = $derived(data.store);
  const set = untrack(() => new OpeningsSet(data.store));
  const desk = untrack(() => new ScheduleDesk(data.store, set));
  const WAYS = ['schedule', 'marks', 'grid', 'copies'] as const;
  type Way = (typeof WAYS)[number];
  const asked = untrack(() => page.url.searchParams.get('way') ?? '');
  let way = $state<Way>(WAYS.find((one) => one === asked) ?? 'schedule');
  const of = untrack(() => page.url.searchParams.get('of') ?? '');
  const mayEdit = $derived(store.pack.rights.includes('plan'));
  const ways = $derived(store.pack.openings.length > 0 ? WAYS : WAYS.slice(0, 3));

  /** One opening that was added is measured next; of several the list is looked at. */
  const added = (ids: readonly string[]) =>
    ids.length === 1 ? goto(`/jobs/${store.id}/${ids[0]}/measure`) : undefined;
</script>

<JobPage view="add" lead={addWords.lead}>
  {#if mayEdit}
    <div class="switch" role="group" aria-label={addWords.title}>
      {#each ways as one (one)}
        <button type="button" aria-pressed={way === one} onclick={() => (way = one)}
          >{addWords.ways[one]}</button
        >
      {/each}
    </div>
    <SetBar {set} />
    {#if way === 'schedule'}<ScheduleForm {desk} />
    {:else if way === 'grid'}<GridForm {store} {set} />
    {:else}{#key way}<MarksForm {store} {set} copies={way === 'copies'} {of} onadded={added} />{/key}{/if}
    {#if set.said}<p><a href="/jobs/{store.id}">{addWords.toList}</a></p>{/if}
  {:else}<p>{shellWords.readOnly}</p>{/if}
</JobPage>
