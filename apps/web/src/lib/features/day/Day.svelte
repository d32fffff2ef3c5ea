<!-- A day on site as it was entered, closed by whoever leads; printed, it carries the head of the log. -->
<script module lang="ts">
  import type { JobStore } from '$lib/job/job.svelte.ts';

  export interface DayProps {
    store: JobStore;
  }
</script>

<script lang="ts">
  import JobPage from '$lib/features/shell/JobPage.svelte';
  import { signedHeadOf } from '$lib/job/signed-head.ts';
  import { factsText } from '$lib/features/install/facts-text.ts';
  import { figureText } from '$lib/features/install/figures.ts';
  import { openingTestWords, zoneWords } from '$words/opening-tests.ts';
  import Button from '$lib/ui/Button.svelte';
  import { dateTime, longDayName } from '$lib/ui/time.ts';
  import { dayWords as t } from '$words/day.ts';
  import { changeText } from '$words/prove-water.ts';
  import { taskTitle, workName } from '$words/task-title.ts';
  import {
    dayAndTime,
    daySheet,
    daysWithEntries,
    formatLength,
    measuredTexts,
    orderStateTexts,
    pieceText,
    writeMeasure,
    zoneOf,
    type Entry,
    type OrderState,
  } from '@hulvek/core';

  let { store }: DayProps = $props();
  const job = $derived(store.context.job);
  const zone = $derived(zoneOf(job));
  const parts = $derived(
    [...store.views.values()].map(({ opening, entries }) => ({ opening: opening.id as string, entries })),
  );
  const days = $derived(daysWithEntries(zone, parts));
  const today = $derived(dayAndTime(zone, new Date().toISOString()).day);
  let chosen = $state<string | null>(null);
  const day = $derived(chosen ?? (days.includes(today) ? today : (days[0] ?? today)));
  const sheet = $derived(
    daySheet({
      day,
      zone,
      parts,
      plan: job.calendarPlan,
      supply: job.supply,
      // Invented weather is for trying things out, and is no weather of a day that was.
      weather: job.calendar?.weather.source === 'invented' ? [] : job.calendar?.weather.rows,
    }),
  );
  const mark = (opening: string) =>
    workName(job.calendar, opening, (one) => store.view(one)?.opening.mark ?? one);
  const time = (at: string) => dayAndTime(zone, at).time;
  const closed = $derived((job.days ?? []).findLast((one) => one.day === day) ?? null);
  const mayClose = $derived(store.pack.rights.includes('settings'));
  const length = (mm: number) => formatLength(mm, store.reads);
  const done = $derived(sheet.promised.filter((one) => one.done).length);
  let note = $state('');
  let problem = $state('');
  let working = $state(false);

  function measuredText({ facts }: Entry): string {
    if (facts?.kind !== 'measured') return '';
    const { what, value, accepted } = facts;
    const shown = figureText(what, value, store.reads);
    return `${measuredTexts[what].name.toLowerCase()} ${shown}${accepted ? ` (${accepted})` : ''}`;
  }

  function testText({ facts }: Entry): string {
    if (facts?.kind === 'test') return openingTestWords.kinds[facts.of];
    return facts?.kind === 'wet' ? openingTestWords.answers.wet(zoneWords[facts.zone]) : '';
  }

  async function close(event: SubmitEvent) {
    event.preventDefault();
    working = true;
    problem = '';
    try {
      const head = await signedHeadOf(store.id, true);
      const { id: account, name: person } = store.pack.me;
      const one = { day, at: new Date().toISOString(), person, account, note: note.trim(), head };
      const was = job.days ? { days: job.days } : {};
      problem = await store.put('site', { was, change: { days: [...(job.days ?? []), one] } });
      if (problem === '') note = '';
    } catch {
      problem = t.needsNetwork;
    } finally {
      working = false;
    }
  }
</script>

