<script module lang="ts">
  import type { JobStore } from '$lib/job/job.svelte.ts';

  export interface CalendarProps {
    store: JobStore;
  }
</script>

<script lang="ts">
  import JobPage from '$lib/features/shell/JobPage.svelte';
  import NoOpenings from '$lib/features/shell/NoOpenings.svelte';
  import Button from '$lib/ui/Button.svelte';
  import ProgressBar from '$lib/ui/ProgressBar.svelte';
  import { dateTime, dayName } from '$lib/ui/time.ts';
  import { calendarWords as t } from '$words/calendar.ts';
  import { dayAndTime, daysFrom, weekdayOf, type WhyNot } from '@hulvek/core';
  import { flushSync, untrack } from 'svelte';
  import CalendarGrid from './CalendarGrid.svelte';
  import CalendarPanel from './CalendarPanel.svelte';
  import CalendarSettings from './CalendarSettings.svelte';
  import FeedLink from './FeedLink.svelte';
  import PrintedPlan from './PrintedPlan.svelte';
  import { CalendarDesk } from './calendar-desk.svelte.ts';
  import { Days, LANE_px, rowsOf, zooms, type RowsBy, type Zoom } from './grid.ts';
  import { firstCalendar } from './settings.ts';

  let { store }: CalendarProps = $props();
  const desk = untrack(() => new CalendarDesk(store));
  let by = $state<RowsBy>('places');
  let zoom = $state<Zoom>('days');
  let settings = $state(false);
  let printing = $state(false);
  const lane_px = matchMedia('(pointer: coarse)').matches ? LANE_px.coarse : LANE_px.fine;

  const calendar = $derived(desk.calendar);
  // Ticks of others, a changed opening, another crew: the job is worked out anew.
  $effect(() => {
    void desk.content;
    untrack(() => desk.refresh());
  });
  $effect(() => () => desk.close());

  const zone = $derived(calendar?.zone ?? 'UTC');
  const days = $derived.by(() => {
    if (!calendar) return null;
    const tasks = desk.shown?.result.tasks ?? [];
    const today = dayAndTime(zone, new Date().toISOString()).day;
    const all = tasks.map(({ from, to }) => [dayAndTime(zone, from).day, dayAndTime(zone, to).day]).flat();
    const first = [today > calendar.start ? today : calendar.start, ...all].sort()[0] ?? today;
    const last = [...all, daysFrom(first, 5).at(-1) ?? first].sort().at(-1) ?? first;
    const span = Math.round((Date.parse(last) - Date.parse(first)) / 86_400_000) + 2;
    const shown = daysFrom(first, span).filter((day) => calendar.weekdays.includes(weekdayOf(day)));
    return new Days(calendar, shown, zoom);
  });
  const rows = $derived(
    days
      ? rowsOf(desk.visits, {
          days,
          by,
          lane_px,
          order: (a, b) =>
            by === 'people'
              ? desk.nameOf(a).localeCompare(desk.nameOf(b))
              : by === 'openings'
                ? desk.markOf(a).localeCompare(desk.markOf(b), 'en', { numeric: true })
                : a.localeCompare(b),
        })
      : [],
  );
  const when = (at: string) => {
    const moment = dayAndTime(zone, at);
    return `${dayName(moment.day)} ${moment.time}`;
  };
  const result = $derived(desk.shown?.result ?? null);
  const taskName = (index: number) => {
    const task = result?.tasks[index];
    return task ? desk.markOf(task.opening) : '';
  };
  const personName = (index: number) => calendar?.people[index]?.name ?? '';
  const idText = (id: string, why: WhyNot) => {
    const [opening = '', step = ''] = id.split('/');
    return t.unplacedOne(desk.markOf(opening), step.replace(/\?look$/, ''), why);
  };
  const unplaced = $derived((result?.unplaced ?? []).filter(({ why }) => why !== 'waits-for-unplaced'));
  const FEW = 4;

  async function begin() {
    const change = {
      calendar: firstCalendar({
        today: dayAndTime('UTC', new Date().toISOString()).day,
        zone: Intl.DateTimeFormat().resolvedOptions().timeZone,
        me: store.pack.me,
      }),
    };
    desk.problem = await store.put('site', { was: {}, change });
    settings = desk.problem === '';
  }
</script>

<svelte:window
  onbeforeprint={() => flushSync(() => (printing = true))}
  onafterprint={() => (printing = false)}
