<script module lang="ts">
  import type { OpeningRow } from '$lib/job/opening-row.ts';
  import type { Collision, Outline, Placed } from '@hulvek/core';
  import type { BoardSteps } from './steps.ts';

  export interface FacadeProps {
    name: string;
    /** Width of the widest façade, so that all are drawn to one scale. */
    widest_mm: number;
    /** What is drawn behind, where there is something. */
    outline: Outline | null;
    openings: readonly (Placed & { readonly row: OpeningRow })[];
    /** Among the openings of this façade. */
    collisions: readonly Collision[];
    selected: ReadonlySet<string>;
    /** Marks that the filter leaves. */
    shown: ReadonlySet<string>;
    mayMove: boolean;
    figure: (mm: number) => string;
    /** What positions snap to, and what a key moves them by. */
    steps: BoardSteps;
    onselect: (id: string, add: boolean) => void;
    /** The openings selected were moved together. */
    onmove: (id: string, by: { u: number; v: number }) => void;
  }
</script>

<script lang="ts">
  import { boardWords } from '$words/board.ts';
  import { jobsWords } from '$words/shell.ts';
  import { gradeWords } from '$words/ui.ts';
  import { gradeText, toldBeside } from '@hulvek/core';
  import VerdictShape from '$lib/ui/VerdictShape.svelte';

  let {
    name,
    widest_mm,
    outline,
    openings,
    collisions,
    selected,
    shown,
    mayMove,
    figure,
    steps,
    onselect,
    onmove,
  }: FacadeProps = $props();

  const AROUND_mm = 500;
  let width = $state(0);
  let drag = $state.raw<{ id: string; from: readonly [number, number]; by: { u: number; v: number } } | null>(
    null,
  );

  /** How far what is drawn behind reaches. */
  const behind = $derived.by(() => {
    const [u, v] = outline?.at ?? [0, 0];
    const all = [
      ...(outline?.lines.flat() ?? []),
      ...(outline?.points ?? []).map((p) => [p.u, p.v] as const),
    ];
    const [xs, ys] = [all.map(([x]) => x + u), all.map(([, y]) => y + v)];
    return {
      left: Math.min(0, ...xs),
      right: Math.max(0, ...xs),
      low: Math.min(0, ...ys),
      high: Math.max(0, ...ys),
    };
  });
  const extent = $derived({
    left: Math.min(0, ...openings.map((o) => o.left), behind.left) - AROUND_mm,
    right: Math.max(widest_mm, ...openings.map((o) => o.left + o.width), behind.right) + AROUND_mm,
    bottom: Math.min(0, ...openings.map((o) => o.bottom), behind.low) - 200,
    top: Math.max(2400, ...openings.map((o) => o.bottom + o.height), behind.high) + AROUND_mm,
  });
  const wide = $derived(extent.right - extent.left);
  const high = $derived(extent.top - extent.bottom);
  const scale = $derived(width > 0 ? width / wide : 0.1);
  /** Letters keep their size on the screen whatever the scale. */
  const px = $derived(1 / scale);
  const at = (o: Placed) => ({ x: o.left - extent.left, y: extent.top - o.bottom - o.height });
  const byId = $derived(new Map(openings.map((o) => [o.id, o])));
  const moving = (id: string) =>
    drag !== null && (id === drag.id || (selected.has(id) && selected.has(drag.id)));
  const snapped = (mm: number) => Math.round(mm / steps.snap_mm) * steps.snap_mm;

  function grab(event: PointerEvent, id: string) {
    if (event.button !== 0) return;
    (event.currentTarget as SVGGElement).setPointerCapture(event.pointerId);
    if (!selected.has(id) || event.shiftKey) onselect(id, event.shiftKey || event.ctrlKey || event.metaKey);
    if (mayMove) drag = { id, from: [event.clientX, event.clientY], by: { u: 0, v: 0 } };
  }

  function pull(event: PointerEvent) {
    if (!drag) return;
    const [x, y] = drag.from;
    drag = {
      ...drag,
      by: { u: snapped((event.clientX - x) / scale), v: -snapped((event.clientY - y) / scale) },
    };
  }

  function drop() {
    const { id, by } = drag ?? {};
    drag = null;
    if (id && by && (by.u !== 0 || by.v !== 0)) onmove(id, by);
  }

  function keydown(event: KeyboardEvent, id: string) {
    const step = event.shiftKey ? steps.large_mm : steps.snap_mm;
    const by = {
      ArrowLeft: { u: -step, v: 0 },
      ArrowRight: { u: step, v: 0 },
      ArrowUp: { u: 0, v: step },
      ArrowDown: { u: 0, v: -step },
    }[event.key];
    if (by && mayMove) {
      event.preventDefault();
      onmove(id, by);
    } else if (event.key === ' ' || event.key === 'Enter') {
      event.preventDefault();
      onselect(id, event.key === ' ');
    } else if (event.key === 'Escape') drag = null;
  }
