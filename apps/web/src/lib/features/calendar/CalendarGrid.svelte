<script module lang="ts">
  import type { CalendarDesk } from './calendar-desk.svelte.ts';
  import type { Days, Row, RowsBy } from './grid.ts';

  export interface CalendarGridProps {
    desk: CalendarDesk;
    days: Days;
    rows: readonly Row[];
    by: RowsBy;
    /** Height of a lane. */
    lane_px: number;
  }
</script>

<script lang="ts">
  import { dayName } from '$lib/ui/time.ts';
  import { calendarWords as t } from '$words/calendar.ts';
  import { taskTitle } from '$words/task-title.ts';
  import { dayAndTime, type Visit } from '@hulvek/core';
  import WeatherBand from './WeatherBand.svelte';
  import TonightCell from './TonightCell.svelte';

  let { desk, days, rows, by, lane_px }: CalendarGridProps = $props();
  const calendar = $derived(desk.calendar);
  const height = $derived(rows.reduce((sum, row) => sum + row.height, 0));
  let scroller = $state<HTMLElement>();
  let view = $state({ left: 0, width: 1200, top: 0, height: 900 });
  const HEAD_px = 164;

  /** Only what is near the window stands in the page: a job of five hundred openings scrolls like a small one. */
  const near = $derived({ from: view.left - 600, to: view.left + view.width + 600 });
  const shownRows = $derived(
    rows.filter((row) => row.top + row.height > view.top - 400 && row.top < view.top + view.height + 400),
  );
  const shownDays = $derived(
    days.days
      .map((day, i) => ({ day, i, left: i * days.width }))
      .filter(({ left }) => left + days.width > near.from && left < near.to),
  );
  const tonight = $derived(new Map((desk.shown?.result.tonight ?? []).map((one) => [one.night.day, one])));
  const changed = $derived(new Set(desk.offered || desk.tried ? (desk.shown?.changed ?? []) : []));
  const pinned = $derived(new Set((calendar?.pins ?? []).map(({ opening, step }) => `${opening}/${step}`)));
  const brokenTasks = $derived(new Set(desk.offered ? [] : desk.broken.map(({ task }) => task)));

  /** Scrolled by less than this, what stands in the page is enough, px. */
  const LOOK_px = 200;
  function look() {
    if (!scroller) return;
    const { scrollLeft: left, scrollTop: top, clientWidth: width, clientHeight: height } = scroller;
    const near = Math.abs(left - view.left) + Math.abs(top - view.top) < LOOK_px;
    if (!near || width !== view.width || height !== view.height) view = { left, top, width, height };
  }
  $effect(() => {
    const own = scroller;
    if (!own) return;
    look();
    const watch = new ResizeObserver(look);
    watch.observe(own);
    return () => watch.disconnect();
  });

  const time = (at: string) => dayAndTime(days.zone, at).time;
  const rowName = (id: string) =>
    by === 'places' ? t.place(id) : by === 'people' ? desk.nameOf(id) : desk.markOf(id);
  const stepsOf = (visit: Visit) =>
    visit.tasks
      .map(({ step, isLook }) => (isLook ? `${t.looks}: ${taskTitle(step)}` : taskTitle(step)))
      .join(', ');
  /** What is said of a bar, put together when it first comes near. */
  const labels = new WeakMap<Visit, string>();
  function barLabel(visit: Visit): string {
    const known = labels.get(visit);
    if (known !== undefined) return known;
    const { day, time: from } = dayAndTime(days.zone, visit.from);
    const people = visit.people.map(desk.nameOf).join(', ');
    const label = t.bar(
      desk.markOf(visit.opening),
      `${dayName(day)} ${from}`,
      time(visit.to),
      stepsOf(visit),
      people,
    );
    labels.set(visit, label);
    return label;
  }
  const kind = (visit: Visit) =>
    visit.tasks[0]?.isLook ? 'look' : visit.place.endsWith(' inside') ? 'inside' : 'outside';

  /** The bar that is being dragged, and by how much. */
  let drag = $state<{ visit: Visit; id: string; x0: number; dx: number; row: string; to: string } | null>(
    null,
  );

  function down(event: PointerEvent, visit: Visit, row: string) {
    if (!desk.mayPlan || event.button !== 0) return;
    (event.currentTarget as HTMLElement).setPointerCapture(event.pointerId);
    drag = { visit, id: visit.tasks[0]?.id ?? '', x0: event.clientX, dx: 0, row, to: row };
  }
  const DRAG_px = 4;
  function moved(event: PointerEvent) {
    if (!drag) return;
    const to = by === 'people' ? rowAt(event.clientY) : drag.row;
    const dx = event.clientX - drag.x0;
    if (Math.abs(dx) < DRAG_px && drag.dx === 0 && to === drag.row) return;
    drag = { ...drag, dx, to };
    desk.try(drag.visit, days.at(days.x(drag.visit.from) + dx), whoOf(drag), false);
  }
  function up() {
    if (!drag) return;
    const done = drag;
    drag = null;
    if (done.dx !== 0 || done.to !== done.row)
      desk.try(done.visit, days.at(days.x(done.visit.from) + done.dx), whoOf(done), true);
  }
  const whoOf = ({ row, to }: { row: string; to: string }) =>
    to === row ? null : { person: to, replaces: row };
  function rowAt(clientY: number): string {
    const y = clientY - (scroller?.getBoundingClientRect().top ?? 0) + view.top - HEAD_px;
    return rows.find((row) => y >= row.top && y < row.top + row.height)?.id ?? drag?.row ?? '';
  }

  const QUARTER_ms = 15 * 60_000;
  function key(event: KeyboardEvent, visit: Visit) {
    const step = { ArrowLeft: -1, ArrowRight: 1 }[event.key];
    if (step !== undefined && event.shiftKey && desk.mayPlan) {
      event.preventDefault();
      const at = event.ctrlKey || event.altKey ? step * 4 * QUARTER_ms : step * QUARTER_ms;
      desk.chosen = visit.tasks[0]?.id ?? null;
      desk.try(visit, new Date(Date.parse(visit.from) + at).toISOString(), null, true);
      refocus(visit.tasks[0]?.id ?? '');
    } else if (step !== undefined || event.key === 'ArrowUp' || event.key === 'ArrowDown') {
      event.preventDefault();
      const all = [...(scroller?.querySelectorAll<HTMLElement>('[data-bar]') ?? [])];
      const here = all.indexOf(event.currentTarget as HTMLElement);
      const by = step ?? (event.key === 'ArrowUp' ? -1 : 1);
      all[here + by]?.focus();
    } else if (event.key.toLowerCase() === 'p' && desk.mayPlan) {
      event.preventDefault();
      void desk.pin(visit);
    }
  }
  /** The bar is made anew where it now stands: the keys go on with it. */
  function refocus(id: string) {
    setTimeout(() => scroller?.querySelector<HTMLElement>(`[data-bar="${CSS.escape(id)}"]`)?.focus(), 150);
  }
