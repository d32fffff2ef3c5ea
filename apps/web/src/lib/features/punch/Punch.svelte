<!-- All faults of a job, by who found them, on which day, and how far they are. -->
<script module lang="ts">
  import type { JobStore } from '$lib/job/job.svelte.ts';

  export interface PunchProps {
    store: JobStore;
  }
</script>

<script lang="ts">
  import JobPage from '$lib/features/shell/JobPage.svelte';
  import { dateTime, dayName } from '$lib/ui/time.ts';
  import { punchWords as t } from '$words/punch.ts';
  import { faultsOf, pieceText, standing, stepText } from '@hulvek/core';

  let { store }: PunchProps = $props();
  let show = $state<'open' | 'all'>('open');
  let person = $state('');
  let day = $state('');

  const all = $derived(
    [...store.views.values()].flatMap(({ opening, entries }) =>
      faultsOf(standing(entries)).map((fault) => ({
        ...fault,
        opening: opening.id,
        mark: opening.mark,
        facade: opening.facade,
        day: fault.entry.at.slice(0, 10),
      })),
    ),
  );
  const people = $derived([...new Set(all.map(({ entry }) => entry.person))].sort());
  const days = $derived([...new Set(all.map((one) => one.day))].sort());
  const shown = $derived(
    all
      .filter(
        (one) =>
          (show === 'all' || one.status !== 'closed') &&
          (person === '' || one.entry.person === person) &&
          (day === '' || one.day === day),
      )
      .toSorted((a, b) => b.entry.at.localeCompare(a.entry.at)),
  );
  const open = $derived(all.filter(({ status }) => status !== 'closed').length);
</script>

<JobPage view="punch" lead={t.lead}>
  {#if all.length === 0}<p>{t.none}</p>
  {:else}
    <div class="filters">
      <label
        >{t.show}
        <select bind:value={show}
          ><option value="open">{t.shows.open}</option><option value="all">{t.shows.all}</option></select
        ></label
      >
      <label
        >{t.person}
        <select bind:value={person}
          ><option value="">{t.anybody}</option>{#each people as one (one)}<option>{one}</option
            >{/each}</select
        ></label
      >
      <label
        >{t.day}
        <select bind:value={day}
          ><option value="">{t.anyDay}</option>{#each days as one (one)}<option value={one}
              >{dayName(one)}</option
            >{/each}</select
        ></label
      >
      <span>{t.count(open, all.length)}</span>
    </div>
    {#if shown.length === 0}<p>{t.noneOf}</p>{/if}
    <ul data-testid="punch">
      {#each shown as { entry, facts, status, failed, opening, mark, facade } (entry.id)}
        <li data-status={status}>
          <a href="/jobs/{store.id}/{opening}/install#step-{entry.step}">{mark}</a>
          <div>
            <b>{entry.note}</b>
            <span class="quiet"
              >{facade ? `${facade}, ` : ''}{pieceText(facts.piece)} · {t.found(
                entry.person,
                dateTime(entry.at),
              )}{#if facts.owner}
                · {t.owner}: {facts.owner}{/if}</span
            >
            {#if status !== 'closed' && facts.before}<span>{t.before(stepText(facts.before).title)}</span
              >{/if}
            {#if failed > 0}<span>{t.failed(failed)}</span>{/if}
          </div>
          <b>{t.status[status]}</b>
        </li>
      {/each}
    </ul>
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
  ul {
    display: grid;
    margin: 0;
    padding: 0;
    list-style: none;
  }
  li {
    display: grid;
    grid-template-columns: 4rem minmax(0, 1fr) auto;
    gap: var(--gap-3);
    align-items: start;
    padding: var(--gap-2) var(--gap-3);
    border-bottom: 1px solid var(--line);
    border-left: 4px solid var(--bad);
  }
  li[data-status='mended'] {
    border-left-color: var(--watch);
  }
  li[data-status='closed'] {
    border-left-color: var(--good);
  }
  li a {
    display: flex;
    align-items: center;
    min-height: var(--touch);
    font-weight: 700;
  }
  li div {
    display: grid;
  }
  @media (max-width: 560px) {
    li {
      grid-template-columns: 4rem minmax(0, 1fr);
    }
    li > b {
      grid-column: 2;
    }
  }
</style>