<JobPage view="day" lead={t.lead}>
  {#snippet tools()}
    <label class="day">
      {t.day}
      <select value={day} onchange={(event) => (chosen = event.currentTarget.value)}>
        {#each [...new Set([today, ...days])].sort().reverse() as one (one)}<option value={one}
            >{longDayName(one)}</option
          >{/each}
      </select>
    </label>
    <a class="as-button" href="/jobs/{store.id}/log" download>{t.log}</a>
  {/snippet}
  <h2>{job.name}, {longDayName(day)}</h2>
  {#if sheet.openings.length === 0}<p>{t.none}</p>{/if}
  {#if sheet.weather}
    <p>
      <b>{t.weather}:</b>
      {t.weatherIs(
        writeMeasure('temperature', sheet.weather.low_C, store.reads),
        writeMeasure('temperature', sheet.weather.high_C, store.reads),
        writeMeasure('rain', sheet.weather.rain_mm, store.reads),
        writeMeasure('speed', sheet.weather.gust_ms, store.reads),
      )}
    </p>
  {/if}
  {#if sheet.people.length > 0}
    <section>
      <h3>{t.people}</h3>
      <ul data-testid="day-people">
        {#each sheet.people as one (one.person)}
          <li>
            <b>{one.person}</b>
            {t.from(time(one.from), time(one.to), one.openings.map(mark).join(', '))}
          </li>
        {/each}
      </ul>
      <p class="quiet">{t.hours}</p>
    </section>
  {/if}
  {#each sheet.openings as one (one.opening)}
    <section data-testid="day-opening">
      <h3>{mark(one.opening)}</h3>
      <ul>
        {#each one.done as step (step.step + step.at)}
          <li>{time(step.at)} {taskTitle(step.step)}, {step.person}</li>
        {/each}
        {#each one.measured as entry (entry.id)}<li>
            {time(entry.at)}
            {t.measured}: {measuredText(entry)}
          </li>{/each}
        {#each one.faults as entry (entry.id)}
          <li class="bad">
            {time(entry.at)}
            {t.fault}: {entry.facts?.kind === 'fault' ? pieceText(entry.facts.piece) : ''}, {entry.note}
          </li>
        {/each}
        {#each one.otherwise as entry (entry.id)}
          <li>{time(entry.at)} {t.otherwise}: {entry.built ? changeText(entry.built, length) : ''}</li>
        {/each}
        {#each one.departures as entry (entry.id)}
          <li>{time(entry.at)} {factsText(entry, store.reads)} {entry.note} ({entry.person})</li>
        {/each}
        {#each one.tests as entry (entry.id)}
          <li>{time(entry.at)} {testText(entry)}</li>
        {/each}
        {#each one.notes as entry (entry.id)}<li>
            {time(entry.at)}
            {taskTitle(entry.step)}: {entry.note}
          </li>{/each}
      </ul>
      {#if one.looks + one.pictures + one.mended > 0}<p>
          {t.counts(one.looks, one.pictures, one.mended)}
        </p>{/if}
    </section>
  {/each}
  {#if sheet.deliveries.length > 0}
    <section>
      <h3>{t.deliveries}</h3>
      <ul>
        {#each sheet.deliveries as one, i (i)}
          <li>{one.amount} × {one.article}: {orderStateTexts[one.state as OrderState]}</li>
        {/each}
      </ul>
    </section>
  {/if}
  {#if sheet.promised.length > 0}
    <section data-testid="promised">
      <h3>{t.promised(done, sheet.promised.length)}</h3>
      <ul>
        {#each sheet.promised.filter((one) => !one.done) as one (one.opening + one.step)}
          <li>{t.notDone}: {mark(one.opening)}, {taskTitle(one.step)}</li>
        {/each}
        {#each sheet.unplanned as one (one.opening + one.step)}
          <li>{t.unplanned}: {mark(one.opening)}, {taskTitle(one.step)}</li>
        {/each}
      </ul>
    </section>
  {/if}
  {#if closed}
    <section class="closed" data-testid="closed">
      <p>
        <b>{t.closed(closed.person, dateTime(closed.at))}</b>
        {closed.note}
      </p>
      {#if closed.head}
        <p class="figure">{t.head(closed.head.seq, closed.head.head)}</p>
        <p class="quiet">{t.headIs}</p>
      {/if}
    </section>
  {/if}
  {#if mayClose}
    <form onsubmit={close}>
      <label for="day-note">{t.note}</label>
      <textarea id="day-note" rows="2" maxlength="2000" bind:value={note}></textarea>
      <div>
        <Button kind="main" type="submit" disabled={working}>{closed ? t.closeAgain : t.close}</Button>
      </div>
      {#if problem}<p class="problem" role="alert">{problem}</p>{/if}
    </form>
  {/if}
</JobPage>

<style>
  .day {
    display: flex;
    align-items: center;
    gap: var(--gap-2);
  }
  section {
    display: grid;
    gap: var(--gap-1);
    max-width: 56rem;
    break-inside: avoid;
  }
  ul,
  p,
  h3 {
    margin: 0;
  }
  .closed {
    padding: var(--gap-3);
    border: 2px solid var(--ink);
    border-radius: var(--radius);
    overflow-wrap: anywhere;
  }
  .bad {
    color: var(--bad);
  }
  form {
    display: grid;
    gap: var(--gap-2);
    max-width: 40rem;
  }
  @media print {
    form,
    .day {
      display: none;
    }
  }
</style>
