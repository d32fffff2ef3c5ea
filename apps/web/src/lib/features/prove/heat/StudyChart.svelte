<script module lang="ts">
  import type { LengthUnit, Study } from '@hulvek/core';

  export interface StudyChartProps {
    study: Study;
    figure: (mm: number) => string;
    /** What whoever looks reads in. */
    reads: LengthUnit;
  }
</script>

<script lang="ts">
  import { heatText } from '$words/prove-heat.ts';
  import Graph, { type GraphConfig } from '$lib/ui/Graph.svelte';
  import { measureIn, measureUnit } from '@hulvek/core';
  import { prefersReducedMotion } from 'svelte/motion';

  let { study, figure, reads }: StudyChartProps = $props();

  function config(token: (name: string) => string): GraphConfig {
    const [ink, rust, slate] = [token('--ink'), token('--rust'), token('--focus')];
    const lines = study.id === 'position';
    const type = lines ? ('line' as const) : ('bar' as const);
    const mark = (usual: number, now: number) => study.variants.map((v) => (v.isNow ? now : usual));
    const set = (label: string, data: number[], colour: string, axis: string, dash: number[]) => ({
      type,
      label,
      data,
      yAxisID: axis,
      borderColor: colour,
      backgroundColor: colour,
      borderDash: lines ? dash : [],
      pointRadius: mark(2, 7),
      pointStyle: axis === 'psi' ? ('rect' as const) : ('circle' as const),
      borderWidth: 2,
    });
    return {
      type,
      data: {
        labels: study.variants.map((v) => heatText.variant(study.id, v, figure)),
        datasets: [
          set(
            `${heatText.columns.psi}, ${measureUnit('lineTransmittance', reads)}`,
            study.variants.map((v) => measureIn('lineTransmittance', v.psi, reads)),
            rust,
            'psi',
            [],
          ),
          set(
            heatText.scale(reads),
            study.variants.map((v) => measureIn('temperature', v.coldest_C, reads)),
            slate,
            'cold',
            [6, 4],
          ),
        ],
      },
      options: {
        animation: prefersReducedMotion.current ? false : { duration: 150 },
        maintainAspectRatio: false,
        color: ink,
        font: { family: token('--font') },
        plugins: { legend: { labels: { color: ink, usePointStyle: true } } },
        scales: {
          x: { ticks: { color: ink } },
          psi: { position: 'left', ticks: { color: rust }, grace: '10%' },
          cold: {
            position: 'right',
            ticks: { color: slate },
            grid: { drawOnChartArea: false },
            grace: '10%',
          },
        },
      },
    };
  }
</script>

<Graph {config} label={heatText.chart(study.id)} height={230} />
