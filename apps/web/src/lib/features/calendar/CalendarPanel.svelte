<script module lang="ts">
  import type { CalendarDesk } from './calendar-desk.svelte.ts';

  export interface CalendarPanelProps {
    desk: CalendarDesk;
  }
</script>

<script lang="ts">
  import Button from '$lib/ui/Button.svelte';
  import { dayName } from '$lib/ui/time.ts';
  import { calendarWords as t } from '$words/calendar.ts';
  import { taskTitle } from '$words/task-title.ts';
  import { dayAndTime, visitsOf } from '@hulvek/core';

  let { desk }: CalendarPanelProps = $props();
  const calendar = $derived(desk.calendar);
  const visit = $derived(desk.chosenVisit);
  const zone = $derived(calendar?.zone ?? 'UTC');
  const when = (at: string) => {
    const moment = dayAndTime(zone, at);
    return `${dayName(moment.day)} ${moment.time}`;
  };
  const taskName = (id: string | null): string => {
    const task = desk.shown?.result.tasks.find((one) => one.id === id);
    return task ? `${desk.markOf(task.opening)}, ${taskTitle(task.step).toLowerCase()}` : (id ?? '');
  };
  const looksOf = (tasks: typeof shown) =>
    calendar
      ? visitsOf(
          (tasks?.result.tasks ?? []).filter(({ isLook }) => isLook),
          zone,
        ).length
      : 0;
  const shown = $derived(desk.shown);
  const isOffer = $derived(desk.offered !== null || desk.tried !== null);
  const peopleOf = (ids: readonly string[]) => {
    const changed = new Set(ids);
    return new Set(
      (shown?.result.tasks ?? []).filter(({ id }) => changed.has(id)).flatMap(({ people }) => people),
    ).size;
  };
  const evening = $derived(shown?.result.tonight.find(({ night }) => night.day === desk.evening) ?? null);
  const readings = $derived(new Set(shown?.result.readings ?? []));
  const day = $derived(visit ? dayAndTime(zone, visit.from).day : null);
</script>

<aside aria-label={t.why}>
  {#if isOffer && shown && desk.taken}
    <section data-testid="against">
      <h2>{t.against}</h2>
      <dl>
        <dt>{t.rows.nights}</dt>
        <dd>{desk.taken.nights.nights} → {shown.nights.nights}</dd>
        <dt>{t.rows.finish}</dt>
        <dd>{shown.result.finish ? when(shown.result.finish) : ''}</dd>
        <dt>{t.rows.moved}</dt>
        <dd>{shown.changed.length}</dd>
        <dt>{t.rows.people}</dt>
        <dd>{peopleOf(shown.changed)}</dd>
        <dt>{t.rows.looks}</dt>
        <dd>{looksOf(desk.taken)} → {looksOf(shown)}</dd>
      </dl>
    </section>
  {/if}
  {#if desk.refused}
    <p class="refused" role="status">{t.refused(taskName(desk.refused.task), desk.refused.why)}</p>
  {/if}
  {#if visit}
    <section>
      <h2>{desk.markOf(visit.opening)}</h2>
      <p class="when">
        {when(visit.from)} – {dayAndTime(zone, visit.to).time}, {visit.people.map(desk.nameOf).join(', ')}
      </p>
      <ol>
        {#each visit.tasks as task (task.id)}
          <li>
            <b>{dayAndTime(zone, task.from).time}</b>
            {task.isLook ? `${t.looks}: ` : ''}{taskTitle(task.step)}
            {#if readings.has(task.id)}<p class="reading">{t.reading}</p>{/if}
          </li>
        {/each}
      </ol>
      <h3>{t.why}</h3>
      <p aria-live="polite">
        {#if desk.because}{t.because(desk.because.because, taskName, desk.nameOf, desk.because.other)}{/if}
      </p>
      <div class="do">
        {#if desk.mayPlan}
          {#if desk.mayPin(visit)}<Button onclick={() => void desk.pin(visit)}
              >{desk.isPinned(visit) ? t.unpin : t.pin}</Button
            >{/if}
          {#if day}
            <Button onclick={() => void desk.keep(day)}
              >{calendar?.kept.includes(day) ? t.unlock(dayName(day)) : t.lock(dayName(day))}</Button
            >
          {/if}
        {/if}
        {#if desk.mayPlan && day}
          {#each visit.people as person (person)}
            <Button onclick={() => void desk.away(person, day)}
              >{t.away(desk.nameOf(person), dayName(day))}</Button
            >
          {/each}
          {#if desk.isOfOpening(visit)}<label class="comes">
              {t.comes}
              <input
                type="date"
                value={calendar?.deliveries.find(
                  ({ opening, step }) => opening === visit.opening && step === undefined,
                )?.on ?? ''}
                onchange={(event) =>
                  event.currentTarget.value && void desk.comes(visit.opening, event.currentTarget.value)}
              />
            </label>{/if}
        {/if}
        {#if desk.isOfOpening(visit)}
          <a href="/jobs/{desk.store.id}/{visit.opening}/order">{t.open(desk.markOf(visit.opening))}</a>
        {/if}
      </div>
    </section>
  {:else}<p class="quiet">{t.chosen}{desk.mayPlan ? ` ${t.moveHint}` : ''}</p>{/if}
  {#if evening}
    <section data-testid="evening">
      <h2>{t.tonight}, {when(evening.night.from)}</h2>
      <p>{t.rainOf(evening.night.rain_mm)}</p>
      <ul>
        {#each evening.open as one (one.opening)}
          {@const mark = desk.markOf(one.opening)}
          <li>
            <b>{mark}</b>
            {t.wets[one.evening.state]}
            {one.byPlan ? t.byPlan : one.covered ? t.covered : t.litres(one.litres)}
            {#if desk.mayPlan && !one.byPlan}
              <Button kind="quiet" onclick={() => void desk.cover(one.opening, evening.night.day)}
                >{desk.isCovered(one.opening, evening.night.day) ? t.uncover(mark) : t.cover(mark)}</Button
              >
            {/if}
          </li>
        {/each}
      </ul>
      <p class="quiet">{t.sheet}</p>
    </section>
  {/if}
</aside>

<style>
  .comes {
    display: grid;
    gap: var(--gap-1);
    font-weight: 500;
  }
  aside,
  section {
    display: grid;
    gap: var(--gap-2);
    align-content: start;
  }
  aside {
    gap: var(--gap-4);
  }
  h2 {
    font-size: 1.1rem;
  }
  h3 {
    color: var(--ink-soft);
    font-size: 0.9rem;
  }
  .when {
    font-weight: 600;
  }
  ol,
  ul {
    display: grid;
    gap: 2px;
    margin: 0;
    padding: 0;
    list-style: none;
  }
  li b {
    font-family: var(--mono);
    font-weight: 500;
  }
  dl {
    display: grid;
    grid-template-columns: 1fr auto;
    gap: 2px var(--gap-3);
    margin: 0;
  }
  dd {
    margin: 0;
    font-weight: 600;
    text-align: right;
  }
  .do {
    display: flex;
    flex-flow: row wrap;
    align-items: center;
    gap: var(--gap-2);
  }
  .reading {
    margin: 0;
    padding-left: var(--gap-2);
    border-left: 4px solid var(--watch);
  }
  .refused {
    padding: var(--gap-2) var(--gap-3);
    background: var(--bad-soft);
    color: var(--bad);
    font-weight: 600;
  }
</style>
