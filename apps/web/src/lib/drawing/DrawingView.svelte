<script module lang="ts">
  import type { Drawing } from '@hulvek/core';
  import type { Snippet } from 'svelte';

  export interface DrawingViewProps {
    drawing: Drawing;
    /** What the drawing shows, for those who cannot see it. */
    label: string;
    /** Part of the paper that is shown; all of it when left out. */
    window?: { x: number; y: number; width: number; height: number };
    /** Drawn over it, in pixels of the paper. */
    over?: Snippet<[Drawing]> | undefined;
  }
</script>

<script lang="ts">
  import { fillColour, lineColour, type DrawItem, type Fill } from '@hulvek/core';
  import Hatches from './Hatches.svelte';

  let { drawing, label, window, over }: DrawingViewProps = $props();
  const shown = $derived(window ?? { x: 0, y: 0, width: drawing.width, height: drawing.height });
  const id = $props.id();

  const HATCHED = new Set<Fill>([
    'wood',
    'wood-board',
    'insulation',
    'foam-board',
    'hd-foam',
    'panel',
    'masonry',
    'plaster',
    'render',
    'foam',
    'wool',
    'fibre',
    'insulation-block',
    'band',
    'shim',
    'wrap',
    'wrap-back',
    'self-adhered',
    'coated-face',
    'foam-face',
    'fluid',
  ]);
  /** Classes that share a hatch. */
  const HATCH_OF: Partial<Record<Fill, string>> = {
    render: 'plaster',
    'foam-face': 'foam-board',
    'self-adhered': 'coated-face',
  };
  const fillOf = (fill: Fill): string =>
    HATCHED.has(fill) ? `url(#${id}-${HATCH_OF[fill] ?? fill})` : fillColour(fill);
  const path = (item: Extract<DrawItem, { kind: 'area' | 'line' }>): string =>
    item.points.map(([x, y]) => `${x.toFixed(2)},${y.toFixed(2)}`).join(' ');
  const paint = (item: Extract<DrawItem, { kind: 'line' }>): string | undefined =>
    item.fill && item.fill !== 'none'
      ? `stroke:${lineColour(item.fill)};stroke-width:${item.width ?? 2}`
      : undefined;
</script>

<svg viewBox="{shown.x} {shown.y} {shown.width} {shown.height}" role="img" aria-label={label}>
  <Hatches {id} />
  {#each drawing.items as item, i (i)}
    {#if item.kind === 'area'}
      <polygon
        points={path(item)}
        fill={fillOf(item.fill)}
        class="area {item.stroke}"
        data-owner={item.owner}
      />
    {:else if item.kind === 'line'}
      {#if item.fill}
        <polyline
          points={path(item)}
          class="line {item.stroke}"
          style="stroke-width:{(item.width ?? 2) + (item.stroke === 'new' ? 3 : 1.6)}"
          data-owner={item.owner}
        />
      {/if}
      <polyline points={path(item)} class="line {item.stroke}" style={paint(item)} data-owner={item.owner} />
    {:else if item.kind === 'mark'}
      <circle cx={item.at[0]} cy={item.at[1]} r="4" class="point {item.tone}" data-owner={item.owner} />
    {:else}
      <text
        x={item.at[0]}
        y={item.at[1]}
        font-size={item.size}
        class="words {item.tone}"
        transform={item.turned ? `rotate(-90 ${item.at[0]} ${item.at[1]})` : undefined}
        data-owner={item.owner}>{item.text}</text
      >
    {/if}
  {/each}
  {@render over?.(drawing)}
</svg>

<style>
  svg {
    display: block;
    width: 100%;
    height: 100%;
  }
  .area {
    stroke: #5e676a;
    stroke-width: 0.7;
    stroke-linejoin: round;
  }
  .area.outline {
    stroke: var(--ink);
    stroke-width: 1.3;
  }
  .area.none {
    stroke: none;
  }
  .area.new {
    stroke: var(--rust);
    stroke-width: 2.2;
  }
  .line {
    fill: none;
    stroke: var(--ink);
    stroke-width: 1;
    stroke-linecap: round;
    stroke-linejoin: round;
  }
  .line.dimension {
    stroke: var(--ink-soft);
    stroke-width: 0.9;
  }
  .line.hidden {
    stroke: var(--ink-soft);
    stroke-width: 1;
    stroke-dasharray: 6 4;
  }
  .line.leader {
    stroke: var(--ink-soft);
    stroke-width: 0.8;
  }
  .line.measure {
    stroke: var(--rust);
    stroke-width: 2.4;
    stroke-dasharray: 7 4;
  }
  .line.water {
    stroke: var(--water);
    stroke-width: 2.6;
  }
  .point.water {
    stroke: var(--water);
    fill: var(--water);
  }
  .line.new {
    stroke: var(--rust);
    stroke-width: 2.2;
  }
  .point {
    fill: var(--paper);
    stroke: var(--ink);
    stroke-width: 2;
  }
  .point.good {
    stroke: var(--good);
  }
  .point.watch {
    stroke: var(--watch);
  }
  .point.bad {
    stroke: var(--bad);
    fill: var(--bad);
  }
  .words {
    font-family: var(--mono);
    font-feature-settings: 'frac' 1;
    text-anchor: middle;
    dominant-baseline: central;
    fill: var(--ink);
    paint-order: stroke;
    stroke: var(--paper);
    stroke-width: 3px;
    stroke-linejoin: round;
  }
  .words.quiet {
    fill: var(--ink-soft);
  }
  .words.good {
    fill: var(--good);
  }
  .words.watch {
    fill: var(--watch);
    font-weight: 600;
  }
  .words.bad {
    fill: var(--bad);
    font-weight: 700;
  }
</style>
