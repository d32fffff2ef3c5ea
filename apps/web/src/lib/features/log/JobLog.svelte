<!-- Everything that was entered on site, searched and filtered; each row leads to its card. -->
<script module lang="ts">
  import type { JobStore } from '$lib/job/job.svelte.ts';

  export interface JobLogProps {
    store: JobStore;
  }
</script>

<script lang="ts">
  import JobPage from '$lib/features/shell/JobPage.svelte';
  import LongRows from '$lib/ui/LongRows.svelte';
  import { dateTime, dayName } from '$lib/ui/time.ts';
  import { entryKindsWords } from '$words/install.ts';
  import { logWords as t } from '$words/log.ts';
  import type { Entry } from '@hulvek/core';
  import { filteredLog, logRows } from './log-rows.ts';

  let { store }: JobLogProps = $props();
  let person = $state('');
  let day = $state('');
  let kind = $state<Entry['kind'] | ''>('');
  let words = $state('');
  const rows = $derived(
    logRows(
      [...store.views.values()].map(({ opening, entries }) => ({
        opening: opening.id as string,
        mark: opening.mark,
        entries,
      })),
      store.context.job,
      store.reads,
    ),
  );
  const people = $derived([...new Set(rows.map(({ entry }) => entry.person))].sort());
  const days = $derived([...new Set(rows.map((row) => row.day))].sort().reverse());
  const kinds = $derived([...new Set(rows.map(({ entry }) => entry.kind))]);
  const shown = $derived(filteredLog(rows, { person, day, kind, words }));
</script>

<JobPage view="entries" lead={t.lead}>
  {#snippet tools()}
    <a class="as-button" href="/jobs/{store.id}/log" download>{t.file}</a>
  {/snippet}
  {#if rows.length === 0}<p>{t.none}</p>
  {:else}
    <div class="filters">
      <label>{t.search}<input type="search" bind:value={words} /></label>
      <label
        >{t.person}<select bind:value={person}
          ><option value="">{t.anybody}</option>{#each people as one (one)}<option>{one}</option
            >{/each}</select
        ></label
      >
      <label
        >{t.day}<select bind:value={day}
          ><option value="">{t.anyDay}</option>{#each days as one (one)}<option value={one}
              >{dayName(one)}</option
            >{/each}</select
        ></label
      >
      <label
        >{t.kind}<select bind:value={kind}
          ><option value="">{t.anyKind}</option>{#each kinds as one (one)}{#if one !== 'undo'}<option
                value={one}>{entryKindsWords[one]}</option
              >{/if}{/each}</select
        ></label
      >
      <span role="status">{t.count(shown.length, rows.length)}</span>
    </div>
    <table class="lines" aria-rowcount={shown.length + 1}>
      <thead>
        <tr>
          <th scope="col">{t.when}</th>
          <th scope="col">{t.where}</th>
          <th scope="col">{t.who}</th>
          <th scope="col">{t.what}</th>
        </tr>
      </thead>
      <LongRows items={shown} key={({ entry }) => entry.id} columns={4}>
        {#snippet row(one, _i, attributes)}
          <tr data-undone={one.undone} {...attributes}>
            <td class="figure">{dateTime(one.entry.at)}</td>
            <td><a href="/jobs/{store.id}/{one.opening}/install#step-{one.entry.step}">{one.mark}</a></td>
            <td>{one.entry.person}</td>
            <td>{one.what}</td>
          </tr>
        {/snippet}
      </LongRows>
    </table>
    {#if shown.length === 0}<p>{t.noneOf}</p>{/if}
  {/if}
</JobPage>

<style>
  .filters {
    display: flex;
    flex-flow: row wrap;
    gap: var(--gap-3);
    align-items: end;
  }
  label {
    display: grid;
    gap: 2px;
  }
  td {
    padding: 6px var(--gap-3) 6px 0;
    vertical-align: middle;
  }
  td a {
    display: inline-flex;
    align-items: center;
    min-height: 44px;
    font-weight: 700;
  }
  [data-undone='true'] {
    color: var(--ink-soft);
    text-decoration: line-through;
  }
</style>
