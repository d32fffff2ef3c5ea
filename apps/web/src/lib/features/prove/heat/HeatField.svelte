<script module lang="ts">
  import type { CutId, Drawing, SideHeat } from '@hulvek/core';
  import type { Probe } from './heat-desk.svelte.ts';
  import type { Shown } from './heat-messages.ts';

  export interface HeatFieldProps {
    drawing: Drawing;
    cut: CutId;
    shown: Shown;
    side: SideHeat | null;
    probe: Probe | null;
    flux: boolean;
    boxes: boolean;
    range: readonly [cold: number, warm: number];
    onask: (at: readonly [number, number]) => void;
  }
</script>

<script lang="ts">
  import { heatColour } from './heat-colours.ts';
  import { heatText } from '$words/prove-heat.ts';

  let { drawing, cut, shown, side, probe, flux, boxes, range, onask }: HeatFieldProps = $props();
  const id = $props.id();
  const picture = $derived(shown.picture);

  /** From millimetres of the section to pixels of the paper: the drawing says where three points lie. */
  const onPaper = $derived.by(() => {
    const { place } = drawing;
    const point = (x: number, y: number) =>
      place?.(cut === 'head' || cut === 'sill' ? [0, y, -x] : [y, 0, -x]) ?? [0, 0];
    const [o, x, y] = [point(0, 0), point(1, 0), point(0, 1)];
    return { a: x[0] - o[0], b: x[1] - o[1], c: y[0] - o[0], d: y[1] - o[1], e: o[0], f: o[1] };
  });
  const matrix = $derived(
    `matrix(${onPaper.a} ${onPaper.b} ${onPaper.c} ${onPaper.d} ${onPaper.e} ${onPaper.f})`,
  );
  const to = $derived(([x, y]: readonly [number, number]): [number, number] => [
    onPaper.a * x + onPaper.c * y + onPaper.e,
    onPaper.b * x + onPaper.d * y + onPaper.f,
  ]);
  const frame = $derived(drawing.frame ?? { left: 0, top: 0, right: drawing.width, bottom: drawing.height });
  const solid = $derived(shown.boxes.map(({ x, y }) => `M${x[0]} ${y[0]}H${x[1]}V${y[1]}H${x[0]}Z`).join(''));
  const ground = $derived(
    `M${picture.window.x[0]} ${picture.window.y[0]}H${picture.window.x[1]}V${picture.window.y[1]}H${picture.window.x[0]}Z`,
  );
  const coldest = $derived(side?.coldest ? to(side.coldest.at) : null);
  const cross = $derived(probe ? to(probe.at) : null);

  let layer: SVGGElement;
  function point(event: PointerEvent) {
    const at = layer.getScreenCTM();
    if (!at) return;
    const { x, y } = new DOMPoint(event.clientX, event.clientY).matrixTransform(at.inverse());
    onask([x, y]);
  }
  const STEP_mm = 4;
  const KEYS: Record<string, readonly [number, number]> = {
    ArrowLeft: [-1, 0],
    ArrowRight: [1, 0],
    ArrowUp: [0, -1],
    ArrowDown: [0, 1],
  };
  function keydown(event: KeyboardEvent) {
    const way = KEYS[event.key];
    if (!way) return;
    event.preventDefault();
    event.stopPropagation();
    const from = probe?.at ?? side?.coldest?.at ?? [0, 0];
    const step = STEP_mm * (event.shiftKey ? 5 : 1);
    // On paper up is up, whichever way the section runs.
    onask([from[0] + way[0] * step, from[1] + way[1] * step * Math.sign(onPaper.d || 1)]);
  }
</script>

<g clip-path="url(#{id}-frame)" data-testid="heat-field" data-cells={picture.read.nx * picture.read.ny}>
  <clipPath id="{id}-frame">
    <rect x={frame.left} y={frame.top} width={frame.right - frame.left} height={frame.bottom - frame.top} />
  </clipPath>
  <g bind:this={layer} transform={matrix}>
    <clipPath id="{id}-solid"><path d={solid} /></clipPath>
    <g clip-path="url(#{id}-solid)">
      <path d={ground} fill={heatColour(range[0], range)} />
      {#each picture.bands as band (band.C)}
        <path class="band" d={band.path} fill={heatColour(band.C + picture.step_C / 2, range)} />
      {/each}
      {#if flux}
        {#each picture.flux as path, i (i)}<path class="flux" d={path} />{/each}
      {/if}
      {#if picture.damp}<path class="damp" d={picture.damp.path} />{/if}
      {#if picture.dew}<path class="dew" d={picture.dew.path} />{/if}
    </g>
    {#if boxes}<path class="box" d={solid} />{/if}
    <!-- svelte-ignore a11y_no_noninteractive_tabindex, a11y_no_noninteractive_element_interactions -->
    <path
      class="hit"
      d={ground}
      role="application"
      aria-label={heatText.fieldLabel}
      tabindex="0"
      onpointermove={point}
      onpointerdown={point}
      onkeydown={keydown}
    />
  </g>
  {#if coldest}
    <path class="coldest" d="M{coldest[0]} {coldest[1]} m-9 0 l9 -9 l9 9 l-9 9 z" data-testid="coldest" />
  {/if}
  {#if cross}<path class="cross" d="M{cross[0] - 8} {cross[1]} h16 M{cross[0]} {cross[1] - 8} v16" />{/if}
</g>

<style>
  .band {
    stroke: rgb(31 42 46 / 45%);
    stroke-width: 0.8;
    vector-effect: non-scaling-stroke;
  }
  .flux {
    fill: none;
    stroke: var(--ink);
    stroke-width: 0.7;
    stroke-dasharray: 5 4;
    vector-effect: non-scaling-stroke;
  }
  .dew,
  .damp {
    fill: none;
    stroke: var(--ink);
    stroke-width: 2.6;
    vector-effect: non-scaling-stroke;
  }
  .damp {
    stroke-width: 1.6;
    stroke-dasharray: 9 4 2 4;
  }
  .box {
    fill: none;
    stroke: var(--ink);
    stroke-width: 0.6;
    opacity: 0.8;
    vector-effect: non-scaling-stroke;
    pointer-events: none;
  }
  .hit {
    fill: transparent;
    cursor: crosshair;
  }
  .hit:focus-visible {
    outline: none;
    stroke: var(--focus);
    stroke-width: 3;
    vector-effect: non-scaling-stroke;
  }
  .coldest {
    fill: var(--paper);
    stroke: var(--ink);
    stroke-width: 2.2;
    pointer-events: none;
  }
  .cross {
    stroke: var(--ink);
    stroke-width: 1.4;
    pointer-events: none;
  }
</style>
