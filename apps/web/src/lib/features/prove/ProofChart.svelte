<script module lang="ts">
  export interface ChartSet {
    readonly label: string;
    /** `null` leaves a gap. */
    readonly data: readonly (number | null)[];
    /** Name of a colour token. */
    readonly colour: string;
    readonly dash?: readonly number[];
    readonly point?: 'circle' | 'rect' | 'triangle' | 'rectRot' | 'cross' | 'star';
  }
  export interface ProofChartProps {
    kind: 'line' | 'bar';
    labels: readonly string[];
    sets: readonly ChartSet[];
    /** Below the horizontal axis. */
    axis: string;
    label: string;
    /** A vertical mark at this index of the labels. */
    mark?: number | null;
  }
</script>

<script lang="ts">
  import type { Plugin } from '$lib/ui/charts.ts';
  import Graph, { type GraphConfig } from '$lib/ui/Graph.svelte';
  import { prefersReducedMotion } from 'svelte/motion';

  let { kind, labels, sets, axis, label, mark = null }: ProofChartProps = $props();
  const marker = (ink: string): Plugin => ({
    id: 'mark',
    afterDatasetsDraw: ({ ctx, chartArea, scales }) => {
      const scale = scales.x;
      if (mark === null || !scale) return;
      const [low, high] = [Math.floor(mark), Math.ceil(mark)];
      const x =
        scale.getPixelForValue(low) +
        (scale.getPixelForValue(high) - scale.getPixelForValue(low)) * (mark - low);
      ctx.save();
      ctx.strokeStyle = ink;
      ctx.setLineDash([2, 3]);
      ctx.beginPath();
      ctx.moveTo(x, chartArea.top);
      ctx.lineTo(x, chartArea.bottom);
      ctx.stroke();
      ctx.restore();
    },
  });

  function config(token: (name: string) => string): GraphConfig {
    // Read when it is drawn, so a moved mark draws anew.
    void mark;
    const ink = token('--ink');
    const font = { family: token('--font'), size: 13 };
    return {
      type: kind,
      plugins: [marker(ink)],
      data: {
        labels: [...labels],
        datasets: sets.map((set) => ({
          type: kind,
          label: set.label,
          data: [...set.data],
          borderColor: token(set.colour),
          backgroundColor: token(set.colour),
          borderDash: [...(set.dash ?? [])],
          borderWidth: 2,
          pointRadius: 2.5,
          pointStyle: set.point ?? 'circle',
          spanGaps: false,
        })),
      },
      options: {
        animation: prefersReducedMotion.current ? false : { duration: 150 },
        maintainAspectRatio: false,
        color: ink,
        font,
        plugins: { legend: { display: sets.length > 1, labels: { color: ink, font, usePointStyle: true } } },
        scales: {
          x: {
            ticks: { color: ink, font, maxTicksLimit: 10 },
            title: { display: axis !== '', text: axis, color: ink, font },
          },
          y: { ticks: { color: ink, font }, beginAtZero: true, grace: '5%' },
        },
      },
    };
  }
</script>

<Graph {config} {label} height={300} />
