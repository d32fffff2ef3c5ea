<script module lang="ts">
  import type { ChartConfiguration } from './charts.ts';

  export type GraphConfig = ChartConfiguration<'line' | 'bar'>;
  export interface GraphProps {
    /** What is drawn, with a reader of the look's tokens. Everything reactive in it draws anew. */
    config: (token: (name: string) => string) => GraphConfig;
    label: string;
    /** px */
    height: number;
  }
</script>

<script lang="ts">
  import type { Chart } from './charts.ts';
  import { untrack } from 'svelte';

  let { config, label, height }: GraphProps = $props();
  let canvas: HTMLCanvasElement;
  /** Drawn with once it is here: a page without a graph never asks for it. */
  let library = $state.raw<{ readonly Chart: typeof Chart } | null>(null);
  let chart: Chart | null = null;

  $effect(() => {
    const next = config((name) => getComputedStyle(canvas).getPropertyValue(name).trim());
    if (!library) return;
    if (chart && (chart.config as GraphConfig).type === next.type) {
      chart.data = next.data;
      chart.options = next.options ?? {};
      chart.update();
    } else {
      chart?.destroy();
      chart = new library.Chart(canvas, next);
    }
  });
  $effect(() => {
    let gone = false;
    void import('./charts.ts').then((charts) => {
      if (!gone) library = charts;
    });
    return () => {
      gone = true;
      untrack(() => chart)?.destroy();
      chart = null;
    };
  });
</script>

<div class="graph" role="img" aria-label={label} style:height="{height}px">
  <canvas bind:this={canvas}></canvas>
</div>

<style>
  .graph {
    position: relative;
  }
</style>
