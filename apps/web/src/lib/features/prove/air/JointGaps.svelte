<script module lang="ts">
  import type { Drawing, Gap, Point3 } from '@hulvek/core';

  export interface JointGapsProps {
    drawing: Drawing;
    gaps: readonly Gap[];
    figure: (mm: number) => string;
  }
</script>

<script lang="ts">
  let { drawing, gaps, figure }: JointGapsProps = $props();
  const OUT_px = 20;
  const AWAY: Readonly<Record<Gap['side'], readonly [number, number]>> = {
    left: [-1, 0],
    right: [1, 0],
    head: [0, -0.6],
    sill: [0, 0.6],
  };
  const placed = $derived(
    gaps.map((gap) => {
      const at: Point3 = [gap.at[0], gap.at[1], 0];
      const [x, y] = drawing.place?.(at) ?? [0, 0];
      const [dx, dy] = AWAY[gap.side];
      // Away from the corner, where two sides meet.
      const inward = (gap.place - 0.5) * -2 * OUT_px;
      const [ix, iy] = dx === 0 ? [inward * 1.2, 0] : [0, -inward];
      return { gap, x, y, tx: x + dx * OUT_px + ix, ty: y + dy * OUT_px + iy };
    }),
  );
</script>

<g aria-hidden="true" data-testid="joint-gaps">
  {#each placed as { gap, x, y, tx, ty } (`${gap.side}${gap.place}`)}
    <circle cx={x} cy={y} r="4" />
    <text x={tx} y={ty} class:tight={gap.flashed_mm < 0}>{figure(gap.flashed_mm)}</text>
  {/each}
</g>

<style>
  circle {
    fill: var(--paper);
    stroke: var(--air);
    stroke-width: 2;
  }
  text {
    font-family: var(--mono);
    font-size: 13px;
    text-anchor: middle;
    dominant-baseline: central;
    fill: var(--ink);
    stroke: var(--paper);
    stroke-width: 4px;
    paint-order: stroke;
  }
  .tight {
    fill: var(--bad);
  }
</style>
