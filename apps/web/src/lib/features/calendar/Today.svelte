<script module lang="ts">
  import type { JobStore } from '$lib/job/job.svelte.ts';

  export interface TodayProps {
    store: JobStore;
  }
</script>

<script lang="ts">
  import Clocks from '$lib/features/install/Clocks.svelte';
  import JobPage from '$lib/features/shell/JobPage.svelte';
  import { longDayName } from '$lib/ui/time.ts';
  import { calendarWords, todayWords as t } from '$words/calendar.ts';
  import { taskTitle } from '$words/task-title.ts';
  import { dayAndTime, formatLength, pieceText } from '@hulvek/core';
  import { onMount } from 'svelte';
  import { todayOf, type TodayTask } from './today.ts';

  let { store }: TodayProps = $props();
  let now = $state(new Date().toISOString());
  let day = $state<string | null>(null);
  const CLOCK_ms = 60_000;
  onMount(() => {
    const clock = setInterval(() => (now = new Date().toISOString()), CLOCK_ms);
    return () => clearInterval(clock);
  });
  const list = $derived(todayOf(store, day, now));
  const zone = $derived(store.context.job.calendar?.zone ?? 'UTC');
  const length = (mm: number) => formatLength(mm, store.reads);
  const time = (at: string) => dayAndTime(zone, at).time;
  const next = $derived(list?.days.find((one) => one > list.day));

  const toolsOf = ({ planned }: TodayTask) =>
    (planned?.needs ?? []).map((need) => t.tools[need]).filter(Boolean);
  const piecesOf = ({ planned }: TodayTask) => (planned?.places ?? []).map(pieceText);
  const gust = $derived(store.context.job.handling?.gust_ms ?? 9);
  const weatherOf = ({ planned, isLook }: TodayTask) =>
    planned && !isLook
      ? [
          ...(planned.needs.includes('dry') ? [calendarWords.conditions.dry] : []),
          ...(planned.needs.includes('above-minimum-temperature')
            ? [calendarWords.conditions.temperature_C([5, 40])]
            : []),
          ...(planned.role === 'set' ? [calendarWords.conditions.gust_ms_max(gust)] : []),
        ]
      : [];
</script>

<JobPage view="today" lead={list ? t.lead(longDayName(list.day)) : ''}>
  <!-- They run whoever is planned, and whether anybody is. -->
  <Clocks {store} />
  {#if !list}<p>{t.noCalendar}</p>
  {:else if list.days.length === 0}<p>{t.notIn}</p>
  {:else}
    <label class="day">
      {t.day}
      <select value={list.day} onchange={(event) => (day = event.currentTarget.value)}>
        {#each [...new Set([list.day, ...list.days])].sort() as one (one)}<option value={one}
            >{longDayName(one)}</option
          >{/each}
      </select>
    </label>
    {#if list.looks.length > 0}
      <section class="looks">
        <h2>{t.look}</h2>
        <ul>
          {#each list.looks as look (look.opening + look.step)}
            <li><a href="/jobs/{store.id}/{look.opening}/install">{t.lookAt(look.mark, look.step)}</a></li>
          {/each}
        </ul>
      </section>
    {/if}
    {#if list.tasks.length === 0}
      <p>{t.none} {next ? t.next(longDayName(next)) : ''}</p>
    {/if}
    <ol>
      {#each list.tasks as task (task.id)}
        <li data-done={task.isDone}>
          <a href={task.opening === task.place ? `/jobs/${store.id}/${task.opening}/install` : undefined}>
            <span class="time">{time(task.from)}</span>
            <span class="what"
              ><b>{task.mark}</b>
              {task.isLook ? `${calendarWords.looks}: ` : ''}{taskTitle(task.step)}{#if task.isDone}
                <em>{t.done}</em>{/if}</span
            >
          </a>
          <p>
            {task.facade},
            {task.with.length > 0 ? t.with(task.with.join(', ')) : t.alone}
          </p>
          {#if piecesOf(task).length > 0}<p><b>{t.pieces}:</b> {piecesOf(task).join(', ')}</p>{/if}
          {#if task.sheet}
            <p>
              <b>{t.bring}:</b>
              {calendarWords.sheetSize(length(task.sheet.width_mm), length(task.sheet.height_mm))}
            </p>
          {/if}
          {#if task.reading}<p class="reading">{calendarWords.reading}</p>{/if}
          {#if toolsOf(task).length > 0}<p><b>{t.bring}:</b> {toolsOf(task).join(', ')}</p>{/if}
          {#if weatherOf(task).length > 0}<p><b>{t.weather}:</b> {weatherOf(task).join(', ')}</p>{/if}
        </li>
      {/each}
    </ol>
  {/if}
</JobPage>

<style>
  .day {
    display: flex;
    align-items: center;
    gap: var(--gap-3);
  }
  .day select {
    min-height: var(--touch);
  }
  .looks {
    padding: var(--gap-3);
    border: 2px solid var(--ink);
    border-radius: var(--radius);
  }
  ol,
  ul {
    display: grid;
    max-width: 44rem;
    margin: 0;
    padding: 0;
    list-style: none;
  }
  ol {
    gap: var(--gap-3);
  }
  ol > li {
    padding-bottom: var(--gap-3);
    border-bottom: 1px solid var(--line);
  }
  li[data-done='true'] {
    opacity: 0.75;
  }
  ol a {
    display: flex;
    gap: var(--gap-3);
    align-items: center;
    min-height: var(--touch);
    font-size: 1.05rem;
  }
  ul a {
    display: flex;
    align-items: center;
    min-height: var(--touch);
  }
  .time {
    font-family: var(--mono);
    font-variant-numeric: tabular-nums;
  }
  p {
    margin: 0;
    color: var(--ink-soft);
  }
  .reading {
    padding-left: var(--gap-2);
    border-left: 4px solid var(--watch);
    color: var(--ink);
  }
  em {
    color: var(--good);
    font-style: normal;
    font-weight: 600;
  }
</style>
