<script module lang="ts">
  import type { HeatDesk } from './heat-desk.svelte.ts';

  export interface HeatScaleProps {
    heat: HeatDesk;
    range: readonly [cold: number, warm: number];
  }
</script>

<script lang="ts">
  import { heatColour } from './heat-colours.ts';
  import { save } from '$lib/device/download.ts';
  import { heatText } from '$words/prove-heat.ts';
  import { figuresIn } from '@hulvek/core';

  let { heat, range }: HeatScaleProps = $props();
  const reads = $derived(heat.editor.store.reads);
  const f = $derived(figuresIn(reads));
  const step = $derived(heat.shown?.picture.step_C ?? 2.5);
  const bands = $derived(
    [range[0], ...(heat.shown?.picture.bands.map((b) => b.C) ?? [])].filter(
      (C, i, all) => all.indexOf(C) === i,
    ),
  );
  const said = $derived.by(() => {
    const { probe } = heat;
    if (!probe) return heatText.probeHint;
    return probe.box
      ? heatText.probe(probe.box.thing, probe.temperature_C, probe.box.lambda_WmK, f)
      : heatText.probeNothing;
  });
  function keep() {
    const file = heat.file();
    if (file) save(file);
  }
</script>

<div class="scale">
  <p class="said" aria-live="polite">{said}</p>
  <svg
    role="img"
    aria-label={heatText.scale(reads)}
    viewBox="0 0 {bands.length * 40} 34"
    width={bands.length * 40}
    height="34"
  >
    {#each bands as C, i (C)}
      <rect x={i * 40} y="0" width="40" height="14" fill={heatColour(C + step / 2, range)} />
      <text x={i * 40} y="29">{heatText.mark(C, reads)}</text>
    {/each}
  </svg>
  <ul>
    <li>
      <svg width="26" height="8" aria-hidden="true"><path class="dew" d="M0 4h26" /></svg>{heatText.dew(
        heat.conditions,
        f,
      )}
    </li>
    <li>
      <svg width="26" height="8" aria-hidden="true"><path class="damp" d="M0 4h26" /></svg>{heatText.damp(
        heat.conditions,
        f,
      )}
    </li>
  </ul>
  {#if heat.shown}
    <button type="button" class="as-link" onclick={keep}>{heatText.exportSection}</button>
  {/if}
</div>

<style>
  .scale {
    display: flex;
    flex-flow: row wrap;
    align-items: center;
    gap: var(--gap-2) var(--gap-5);
    padding: var(--gap-2) var(--gap-4);
    background: var(--paper);
    border-top: 1px solid var(--line);
  }
  .said {
    flex-basis: 100%;
    min-height: 1.5em;
    font-weight: 600;
  }
  text {
    font-family: var(--mono);
    font-size: 12.5px;
    fill: var(--ink);
  }
  rect {
    stroke: var(--ink-soft);
    stroke-width: 0.6;
  }
  ul {
    list-style: none;
    padding: 0;
    font-size: 0.9rem;
  }
  li {
    display: flex;
    align-items: center;
    gap: var(--gap-2);
  }
  .dew,
  .damp {
    stroke: var(--ink);
    stroke-width: 2.6;
  }
  .damp {
    stroke-width: 1.6;
    stroke-dasharray: 9 4 2 4;
  }
</style>