</script>

<!-- What does not fit is reached by scrolling, with the keys too. -->
<!-- svelte-ignore a11y_no_noninteractive_tabindex -->
<div class="scroller" bind:this={scroller} onscroll={look} role="region" aria-label={t.grid} tabindex="0">
  <div class="sheet" style="width: {days.total + 150}px; --lane: {lane_px}px">
    <div class="heads">
      <div class="corner">
        {t.weather}{#if calendar?.weather.source === 'invented'}<small>{t.invented}</small>
        {:else if calendar?.weather.source === 'file'}<small>{calendar.weather.note}</small>{/if}
      </div>
      <div class="across" style="width: {days.total}px">
        {#each shownDays as { day, left } (day)}
          <div class="day" style="left: {left}px; width: {days.width}px">
            <b>{dayName(day)}</b>
            {#if calendar?.kept.includes(day)}<small>{t.locked}</small>{/if}
          </div>
        {/each}
        <WeatherBand {desk} {days} from={near.from} to={near.to} />
      </div>
    </div>
    <div class="tonight">
      <div class="corner"><b>{t.tonight}</b></div>
      <div class="across" style="width: {days.total}px">
        {#each shownDays as { day, left } (day)}
          {@const one = tonight.get(day)}
          <div class="cell" style="left: {left}px; width: {days.width - 4}px">
            {#if one}<TonightCell {desk} {one} narrow={days.width < 150} />{/if}
          </div>
        {/each}
      </div>
    </div>
    <div class="rows" style="height: {height}px">
      {#each shownDays as { day, left } (day)}
        <span class="line" style="left: {150 + left}px; height: {height}px"></span>
      {/each}
      {#each shownRows as row (row.id)}
        <div class="row" style="top: {row.top}px; height: {row.height}px">
          <h2>{rowName(row.id)}</h2>
          <div class="across" style="width: {days.total}px">
            {#each row.bars.filter((bar) => bar.left + bar.width > near.from && bar.left < near.to) as bar (bar.id)}
              {@const mark = desk.markOf(bar.visit.opening)}
              {@const isDragged = drag?.id === bar.id}
              <button
                type="button"
                class="bar"
                data-bar={bar.id}
                data-kind={kind(bar.visit)}
                data-changed={bar.visit.tasks.some(({ id }) => changed.has(id))}
                data-broken={bar.visit.tasks.some(({ id }) => brokenTasks.has(id))}
                aria-pressed={bar.visit === desk.chosenVisit}
                aria-label={barLabel(bar.visit)}
                style="left: {bar.left + (isDragged ? (drag?.dx ?? 0) : 0)}px; top: {bar.lane * lane_px +
                  5}px; width: {bar.width}px"
                onpointerdown={(event) => down(event, bar.visit, row.id)}
                onpointermove={moved}
                onpointerup={up}
                onpointercancel={() => (drag = null)}
                onclick={() => desk.choose(bar.id)}
                onkeydown={(event) => key(event, bar.visit)}
              >
                <span class="length" style="width: {bar.length}px"></span>
                <b style:margin-left="{bar.length < bar.width ? bar.length : 0}px">{mark}</b>
                {#if bar.length > 80}<span class="steps">{stepsOf(bar.visit)}</span>{/if}
                {#if bar.visit.tasks.some(({ id }) => pinned.has(id))}<i aria-hidden="true">•</i>{/if}
              </button>
            {/each}
          </div>
        </div>
      {/each}
    </div>
  </div>
</div>

<style>
  .scroller {
    overflow: auto;
    max-height: max(22rem, calc(100vh - 17.5rem));
    border: 1px solid var(--line);
    background: var(--paper);
  }
  .sheet {
    position: relative;
  }
  .heads,
  .tonight {
    display: flex;
    position: sticky;
    z-index: 3;
    background: var(--paper);
  }
  .heads {
    top: 0;
    height: 96px;
    border-bottom: 1px solid var(--ink);
  }
  .tonight {
    top: 97px;
    min-height: 66px;
    border-bottom: 1px solid var(--ink);
  }
  .tonight .across {
    min-height: 66px;
  }
  .corner {
    position: sticky;
    left: 0;
    z-index: 2;
    display: grid;
    align-content: center;
    flex: none;
    width: 150px;
    padding: 0 var(--gap-3);
    background: var(--paper);
    color: var(--ink-soft);
  }
  .across {
    position: relative;
    flex: none;
  }
  .day {
    position: absolute;
    top: 0;
    overflow: hidden;
    padding: 2px var(--gap-2);
    white-space: nowrap;
  }
  .rows {
    position: relative;
  }
  .line {
    position: absolute;
    top: 0;
    border-left: 1px solid var(--line);
  }
  .row {
    position: absolute;
    left: 0;
    display: flex;
    width: 100%;
    border-bottom: 1px solid var(--line);
  }
  h2 {
    position: sticky;
    left: 0;
    z-index: 2;
    flex: none;
    width: 150px;
    padding: var(--gap-2) var(--gap-3);
    background: var(--paper);
    font-size: 0.95rem;
    overflow-wrap: anywhere;
  }
  .bar {
    position: absolute;
    overflow: hidden;
    display: grid;
    align-content: center;
    height: calc(var(--lane) - 6px);
    padding: 0 4px;
    border: 0;
    background: none;
    color: var(--ink);
    font: inherit;
    font-size: 0.8rem;
    line-height: 1.15;
    text-align: left;
    white-space: nowrap;
    cursor: grab;
    touch-action: pan-y;
  }
  .bar b,
  .steps {
    position: relative;
    overflow: hidden;
    text-overflow: ellipsis;
  }
  /* The time it takes; what is shorter than its name has the name stand out beside it. */
  .length {
    position: absolute;
    inset: 0 auto 0 0;
    border: 1px solid var(--ink);
    border-radius: 2px;
    background: var(--sand-deep);
  }
  .bar[data-kind='inside'] .length {
    background: var(--rust-soft);
  }
  .bar[data-kind='look'] .length {
    background: var(--paper);
    border-style: double;
    border-width: 3px;
  }
  .bar[data-changed='true'] .length {
    border-color: var(--rust);
    border-width: 2px;
  }
  .bar[data-broken='true'] .length {
    border-color: var(--bad);
    border-style: dashed;
    border-width: 2px;
  }
  .bar[aria-pressed='true'] {
    outline: 2px solid var(--ink);
    background: var(--paper);
  }
  .bar i {
    position: absolute;
    top: -4px;
    right: 2px;
    color: var(--rust);
    font-size: 1.2rem;
    line-height: 1;
  }
  .cell {
    position: absolute;
    top: 4px;
    overflow: hidden;
  }
  @media print {
    .scroller {
      max-height: none;
      overflow: visible;
    }
  }
</style>