</script>

<section aria-label={boardWords.facade(name || boardWords.noName)}>
  <h2>{name || boardWords.noName} <span>{jobsWords.openings(openings.length)}</span></h2>
  <div class="wall" bind:clientWidth={width}>
    <svg viewBox="0 0 {wide} {high}" role="group" aria-label={boardWords.drawing(name)}>
      <rect class="face" x="0" y="0" width={wide} height={high} />
      <line class="ground" x1="0" x2={wide} y1={extent.top} y2={extent.top} stroke-width={1.5 * px} />
      {#if outline}
        {@const [u, v] = outline.at}
        <g class="outline" aria-hidden="true">
          {#each outline.lines as line, i (i)}
            <polyline
              points={line.map(([x, y]) => `${x + u - extent.left},${extent.top - y - v}`).join(' ')}
              stroke-width={px}
            />
          {/each}
          {#each outline.points ?? [] as point (point.name)}
            <circle
              cx={point.u + u - extent.left}
              cy={extent.top - point.v - v}
              r={3 * px}
              stroke-width={px}
            />
          {/each}
        </g>
      {/if}
      {#each openings as o (o.id)}
        {@const p = at(o)}
        {@const beside = o.row.judgement && toldBeside(o.row.judgement)}
        {@const by = moving(o.id) ? drag?.by : undefined}
        <g
          class="opening"
          transform="translate({p.x + (by?.u ?? 0)} {p.y - (by?.v ?? 0)})"
          role="checkbox"
          tabindex="0"
          aria-checked={selected.has(o.id)}
          aria-label="{o.row.mark} {o.row.name}, {o.row.judgement
            ? gradeText(o.row.judgement)
            : gradeWords.judging}, {boardWords.at(figure(o.left), figure(o.bottom))}"
          data-selected={selected.has(o.id)}
          data-dim={!shown.has(o.id)}
          data-mark={o.row.mark}
          onpointerdown={(event) => grab(event, o.id)}
          onpointermove={pull}
          onpointerup={drop}
          onpointercancel={() => (drag = null)}
          onkeydown={(event) => keydown(event, o.id)}
        >
          <rect width={o.width} height={o.height} stroke-width={(selected.has(o.id) ? 3 : 1.4) * px} />
          <text x={o.width / 2} y={o.height / 2 - 4 * px} font-size={15 * px}>{o.row.mark}</text>
          <g transform="translate({o.width / 2} {o.height / 2 + 14 * px}) scale({px})"
            ><VerdictShape
              verdict={beside ?? o.row.judgement?.grade ?? 'not-checkable'}
              open={beside !== null}
            /></g
          >
        </g>
      {/each}
      {#each collisions as c (c.openings.join())}
        {@const [a, b] = [byId.get(c.openings[0]), byId.get(c.openings[1])]}
        {#if a && b && !drag}
          {@const [pa, pb] = [at(a), at(b)]}
          <line
            class="collision"
            x1={pa.x + a.width / 2}
            y1={pa.y + a.height / 2}
            x2={pb.x + b.width / 2}
            y2={pb.y + b.height / 2}
            stroke-width={2.5 * px}
            stroke-dasharray="{6 * px} {4 * px}"
          />
        {/if}
      {/each}
    </svg>
  </div>
</section>

<style>
  section {
    display: grid;
    gap: var(--gap-2);
    align-content: start;
  }
  h2 {
    font-size: 1.1rem;
  }
  h2 span {
    font-weight: 400;
    font-size: 0.9rem;
    color: var(--ink-soft);
  }
  svg {
    display: block;
    width: 100%;
    height: auto;
    border: 1px solid var(--line);
    touch-action: pan-y;
  }
  .face {
    fill: var(--sand);
  }
  .ground {
    stroke: var(--ink-soft);
  }
  .outline {
    fill: none;
    stroke: var(--ink-soft);
    pointer-events: none;
  }
  .opening {
    cursor: grab;
    outline: none;
  }
  .opening > rect {
    fill: var(--paper);
    stroke: var(--ink);
  }
  .opening[data-selected='true'] > rect {
    stroke: var(--rust);
    fill: var(--rust-soft);
  }
  .opening:focus-visible > rect {
    stroke: var(--focus);
    fill: #e6f1f7;
  }
  .opening[data-dim='true'] {
    opacity: 0.3;
  }
  text {
    text-anchor: middle;
    font-weight: 700;
    fill: var(--ink);
    pointer-events: none;
    user-select: none;
  }
  .collision {
    stroke: var(--bad);
    pointer-events: none;
  }
</style>