/>
<JobPage view="calendar">
  {#snippet tools()}
    {#if calendar && desk.state !== 'opening' && result}
      <p class="summary" data-testid="summary">
        {#if result.finish}<b>{t.finish(when(result.finish))}</b>{/if}
        {#if result.bound}
          · {result.bound.at === result.finish
            ? t.exact
            : t.bound(when(result.bound.at), t.heldBy(result.bound.by, taskName, personName))}
        {/if}
        ·
        <b class={desk.shown?.nights.nights ? 'bad' : 'good'}
          >{desk.shown?.nights.nights ? t.nights.some(desk.shown.nights.nights) : t.nights.none}</b
        >
        {#if desk.list}{t.list(desk.list.nights)}{/if}
      </p>
    {/if}
  {/snippet}
  {#if !calendar}
    <p class="lead">{t.begin.lead}</p>
    {#if desk.mayPlan}<div><Button kind="main" onclick={begin}>{t.begin.start}</Button></div>
    {:else}<p>{t.begin.readOnly}</p>{/if}
  {:else if store.views.size === 0}<NoOpenings {store} />
  {:else}
    <div class="bar">
      {#if desk.mayPlan}
        {#if desk.state === 'planning'}
          <Button onclick={() => desk.stop()}>{t.stop}</Button>
          <ProgressBar share={desk.share} label={t.planning} />
        {:else if desk.offered}
          <Button kind="main" onclick={() => void desk.take()}>{t.take}</Button>
          <Button onclick={() => desk.back()}>{t.drop}</Button>
          <span class="quiet">{t.offered}</span>
        {:else}
          <Button
            kind={desk.taken ? 'plain' : 'main'}
            disabled={desk.state !== 'ready'}
            onclick={() => desk.plan()}>{desk.taken ? t.again : t.plan}</Button
          >
          {#if desk.taken}
            <Button
              kind={desk.broken.length + desk.unknown > 0 ? 'main' : 'plain'}
              disabled={desk.state !== 'ready'}
              onclick={() => desk.replan()}>{t.least}</Button
            >
          {/if}
          {#if desk.canUndo}<Button kind="quiet" onclick={() => void desk.undo()}>{t.undo}</Button>{/if}
        {/if}
      {/if}
      <span class="switch" role="group" aria-label={t.views.label}>
        {#each ['places', 'people', 'openings'] as const as one (one)}
          <button
            type="button"
            aria-pressed={by === one}
            onclick={() => {
              by = one;
              desk.byPerson = one === 'people';
            }}>{t.views[one]}</button
          >
        {/each}
      </span>
      <span class="switch" role="group" aria-label={t.zoom.label}>
        {#each Object.keys(zooms) as one (one)}
          <button type="button" aria-pressed={zoom === one} onclick={() => (zoom = one as Zoom)}
            >{t.zoom[one as Zoom]}</button
          >
        {/each}
      </span>
      {#if desk.mayPlan}
        <Button kind="quiet" aria-expanded={settings} onclick={() => (settings = !settings)}
          >{t.settings.title}</Button
        >
      {/if}
    </div>
    {#if desk.problem}<p class="bad" role="alert">{desk.problem}</p>{/if}
    {#if settings}
      <CalendarSettings {store} {calendar} onsaved={() => (settings = false)} />
    {/if}
    {#if desk.state === 'opening' && !desk.shown}<p role="status">{t.working}</p>{/if}
    {#if desk.missing.length > 0}
      <p class="quiet">{t.missing(desk.missing.map(desk.markOf).join(', '))}</p>
    {/if}
    {#if !desk.offered && desk.broken.length > 0}
      <div class="notes" role="status">
        <p>{t.broken(desk.broken.length)}</p>
        <ul>
          {#each desk.broken.slice(0, FEW) as { task, why } (task)}<li>{idText(task, why)}</li>{/each}
          {#if desk.broken.length > FEW}<li>{t.more(desk.broken.length - FEW)}</li>{/if}
        </ul>
      </div>
    {:else if !desk.offered && desk.unknown > 0}<p role="status">{t.unknown(desk.unknown)}</p>{/if}
    {#if unplaced.length > 0 && (desk.offered || !desk.taken)}
      <div class="notes" role="status">
        <p>{t.unplaced(result?.unplaced.length ?? 0)}</p>
        <ul>
          {#each unplaced.slice(0, FEW) as { id, why } (id)}<li>{idText(id, why as WhyNot)}</li>{/each}
        </ul>
      </div>
    {/if}
    {#if days && desk.shown}
      <div class="both">
        <CalendarGrid {desk} {days} {rows} {by} {lane_px} />
        <CalendarPanel {desk} />
      </div>
      {#if printing}<PrintedPlan {desk} />{/if}
      {#if store.context.job.calendarPlan && !desk.offered}
        <p class="quiet">
          {t.taken(store.context.job.calendarPlan.person, dateTime(store.context.job.calendarPlan.at))}
        </p>
      {/if}
    {:else if desk.state === 'ready'}<p>{t.none}</p>{/if}
    <FeedLink {store} />
  {/if}
</JobPage>

<style>
  .summary {
    flex: 1 1 20rem;
    margin: 0;
    color: var(--ink-soft);
  }
  .summary b {
    color: var(--ink);
  }
  .bar {
    display: flex;
    flex-flow: row wrap;
    align-items: center;
    gap: var(--gap-2) var(--gap-3);
  }
  .switch button {
    min-height: 44px;
  }
  .both {
    display: grid;
    grid-template-columns: minmax(0, 1fr) 270px;
    gap: var(--gap-4);
    align-items: start;
  }
  .notes p,
  .notes ul {
    margin: 0;
  }
  .bad,
  .summary .bad {
    color: var(--bad);
  }
  .summary .good {
    color: var(--good);
  }
  @media print {
    .bar,
    .both {
      display: none;
    }
  }
  .lead {
    max-width: 70ch;
  }
  @media (pointer: coarse) {
    .switch button {
      min-height: 46px;
    }
  }
  @media (max-width: 1000px) {
    .both {
      grid-template-columns: minmax(0, 1fr);
    }
  }
</style>
