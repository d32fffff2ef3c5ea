<script module lang="ts">
  import type { CalendarDesk } from './calendar-desk.svelte.ts';
  import type { Days } from './grid.ts';

  export interface WeatherBandProps {
    desk: CalendarDesk;
    days: Days;
    /** Which part across is near the window, px. */
    from: number;
    to: number;
  }
</script>

<script lang="ts">
  import { calendarWords as t } from '$words/calendar.ts';
  import { dayAndTime } from '@hulvek/core';

  let { desk, days, from, to }: WeatherBandProps = $props();
  const HEIGHT = 60;
  const MOST_mm = 4;
  const MOST_ms = 20;
  const HOUR_ms = 3_600_000;
  const inDays = $derived(new Set(days.days));
  /** Where each hour stands: the same for as long as days and weather are. */
  const placed = $derived(
    desk.weather.flatMap((row, i) => {
      const next = new Date(Date.parse(row.at) + HOUR_ms).toISOString();
      if (!inDays.has(dayAndTime(days.zone, row.at).day) && !inDays.has(dayAndTime(days.zone, next).day))
        return [];
      const x = days.x(row.at);
      const width = days.x(next) - x;
      return width > 0.5 ? [{ row, x, width, wet: desk.dry[i] === false }] : [];
    }),
  );
  const hours = $derived(placed.filter(({ x, width }) => x + width > from && x < to));
  const gusts = $derived(
    hours
      .map(
        ({ row, x, width }) =>
          `${x + width / 2},${HEIGHT - (Math.min(MOST_ms, row.gust_ms) / MOST_ms) * HEIGHT}`,
      )
      .join(' '),
  );
</script>

<svg width={days.total} height={HEIGHT} aria-hidden="true">
  {#each hours as { row, x, width, wet } (row.at)}
    {#if row.rain_mm > 0}
      {@const tall = Math.max(4, (Math.min(MOST_mm, row.rain_mm) / MOST_mm) * (HEIGHT - 6))}
      <rect class="rain" {x} width={Math.max(1, width - 1)} y={HEIGHT - tall} height={tall} />
    {:else if wet}<rect class="wet" {x} {width} y={HEIGHT - 3} height="3" />{/if}
  {/each}
  <polyline points={gusts} />
</svg>
{#if desk.shown && days.x(desk.shown.result.knownUntil) < days.total - 1}
  <span class="unknown" style="left: {days.x(desk.shown.result.knownUntil)}px">{t.notKnown}</span>
{/if}

<style>
  svg {
    position: absolute;
    left: 0;
    bottom: 0;
  }
  .rain {
    fill: var(--water);
  }
  .wet {
    fill: var(--water);
    opacity: 0.45;
  }
  polyline {
    fill: none;
    stroke: var(--watch);
    stroke-width: 1.5;
  }
  .unknown {
    position: absolute;
    bottom: 4px;
    padding-left: var(--gap-2);
    border-left: 1px dashed var(--ink);
    font-size: 0.8rem;
    white-space: nowrap;
  }
</style>
