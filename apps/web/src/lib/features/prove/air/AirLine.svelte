<script module lang="ts">
  import type { AirCourse, Drawing, Point3, RingStretch } from '@hulvek/core';

  export interface AirLineProps {
    drawing: Drawing;
    /** In a cut; `null` where nothing joins wall and frame. */
    course: AirCourse | null;
    /** On the face. */
    ring: { readonly stretches: readonly RingStretch[]; readonly breaks: readonly Point3[] } | null;
    /** Where pieces come closest without meeting. */
    gaps: readonly Point3[];
  }
</script>

<script lang="ts">
  let { drawing, course, ring, gaps }: AirLineProps = $props();
  type Point = readonly [number, number];
  const id = $props.id();
  const to = $derived(drawing.place ?? ((): Point => [0, 0]));
  const frame = $derived(drawing.frame ?? { left: 0, top: 0, right: drawing.width, bottom: drawing.height });
  const line = (points: readonly Point3[]): string =>
    points
      .map((point) => to(point))
      .map(([x, y]) => `${x.toFixed(1)},${y.toFixed(1)}`)
      .join(' ');
  const cross = (point: Point3): string => {
    const [x, y] = to(point);
    return `M${x - 7} ${y - 7} l14 14 m0 -14 l-14 14`;
  };
  /** Neighbouring stretches of one kind are one dashed line. */
  const runs = $derived.by(() => {
    const found: RingStretch[] = [];
    for (const stretch of ring?.stretches ?? []) {
      const last = found.at(-1);
      if (last && last.side === stretch.side && last.closed === stretch.closed)
        found[found.length - 1] = { ...last, ...farthest(last, stretch) };
      else found.push(stretch);
    }
    return found;
  });
  const farthest = (a: RingStretch, b: RingStretch): Pick<RingStretch, 'from' | 'to'> => {
    const points = [a.from, a.to, b.from, b.to].toSorted((p, q) => p[0] - q[0] || p[1] - q[1]);
    return { from: points[0] ?? a.from, to: points.at(-1) ?? a.to };
  };
  const end = $derived(course ? to(course.points.at(-1) ?? [0, 0, 0]) : null);
</script>

<g aria-hidden="true" data-testid="air-line" data-open={course?.lift !== null || gaps.length > 0}>
  <clipPath id="{id}-frame"
    ><rect
      x={frame.left}
      y={frame.top}
      width={frame.right - frame.left}
      height={frame.bottom - frame.top}
    /></clipPath
  >
  <g clip-path="url(#{id}-frame)">
    {#if course}
      <polyline class="under" points={line(course.points)} />
      <polyline class="line" class:open={course.lift !== null} points={line(course.points)} />
      {#each course.stops.slice(1) as { at }, i (i)}
        {@const [x, y] = to(at)}
        <rect class="stop" x={x - 3.5} y={y - 3.5} width="7" height="7" />
      {/each}
    {/if}
    {#each runs as run, i (i)}<polyline class="under wide" points={line([run.from, run.to])} />{/each}
    {#each runs as run, i (i)}
      <polyline class="line ring" class:open={!run.closed} points={line([run.from, run.to])} />
    {/each}
  </g>
  {#if end && course && course.lift === null}
    <rect class="end" x={end[0] - 5.5} y={end[1] - 5.5} width="11" height="11" />
  {/if}
  {#if course?.lift}<path class="lift" d={cross(course.lift)} />{/if}
  {#each [...(ring?.breaks ?? []), ...gaps] as point, i (i)}<path class="lift" d={cross(point)} />{/each}
</g>

<style>
  polyline,
  path {
    fill: none;
    stroke-linecap: butt;
    stroke-linejoin: round;
  }
  .under {
    stroke: var(--paper);
    stroke-width: 7;
    opacity: 0.85;
  }
  .under.wide {
    stroke-width: 9;
  }
  .line {
    stroke: var(--air);
    stroke-width: 3.4;
    stroke-dasharray: 9 5;
  }
  .line.ring {
    stroke-width: 5;
    stroke-dasharray: 14 6;
  }
  .line.open {
    stroke: var(--bad);
    stroke-dasharray: 4 5;
  }
  .stop {
    fill: var(--paper);
    stroke: var(--air);
    stroke-width: 1.6;
  }
  .end {
    fill: var(--air);
    stroke: var(--paper);
    stroke-width: 1.5;
  }
  .lift {
    stroke: var(--bad);
    stroke-width: 3.4;
    stroke-linecap: round;
  }
</style>
