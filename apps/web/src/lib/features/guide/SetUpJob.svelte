<script module lang="ts">
  import type { JobStore } from '$lib/job/job.svelte.ts';

  export interface SetUpJobProps {
    store: JobStore;
  }
</script>

<script lang="ts">
  import { ShelfDesk } from '$lib/features/shelf/shelf.svelte.ts';
  import { pickParts } from '$lib/contract/site-parts.ts';
  import Button from '$lib/ui/Button.svelte';
  import { guideWords } from '$words/guide.ts';
  import { climateIds, climateTexts, type ClimateId, type Job, type ShelfItem } from '@hulvek/core';
  import { onMount, untrack } from 'svelte';
  import { leaveForLater, leftForLater } from './later.ts';
  import { setUpDone, setUpKinds, type SetUpKind } from './next-step.ts';

  let { store }: SetUpJobProps = $props();
  const shelf = untrack(() => new ShelfDesk(store));
  onMount(() => void shelf.load());
  const job = $derived(store.context.job);
  const done = $derived(setUpDone(store.context, store.pack.openings.length));
  let later = $state.raw<readonly string[]>(untrack(() => leftForLater(store.id)));
  const KINDS = { wall: 'walls', unit: 'units', method: 'methods' } as const;
  type Kind = keyof typeof KINDS;
  /** What is chosen on the shelf, not yet taken. */
  const wanted = $state<Partial<Record<Kind, string>>>({});
  let problem = $state('');
  let busy = $state(false);
  const mayEdit = $derived(store.pack.rights.includes('settings') && store.pack.rights.includes('plan'));
  const OWN = {
    wall: { path: 'walls?id=new', word: guideWords.ownWall },
    unit: { path: 'units?id=new', word: guideWords.ownUnit },
    method: { path: 'methods?id=new', word: guideWords.ownMethod },
  } as const;

  async function put(change: Pick<Job, 'usual' | 'assumedClimate'>, names: ('usual' | 'assumedClimate')[]) {
    busy = true;
    problem = await store.put('site', { was: pickParts(job, names), change });
    busy = false;
  }

  const setUsual = (kind: Kind, id: string) => put({ usual: { ...job.usual, [kind]: id } }, ['usual']);
  const setClimate = (climate: ClimateId) => put({ assumedClimate: climate }, ['assumedClimate']);

  /** Copied into the job, and made the usual one there. */
  async function take(kind: Kind, item: ShelfItem) {
    busy = true;
    await shelf.take(item);
    problem = shelf.problem;
    const copy = (
      store.context[KINDS[kind]] as readonly { id: string; origin?: { id: string } | undefined }[]
    ).find(({ origin }) => origin?.id === item.id);
    if (copy && problem === '') await setUsual(kind, copy.id);
    busy = false;
  }

  const nameOf = (kind: SetUpKind): string => guideWords[kind === 'site' ? 'climate' : kind];

  function skip(kind: SetUpKind) {
    leaveForLater(store.id, kind);
    later = leftForLater(store.id);
  }
</script>

{#if problem}<p class="problem" role="alert">{problem}</p>{/if}
<ol>
  {#each setUpKinds as kind (kind)}
    <li data-done={done[kind]}>
      <div class="head">
        <h2>
          {nameOf(kind)}
        </h2>
        <span class="quiet"
          >{done[kind] ? guideWords.is : later.includes(kind) ? guideWords.skipped : ''}</span
        >
        {#if !done[kind] && kind !== 'openings' && !later.includes(kind)}
          <button type="button" class="as-link" onclick={() => skip(kind)}
            >{guideWords.skip}<span class="visually-hidden">, {nameOf(kind)}</span></button
          >
        {/if}
      </div>
      {#if kind === 'site'}
        <p class="quiet">{guideWords.climateLead}</p>
        <div class="choices" role="group" aria-label={guideWords.climate}>
          {#each climateIds as climate (climate)}
            <button
              type="button"
              aria-pressed={job.assumedClimate === climate}
              disabled={!mayEdit || busy}
              onclick={() => void setClimate(climate)}>{climateTexts[climate]}</button
            >
          {/each}
        </div>
        <a href="/jobs/{store.id}/conditions">{guideWords.climateMore}</a>
      {:else if kind === 'openings'}
        <p>
          {guideWords.openingsSo(store.pack.openings.length)}
          <a class="add" href="/jobs/{store.id}/add">{guideWords.add}</a>
        </p>
      {:else}{@render things(kind)}{/if}
    </li>
  {/each}
</ol>
<p><a href="/jobs/{store.id}">{guideWords.toJob}</a></p>

{#snippet things(kind: Kind)}
  {@const here = store.context[KINDS[kind]]}
  {@const offered = shelf.offered.filter((item) => item.kind === KINDS[kind])}
  <div class="choices" role="group" aria-label={guideWords[kind]}>
    {#each here as one (one.id)}
      <button
        type="button"
        aria-pressed={job.usual?.[kind] === one.id}
        disabled={!mayEdit || busy}
        onclick={() => void setUsual(kind, one.id)}>{one.name}</button
      >
    {/each}
  </div>
  {#if mayEdit}
    {#if shelf.items === null}
      <p class="quiet">{shelf.problem ? guideWords.noShelf : guideWords.loading}</p>
    {:else if offered.length > 0}
      {@const chosen = offered.find(({ id }) => id === wanted[kind]) ?? offered[0]}
      <div class="take">
        <label
          >{guideWords.onShelf}
          <select value={chosen?.id} onchange={(event) => (wanted[kind] = event.currentTarget.value)}>
            {#each offered as item (item.id)}<option value={item.id}>{item.document.name}</option>{/each}
          </select></label
        >
        <Button disabled={busy || !chosen} onclick={() => chosen && void take(kind, chosen)}
          >{guideWords.take}<span class="visually-hidden">, {guideWords[kind]}</span></Button
        >
      </div>
    {/if}
  {/if}
  <a href="/jobs/{store.id}/{OWN[kind].path}">{OWN[kind].word}</a>
{/snippet}

<style>
  ol {
    display: grid;
    gap: var(--gap-4);
    max-width: 60rem;
    counter-reset: step;
  }
  li {
    display: grid;
    gap: var(--gap-2);
    padding: var(--gap-3) 0 var(--gap-3) var(--gap-4);
    border-left: 4px solid var(--rust);
  }
  li[data-done='true'] {
    border-left-color: var(--line);
  }
  .head {
    display: flex;
    flex-flow: row wrap;
    align-items: baseline;
    gap: var(--gap-3);
  }
  .quiet {
    color: var(--ink-soft);
  }
  .choices {
    display: flex;
    flex-flow: row wrap;
    gap: var(--gap-2);
  }
  .choices button {
    min-height: var(--touch);
    padding: var(--gap-1) var(--gap-3);
    border: 1px solid var(--line);
    border-radius: var(--radius);
    background: none;
    color: var(--ink);
    font: inherit;
    text-align: left;
    overflow-wrap: anywhere;
    cursor: pointer;
  }
  .choices button[aria-pressed='true'] {
    border: 2px solid var(--ink);
    background: var(--sand);
    font-weight: 600;
  }
  label {
    display: grid;
    gap: var(--gap-1);
    font-weight: 500;
  }
  .take {
    display: flex;
    flex-flow: row wrap;
    align-items: end;
    gap: var(--gap-2);
  }
  select {
    width: min(24rem, 100%);
  }
</style>
