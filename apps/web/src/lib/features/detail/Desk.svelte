<script module lang="ts">
  import type { Drawing, Handle } from '@hulvek/core';
  import type { Snippet } from 'svelte';

  export interface DeskProps {
    /** Makes the drawing for a paper of this size in pixels. */
    draw: (size: { width: number; height: number }) => Drawing;
    label: string;
    /** What a handle moves, and its figure; `null` where nothing may be dragged. */
    say: ((handle: Handle) => string) | null;
    /** While a handle is dragged: how far its number has grown, mm. `fine` leaves the coarse grid. */
    ondrag?: (handle: Handle, mm: number, fine: boolean) => void;
    ondrop?: (handle: Handle) => void;
    /** A handle was opened to type its figure. */
    ontype?: (handle: Handle) => void;
    /** Drawn over the drawing, in pixels of its paper. */
    over?: Snippet<[Drawing]> | undefined;
  }
</script>

<script lang="ts">
  import { detailWords } from '$words/detail.ts';
  import Minus from '@lucide/svelte/icons/minus';
  import Plus from '@lucide/svelte/icons/plus';
  import DrawingView from '$lib/drawing/DrawingView.svelte';

  let { draw, label, say, ondrag, ondrop, ontype, over }: DeskProps = $props();
  let width = $state(0);
  let height = $state(0);
  const drawing = $derived(width > 40 && height > 40 ? draw({ width, height }) : null);

  /** How far in, and which point of the paper lies in the middle. */
  let zoom = $state(1);
  let centre = $state<readonly [number, number]>([0.5, 0.5]);
  const MOST = 8;

  function zoomTo(next: number, about: readonly [number, number] = [0.5, 0.5]) {
    const to = Math.min(Math.max(next, 1), MOST);
    // What lies under the pointer stays there.
    const keep = (c: number, a: number) => c + (a - 0.5) * (1 / zoom - 1 / to);
    centre = held([keep(centre[0], about[0]), keep(centre[1], about[1])], to);
    zoom = to;
  }
  const held = ([x, y]: readonly [number, number], z: number): [number, number] => {
    const half = 0.5 / z;
    const within = (v: number) => Math.min(Math.max(v, half), 1 - half);
    return [within(x), within(y)];
  };

  function wheel(event: WheelEvent) {
    if (!event.ctrlKey && zoom === 1 && event.deltaY > 0) return;
    event.preventDefault();
    const box = (event.currentTarget as HTMLElement).getBoundingClientRect();
    zoomTo(zoom * Math.exp(-event.deltaY / 400), [
      (event.clientX - box.left) / box.width,
      (event.clientY - box.top) / box.height,
    ]);
  }

  let panning: { x: number; y: number; from: readonly [number, number] } | null = null;
  function pan(event: PointerEvent) {
    if (event.type === 'pointerdown' && zoom > 1) {
      panning = { x: event.clientX, y: event.clientY, from: centre };
      (event.currentTarget as HTMLElement).setPointerCapture(event.pointerId);
    } else if (event.type === 'pointermove' && panning) {
      const { x, y, from } = panning;
      centre = held(
        [from[0] - (event.clientX - x) / (width * zoom), from[1] - (event.clientY - y) / (height * zoom)],
        zoom,
      );
    } else if (event.type === 'pointerup') panning = null;
  }

  const KEYS: Record<string, () => void> = {
    '+': () => zoomTo(zoom * 1.4),
    '=': () => zoomTo(zoom * 1.4),
    '-': () => zoomTo(zoom / 1.4),
    '0': () => zoomTo(1),
    ArrowLeft: () => (centre = held([centre[0] - 0.1 / zoom, centre[1]], zoom)),
    ArrowRight: () => (centre = held([centre[0] + 0.1 / zoom, centre[1]], zoom)),
    ArrowUp: () => (centre = held([centre[0], centre[1] - 0.1 / zoom], zoom)),
    ArrowDown: () => (centre = held([centre[0], centre[1] + 0.1 / zoom], zoom)),
  };
  function keydown(event: KeyboardEvent) {
    const act = event.target === event.currentTarget ? KEYS[event.key] : undefined;
    if (!act || event.ctrlKey || event.metaKey) return;
    event.preventDefault();
    act();
  }

  /** Where a point of the paper is on the screen, in per cent of the desk. */
  const onScreen = ([x, y]: readonly [number, number]) => ({
    left: 100 * ((x / width - centre[0]) * zoom + 0.5),
    top: 100 * ((y / height - centre[1]) * zoom + 0.5),
  });

  /** Two targets closer than this cannot be told apart with a finger; the later one waits for more zoom. */
  const APART_px = 26;
  const reachable = $derived.by(() => {
    const seen: { handle: Handle; left: number; top: number }[] = [];
    for (const handle of drawing?.handles ?? []) {
      const at = onScreen(handle.at);
      const inside = at.left > 1 && at.left < 99 && at.top > 1 && at.top < 99;
      const near = seen.some(
        (s) => Math.hypot(((s.left - at.left) * width) / 100, ((s.top - at.top) * height) / 100) < APART_px,
      );
      if (inside && !near) seen.push({ handle, ...at });
    }
    return seen;
  });

  let dragged: { handle: Handle; x: number; y: number } | null = null;
  function grab(event: PointerEvent, handle: Handle) {
    event.stopPropagation();
    if (event.type === 'pointerdown') {
      dragged = { handle, x: event.clientX, y: event.clientY };
      (event.currentTarget as HTMLElement).setPointerCapture(event.pointerId);
    } else if (dragged && drawing) {
      const { handle: held_, x, y } = dragged;
      if (event.type === 'pointermove') {
        const along = (event.clientX - x) * held_.grows[0] + (event.clientY - y) * held_.grows[1];
        ondrag?.(held_, along / (drawing.scale * zoom), event.altKey);
      } else {
        dragged = null;
        ondrop?.(held_);
      }
    }
  }

  function nudge(event: KeyboardEvent, handle: Handle) {
    const [dx, dy] =
      { ArrowLeft: [-1, 0], ArrowRight: [1, 0], ArrowUp: [0, -1], ArrowDown: [0, 1] }[event.key] ?? [];
    if (event.key === 'Enter') ontype?.(handle);
    if (dx === undefined || dy === undefined) return;
    event.preventDefault();
    const way = Math.sign(dx * handle.grows[0] + dy * handle.grows[1]);
    if (way === 0) return;
    ondrag?.(handle, way * (event.shiftKey ? 10 : 1), true);
    ondrop?.(handle);
  }
