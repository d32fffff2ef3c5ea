<script module lang="ts">
  import type { Course, Drawing, Point3 } from '@hulvek/core';

  export interface WaterRunProps {
    drawing: Drawing;
    course: Course;
    /** Where the water is let go. */
    lines: readonly { readonly from: Point3; readonly to: Point3; readonly width_mm: number }[];
    /** Whether it ends where it must not come. */
    wets: boolean;
    /** Stop that is looked at. */
    at: number;
    playing: boolean;
    slow: boolean;
    figure: (mm: number) => string;
    /** Cuts show layers side by side: how far one lies before the other, in pixels of the paper. */
    aside: number;
    /** How far beside the cut it runs, in words; `null` where it runs in the cut, or on the face. */
    beside: string | null;
    onstop: (at: number) => void;
    onend: () => void;
  }
</script>

<script lang="ts">
  let {
    drawing,
    course,
    lines,
    wets,
    at,
    playing,
    slow,
    figure,
    aside,
    beside,
    onstop,
    onend,
  }: WaterRunProps = $props();

  type Point = readonly [number, number];
  const id = $props.id();
  const to = $derived(drawing.place ?? ((): Point => [0, 0]));
  const placed = $derived(
    course.points.map(({ at: point, level }): Point => {
      const [x, y] = to(point);
      return [x - aside * (level + 1), y];
    }),
  );
  const frame = $derived(drawing.frame ?? { left: 0, top: 0, right: drawing.width, bottom: drawing.height });
  const shown = ([x, y]: Point): boolean =>
    x >= frame.left - 20 && x <= frame.right && y >= frame.top - 20 && y <= frame.bottom;
  const sources = $derived(
    lines
      .map(({ from, to: end, width_mm }) => ({ a: to(from), b: to(end), width_mm }))
      .filter(({ a, b }) => shown(a) && shown(b) && Math.hypot(a[0] - b[0], a[1] - b[1]) > 1),
  );
  const stops = $derived(
    course.stops.flatMap(({ to: end, failed }, i) => {
      const point = placed[end];
      return point && shown(point) ? [{ i, point, failed: failed !== null }] : [];
    }),
  );
  const lengths = $derived(
    placed.map(([x, y], i) => {
      const [bx, by] = placed[i - 1] ?? [x, y];
      return Math.hypot(x - bx, y - by);
    }),
  );

  /** Pixels of the line already run. */
  let run = $state(0);
  const SPEED_px_s = 160;
  const whole = $derived(lengths.reduce((sum, length) => sum + length, 0));
  const stopAt = (px: number): number => {
    let sum = 0;
    const reached = lengths.findIndex((length) => (sum += length) >= px);
    return Math.max(
      0,
      course.stops.findIndex(({ to }) => to >= reached),
    );
  };
  $effect(() => {
    if (!playing) return;
    run = 0;
    let last = performance.now();
    let frame = requestAnimationFrame(function step(now) {
      run += ((now - last) / 1000) * SPEED_px_s * (slow ? 0.25 : 1);
      last = now;
      if (run >= whole) return onend();
      onstop(stopAt(run));
      frame = requestAnimationFrame(step);
    });
    return () => cancelAnimationFrame(frame);
  });
  const drop = $derived.by((): Point | null => {
    if (!playing) return placed[course.stops[at]?.to ?? 0] ?? null;
    let rest = run;
    for (const [i, length] of lengths.entries()) {
      const [from, to] = [placed[i - 1], placed[i]];
      if (from && to && length >= rest && length > 0)
        return [from[0] + (to[0] - from[0]) * (rest / length), from[1] + (to[1] - from[1]) * (rest / length)];
      rest -= length;
    }
    return null;
  });
  const line = (points: readonly Point[]): string =>
    points.map(([x, y]) => `${x.toFixed(1)},${y.toFixed(1)}`).join(' ');
</script>

<g aria-hidden="true" data-wets={wets} data-beside={beside !== null} data-testid="water-run">
  {#each sources as { a, b, width_mm }, i (i)}
    <polyline class="source" points={line([a, b])} />
    <text class="width" x={(a[0] + b[0]) / 2} y={(a[1] + b[1]) / 2 - 9} font-size="12.5"
      >{figure(width_mm)}</text
    >
  {/each}
  <clipPath id="{id}-frame"
    ><rect
      x={frame.left}
      y={frame.top}
      width={frame.right - frame.left}
      height={frame.bottom - frame.top}
    /></clipPath
  >
  <g clip-path="url(#{id}-frame)">
    <polyline class="under" points={line(placed)} />
    <polyline class="way" points={line(placed)} />
  </g>
  {#if beside !== null && placed[0]}
    <text class="width" x={(frame.left + frame.right) / 2} y={frame.top + 16} font-size="12.5">{beside}</text>
  {/if}
  {#each stops as { i, point, failed } (i)}
    {#if failed}
      <path class="failed" d="M{point[0] - 6} {point[1] - 6} l12 12 m0 -12 l-12 12" />
    {:else}
      <circle class="stop" cx={point[0]} cy={point[1]} r="3" />
    {/if}
  {/each}
  {#if drop && shown(drop)}
    <path class="drop" d="M{drop[0]} {drop[1] - 11} c5 7 6 9 6 12 a6 6 0 0 1 -12 0 c0 -3 1 -5 6 -12 z" />
  {/if}
</g>

<style>
  polyline,
  path {
    fill: none;
    stroke-linecap: round;
    stroke-linejoin: round;
  }
  .source {
    stroke: var(--water);
    stroke-width: 5;
  }
  .under {
    stroke: var(--paper);
    stroke-width: 6;
    opacity: 0.85;
  }
  .way {
    stroke: var(--water);
    stroke-width: 2.6;
  }
  [data-wets='true'] .way,
  [data-wets='true'] .source {
    stroke: var(--bad);
  }
  [data-wets='true'] .way {
    stroke-dasharray: 7 5;
  }
  /* What runs beside the cut is behind or before what the cut shows. */
  [data-beside='true'] .way {
    stroke-dasharray: 2 6;
    stroke-width: 2;
    opacity: 0.75;
  }
  [data-beside='true'] .under {
    opacity: 0;
  }
  .stop {
    fill: var(--paper);
    stroke: var(--water);
    stroke-width: 1.6;
  }
  [data-wets='true'] .stop {
    stroke: var(--bad);
  }
  .failed {
    stroke: var(--bad);
    stroke-width: 3;
  }
  .drop {
    fill: var(--water);
    stroke: var(--paper);
    stroke-width: 1.5;
  }
  [data-wets='true'] .drop {
    fill: var(--bad);
  }
  .width {
    font-family: var(--mono);
    text-anchor: middle;
    fill: var(--ink);
    stroke: var(--paper);
    stroke-width: 3px;
    paint-order: stroke;
  }
</style>
