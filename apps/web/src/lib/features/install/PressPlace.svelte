<!-- The opening as it is now, to press a place onto: which piece lies there, and where it is, from outside or from the room. -->
<script module lang="ts">
  import type { Build, Entry, LengthUnit } from '@hulvek/core';

  export type FaultPlace = NonNullable<Extract<NonNullable<Entry['facts']>, { kind: 'fault' }>['at']>;

  export interface PressPlaceProps {
    build: Build;
    /** Steps done so far. */
    done: number;
    at: FaultPlace | null;
    /** @param thing what lies uppermost at the place */
    onpress: (at: FaultPlace, thing: string | null) => void;
    units: LengthUnit;
  }
</script>

<script lang="ts">
  import DrawingView from '$lib/drawing/DrawingView.svelte';
  import { pressWords as t } from '$words/install.ts';
  import { faceDrawing, faultViews, formatLength, type DrawingLayer } from '@hulvek/core';

  let { build, done, at, onpress, units }: PressPlaceProps = $props();
  let from = $derived<FaultPlace['from']>(at?.from ?? 'outside');
  let width = $state(0);
  const HEIGHT_px = 300;
  const PLAIN: ReadonlySet<DrawingLayer> = new Set(['dimensions', 'names']);
  const figure = (mm: number) => formatLength(mm, units, 'figure');
  const drawing = $derived(
    width > 40
      ? faceDrawing(build, { width, height: HEIGHT_px, step: done, figure, from, hide: PLAIN })
      : null,
  );
  /** Arrow keys move the place by this, mm. */
  const STEP_mm = 25;

  function press(event: MouseEvent) {
    const box = (event.currentTarget as HTMLElement).getBoundingClientRect();
    // A press that came from a key has no place: the middle of the opening stands in.
    const { width: w, height: h } = build.context.opening;
    if (event.detail === 0) return onpress({ from, u_mm: Math.round(w / 2), v_mm: Math.round(h / 2) }, null);
    const place = drawing?.place;
    if (!place) return;
    const [x, y] = [event.clientX - box.left, event.clientY - box.top];
    const [zero, along, up] = [place([0, 0, 0]), place([1, 0, 0]), place([0, 1, 0])];
    const u_mm = Math.round((x - zero[0]) / (along[0] - zero[0]));
    const v_mm = Math.round((y - zero[1]) / (up[1] - zero[1]));
    const owner = (event.target as Element).closest('[data-owner]')?.getAttribute('data-owner') ?? null;
    onpress({ from, u_mm, v_mm }, owner);
  }

  function move(event: KeyboardEvent) {
    const by = { ArrowLeft: [-1, 0], ArrowRight: [1, 0], ArrowUp: [0, 1], ArrowDown: [0, -1] }[event.key];
    if (!by || !at) return;
    event.preventDefault();
    const across = (by[0] ?? 0) * (from === 'inside' ? -1 : 1);
    onpress({ ...at, u_mm: at.u_mm + across * STEP_mm, v_mm: at.v_mm + (by[1] ?? 0) * STEP_mm }, null);
  }
</script>

<div class="press" bind:clientWidth={width}>
  <span class="switch" role="group" aria-label={t.label}>
    {#each faultViews as one (one)}
      <button type="button" aria-pressed={from === one} onclick={() => (from = one)}>{t.from[one]}</button>
    {/each}
  </span>
  {#if drawing}
    <button
      type="button"
      class="sheet"
      style="height:{HEIGHT_px}px"
      aria-label={t.label}
      data-testid="press"
      onclick={press}
      onkeydown={move}
    >
      <DrawingView {drawing} label={t.label}>
        {#snippet over(paper)}
          {@const spot = at && at.from === from ? paper.place?.([at.u_mm, at.v_mm, 0]) : undefined}
          {#if spot}
            <circle cx={spot[0]} cy={spot[1]} r="11" fill="none" stroke="var(--bad)" stroke-width="3" />
            <circle cx={spot[0]} cy={spot[1]} r="2.5" fill="var(--bad)" />
          {/if}
        {/snippet}
      </DrawingView>
    </button>
  {/if}
  <p class="quiet" aria-live="polite">
    {at ? t.at(formatLength(at.u_mm, units), formatLength(at.v_mm, units)) : t.none}
  </p>
</div>

<style>
  .press {
    display: grid;
    gap: var(--gap-1);
    min-width: 0;
  }
  .sheet {
    width: 100%;
    padding: 0;
    border: 1px solid var(--line);
    background: var(--sand);
    cursor: crosshair;
    touch-action: manipulation;
  }
  .switch button {
    min-height: 44px;
  }
  p {
    margin: 0;
  }
</style>
