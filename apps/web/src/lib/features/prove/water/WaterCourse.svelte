<script module lang="ts">
  import type { WaterDesk } from './water-desk.svelte.ts';

  export interface WaterCourseProps {
    water: WaterDesk;
    playing: boolean;
    slow: boolean;
  }
</script>

<script lang="ts">
  import { sourceTexts, stopText, waterText as t } from '$words/prove-water.ts';
  import ChevronLeft from '@lucide/svelte/icons/chevron-left';
  import ChevronRight from '@lucide/svelte/icons/chevron-right';
  import Pause from '@lucide/svelte/icons/pause';
  import Play from '@lucide/svelte/icons/play';
  import { prefersReducedMotion } from 'svelte/motion';

  let { water, playing = $bindable(), slow = $bindable() }: WaterCourseProps = $props();
  const stops = $derived(water.course?.stops ?? []);
  const stop = $derived(stops[water.at]);
  function show(which: 'run' | 'wayIn') {
    water.show = which;
    water.at = 0;
  }
  function go(by: number) {
    playing = false;
    water.at = Math.min(Math.max(water.at + by, 0), stops.length - 1);
  }
</script>

{#if water.followed && stop}
  <div class="course" role="group" aria-label={t.run}>
    <span class="switch">
      <button type="button" aria-pressed={water.show === 'run'} onclick={() => show('run')}>{t.run}</button>
      <button
        type="button"
        aria-pressed={water.show === 'wayIn'}
        disabled={water.followed.part.wayIn.length === 0}
        title={water.followed.part.wayIn.length === 0 ? t.noWayIn : undefined}
        onclick={() => show('wayIn')}>{t.wayIn}</button
      >
    </span>
    <span class="play">
      {#if !prefersReducedMotion.current}
        <button type="button" class="icon" onclick={() => (playing = !playing)}>
          {#if playing}<Pause size={16} /> {t.pause}{:else}<Play size={16} /> {t.play}{/if}
        </button>
        <button type="button" class="icon" aria-pressed={slow} onclick={() => (slow = !slow)}>{t.slow}</button
        >
      {/if}
      <button
        type="button"
        class="icon"
        aria-label={t.before}
        disabled={water.at === 0}
        onclick={() => go(-1)}><ChevronLeft size={16} /></button
      >
      <button
        type="button"
        class="icon"
        aria-label={t.next}
        disabled={water.at >= stops.length - 1}
        onclick={() => go(1)}><ChevronRight size={16} /></button
      >
    </span>
    <p>
      {sourceTexts[water.followed.source]}
      <span class="figure">{t.stopOf(water.at + 1, stops.length)}</span>
      <b aria-live={playing ? 'off' : 'polite'} data-failed={stop.failed !== null}>{stopText(stop)}</b>
    </p>
  </div>
{/if}

<style>
  .course {
    display: flex;
    flex-flow: row wrap;
    align-items: center;
    gap: var(--gap-2) var(--gap-3);
    padding: var(--gap-2) var(--gap-4);
    border-top: 1px solid var(--line);
    background: var(--paper);
  }
  .play {
    display: flex;
    gap: 6px;
  }
  p {
    flex-basis: 100%;
  }
  .icon {
    display: inline-flex;
    align-items: center;
    gap: 6px;
    min-height: 36px;
    padding: 0 10px;
    border: 1px solid var(--line);
    background: var(--paper);
    cursor: pointer;
  }
  .icon[aria-pressed='true'] {
    background: var(--ink);
    color: var(--on-ink);
  }
  b[data-failed='true'] {
    color: var(--bad);
  }
</style>