</script>

<!-- svelte-ignore a11y_no_noninteractive_tabindex, a11y_no_noninteractive_element_interactions -->
<div
  class="desk"
  bind:clientWidth={width}
  bind:clientHeight={height}
  role="group"
  aria-label={detailWords.desk}
  tabindex="0"
  onwheel={wheel}
  onpointerdown={pan}
  onpointermove={pan}
  onpointerup={pan}
  onkeydown={keydown}
  data-zoomed={zoom > 1}
>
  {#if drawing}
    <DrawingView
      {drawing}
      {label}
      {over}
      window={{
        x: (centre[0] - 0.5 / zoom) * drawing.width,
        y: (centre[1] - 0.5 / zoom) * drawing.height,
        width: drawing.width / zoom,
        height: drawing.height / zoom,
      }}
    />
    {#if say}
      {#each reachable as { handle, left, top } (handle.parameter)}
        <button
          type="button"
          class="handle"
          style:left="{left}%"
          style:top="{top}%"
          data-upright={Math.abs(handle.grows[1]) > 0.7}
          data-parameter={handle.parameter}
          aria-label={say(handle)}
          title={say(handle)}
          onpointerdown={(event) => grab(event, handle)}
          onpointermove={(event) => grab(event, handle)}
          onpointerup={(event) => grab(event, handle)}
          onkeydown={(event) => nudge(event, handle)}
          ondblclick={() => ontype?.(handle)}
        ></button>
      {/each}
    {/if}
  {/if}
  <div class="zoom">
    <button type="button" aria-label={detailWords.zoomIn} onclick={() => zoomTo(zoom * 1.4)}
      ><Plus size={16} /></button
    >
    <button
      type="button"
      aria-label={detailWords.zoomOut}
      disabled={zoom === 1}
      onclick={() => zoomTo(zoom / 1.4)}><Minus size={16} /></button
    >
  </div>
</div>

<style>
  .desk {
    position: relative;
    width: 100%;
    height: 100%;
    min-height: 260px;
    overflow: hidden;
    contain: layout paint;
    touch-action: pan-y;
  }
  .desk[data-zoomed='true'] {
    cursor: grab;
    touch-action: none;
  }
  .desk > :global(svg) {
    position: absolute;
    inset: 0;
  }
  .handle {
    position: absolute;
    width: 26px;
    height: 26px;
    margin: -13px 0 0 -13px;
    padding: 0;
    border: 0;
    background: none;
    cursor: ew-resize;
    touch-action: none;
  }
  .handle[data-upright='true'] {
    cursor: ns-resize;
  }
  .handle::after {
    content: '';
    position: absolute;
    inset: 8px;
    border: 2px solid var(--rust);
    border-radius: 2px;
    background: var(--paper);
  }
  .handle:hover::after,
  .handle:focus-visible::after {
    inset: 5px;
    background: var(--rust);
  }
  .zoom {
    position: absolute;
    right: var(--gap-3);
    bottom: var(--gap-3);
    display: grid;
  }
  .zoom button {
    display: grid;
    place-items: center;
    width: 36px;
    height: 36px;
    border: 1px solid var(--line);
    background: var(--paper);
    cursor: pointer;
  }
  .zoom button:disabled {
    color: var(--ink-soft);
    cursor: default;
  }
</style>
