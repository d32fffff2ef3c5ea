<script module lang="ts">
  import type { Given, Play, PracticeView, ShownPlace } from '@hulvek/core';

  export interface TaskPictureProps {
    view: PracticeView;
    /** Which of the task's pictures it is. */
    at: number;
    /** What can be pressed is pressed by finger and by keys. */
    onpress?: ((given: Given) => void) | undefined;
    pressed: Extract<Given, { form: 'press' }> | null;
    play: Play | null;
    place: ShownPlace | null;
  }
</script>

<script lang="ts">
  import DrawingView from '$lib/drawing/DrawingView.svelte';
  import { practiceWords as t, viewTexts } from '$words/practice.ts';
  import { prefersReducedMotion } from 'svelte/motion';

  let { view, at, onpress, pressed, play, place }: TaskPictureProps = $props();
  const id = $props.id();
  let width = $state(0);
  let height = $state(0);
  const size = $derived({ width, height });
  const drawing = $derived(width > 40 && height > 40 ? view.draw(size) : null);

  /** Where the cross stands, px; the middle until it is moved. */
  let cross = $state<{ x: number; y: number } | null>(null);
  const STEP_px = 6;
  const LEAP_px = 40;

  function press(x: number, y: number) {
    cross = { x, y };
    onpress?.({ form: 'press', view: at, at: [x, y], size });
  }

  function click(event: MouseEvent) {
    // Pressed by a key: the cross stays where it was moved to.
    if (event.detail === 0) press(cross?.x ?? width / 2, cross?.y ?? height / 2);
    else press(event.offsetX, event.offsetY);
  }

  function move(event: KeyboardEvent) {
    const by = event.shiftKey ? LEAP_px : STEP_px;
    const moves: Partial<Record<string, readonly [number, number]>> = {
      ArrowLeft: [-by, 0],
      ArrowRight: [by, 0],
      ArrowUp: [0, -by],
      ArrowDown: [0, by],
    };
    const to = moves[event.key];
    if (!to) return;
    event.preventDefault();
    const from = cross ?? { x: width / 2, y: height / 2 };
    cross = {
      x: Math.min(Math.max(from.x + to[0], 0), width),
      y: Math.min(Math.max(from.y + to[1], 0), height),
    };
  }

  const way = $derived(
    play?.view === at && drawing?.place ? play.points.map((point) => drawing.place?.(point) ?? [0, 0]) : null,
  );
  const rings = $derived(
    place?.view === at && drawing?.place
      ? place.rings.map((ring) => ring.map((point) => drawing.place?.(point) ?? [0, 0]))
      : [],
  );
  const line = (points: readonly (readonly number[])[]) =>
    points.map(([x = 0, y = 0]) => `${x.toFixed(1)},${y.toFixed(1)}`).join(' ');

  let run = $state(0);
  const SPEED_px_s = 140;
  const lengths = $derived(
    (way ?? []).map(([x = 0, y = 0], i, all) => {
      const [bx = x, by = y] = all[i - 1] ?? [x, y];
      return Math.hypot(x - bx, y - by);
    }),
  );
  const whole = $derived(lengths.reduce((sum, one) => sum + one, 0));
  $effect(() => {
    if (!way || prefersReducedMotion.current) {
      run = Infinity;
      return;
    }
    run = 0;
    let last = performance.now();
    let frame = requestAnimationFrame(function step(now) {
      run += ((now - last) / 1000) * SPEED_px_s;
      last = now;
      if (run < whole) frame = requestAnimationFrame(step);
    });
    return () => cancelAnimationFrame(frame);
  });
  const drop = $derived.by(() => {
    if (!way) return null;
    let rest = run;
    for (const [i, length] of lengths.entries()) {
      const [from, to] = [way[i - 1], way[i]];
      if (from && to && length >= rest && length > 0)
        return [0, 1].map((k) => (from[k] ?? 0) + ((to[k] ?? 0) - (from[k] ?? 0)) * (rest / length));
      rest -= length;
    }
    return way.at(-1) ?? null;
  });
</script>

<figure>
  <figcaption>{viewTexts[view.name]}</figcaption>
  <div class="paper" bind:clientWidth={width} bind:clientHeight={height}>
    {#if drawing}
      <DrawingView {drawing} label={viewTexts[view.name]}>
        {#snippet over()}
          {#each rings as ring, i (i)}<polygon class="place" points={line(ring)} />{/each}
          {#if way}
            <g aria-hidden="true" data-testid="practice-{play?.of}" data-wets={play?.wets}>
              <polyline class="under" points={line(way)} />
              <polyline class="way" data-of={play?.of} points={line(way)} />
              {#if drop}<circle class="drop" data-of={play?.of} cx={drop[0]} cy={drop[1]} r="6" />{/if}
            </g>
          {/if}
          {#if cross && (onpress || pressed)}
            <path class="cross" d="M{cross.x - 11} {cross.y} h22 M{cross.x} {cross.y - 11} v22" />
          {/if}
        {/snippet}
      </DrawingView>
    {/if}
    {#if onpress}
      <button
        type="button"
        aria-label={t.crossLabel(viewTexts[view.name])}
        aria-describedby="{id}-keys"
        onclick={click}
        onkeydown={move}
      ></button>
    {/if}
  </div>
  {#if onpress}<p id="{id}-keys" class="keys">{t.cross}</p>{/if}
</figure>

<style>
  figure {
    display: grid;
    gap: var(--gap-1);
    min-width: 0;
    margin: 0;
  }
  figcaption {
    color: var(--ink-soft);
    font-size: 0.9rem;
  }
  .paper {
    position: relative;
    height: var(--picture, clamp(230px, 40vh, 400px));
    overflow: hidden;
    border: 1px solid var(--line);
    background: var(--paper);
  }
  .paper > :global(svg) {
    position: absolute;
    inset: 0;
  }
  button {
    position: absolute;
    inset: 0;
    padding: 0;
    border: 0;
    background: none;
    cursor: crosshair;
    touch-action: manipulation;
  }
  button:focus-visible {
    outline: 3px solid var(--rust);
    outline-offset: -3px;
  }
  .keys {
    margin: 0;
    color: var(--ink-soft);
    font-size: 0.85rem;
  }
  @media (pointer: coarse) {
    .keys {
      display: none;
    }
  }
  .place {
    fill: none;
    stroke: var(--rust);
    stroke-width: 3;
    stroke-dasharray: 7 4;
  }
  .cross {
    fill: none;
    stroke: var(--ink);
    stroke-width: 2;
  }
  .under {
    fill: none;
    stroke: var(--paper);
    stroke-width: 6;
  }
  .way {
    fill: none;
    stroke: var(--water);
    stroke-width: 2.6;
  }
  .drop {
    fill: var(--water);
    stroke: var(--paper);
    stroke-width: 2;
  }
  .way[data-of='air'] {
    stroke: var(--air);
  }
  .drop[data-of='air'] {
    fill: var(--air);
  }
</style>
