<script module lang="ts">
  import type { Tonight } from '@hulvek/core';
  import type { CalendarDesk } from './calendar-desk.svelte.ts';

  export interface TonightCellProps {
    desk: CalendarDesk;
    one: Tonight;
    /** Room for a sign and a number only. */
    narrow: boolean;
  }
</script>

<script lang="ts">
  import { calendarWords as t } from '$words/calendar.ts';

  let { desk, one, narrow }: TonightCellProps = $props();
  const standing = $derived(one.open.filter(({ covered, byPlan }) => !covered && !byPlan));
  const worst = $derived(standing[0]);
  const wet = $derived(one.night.rain_mm === null || one.night.rain_mm > 0);
</script>

{#if !worst}
  <p class="good">
    <span aria-hidden="true">●</span>
    {narrow ? '' : t.nothingOpen}<span class="hidden">{narrow ? t.nothingOpen : ''}</span>
  </p>
  {#if !narrow}<small>{t.rainOf(one.night.rain_mm)}</small>{/if}
{:else}
  <button
    type="button"
    class={wet ? 'bad' : 'watch'}
    onclick={() => (desk.evening = one.night.day)}
    aria-label="{one.night.day}: {standing
      .map(({ opening, evening }) => `${desk.markOf(opening)} ${t.wets[evening.state]}`)
      .join(', ')}, {t.rainOf(one.night.rain_mm)}"
  >
    <span aria-hidden="true">▲</span>
    {narrow
      ? standing.length
      : `${desk.markOf(worst.opening)} ${t.wets[worst.evening.state]}${standing.length > 1 ? `, +${standing.length - 1}` : ''}`}
  </button>
  {#if !narrow}<small
      >{[t.rainOf(one.night.rain_mm), t.litres(worst.litres)].filter(Boolean).join(' · ')}</small
    >{/if}
{/if}

<style>
  p,
  button {
    display: block;
    max-width: 100%;
    margin: 0;
    padding: 0;
    overflow: hidden;
    text-overflow: ellipsis;
    white-space: nowrap;
    border: 0;
    background: none;
    font: inherit;
    font-weight: 600;
    text-align: left;
  }
  button {
    min-height: 30px;
    text-decoration: underline;
    cursor: pointer;
  }
  @media (pointer: coarse) {
    button {
      min-height: 44px;
    }
  }
  .good {
    color: var(--good);
  }
  .bad {
    color: var(--bad);
  }
  .watch {
    color: var(--watch);
  }
  small {
    color: var(--ink-soft);
    white-space: nowrap;
  }
  .hidden {
    position: absolute;
    clip-path: inset(50%);
  }
</style>
