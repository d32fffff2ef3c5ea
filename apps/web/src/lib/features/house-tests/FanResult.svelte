<!-- What a fan test says: figures with their bands, what is weak about it, and the points with their line. -->
<script module lang="ts">
  import type { FanAnswer, LengthUnit } from '@hulvek/core';

  export interface FanResultProps {
    answer: FanAnswer;
    reads: LengthUnit;
    /** What lies outside the standard's conditions, in words. */
    conditions: readonly string[];
  }
</script>

<script lang="ts">
  import Graph, { type GraphConfig } from '$lib/ui/Graph.svelte';
  import { testsWords as t } from '$words/tests.ts';
  import { fanRefusalText, fanWarningTexts, measureIn, measureUnit, writeMeasure } from '@hulvek/core';

  let { answer, reads, conditions }: FanResultProps = $props();
  const flow = $derived((m3h: number) => writeMeasure('flow', m3h, reads, 0));

  function config(token: (name: string) => string): GraphConfig {
    const ink = token('--ink');
    const font = { family: token('--font'), size: 13 };
    const points = answer.ok ? answer.points : [];
    const shown = (pressure_Pa: number, m3h: number) => ({
      x: pressure_Pa,
      y: measureIn('flow', m3h, reads),
    });
    const { C = 1, n = 1 } = answer.ok ? answer.value : {};
    // The line as it was fitted: through the middle of the points.
    const mean =
      points.reduce((sum, p) => sum + Math.log(p.flow_m3h / p.pressure_Pa ** n), 0) / (points.length || 1);
    const scale = Math.exp(mean) || C;
    const axis = (text: string) => ({
      type: 'logarithmic' as const,
      title: { display: true, text, color: ink, font },
      ticks: { color: ink, font, maxTicksLimit: 8 },
      grid: { color: token('--line') },
    });
    return {
      type: 'line',
      data: {
        datasets: [
          {
            label: t.measured,
            data: points.map((p) => shown(p.pressure_Pa, p.flow_m3h)),
            showLine: false,
            pointRadius: 5,
            borderColor: token('--rust'),
            backgroundColor: token('--rust'),
          },
          {
            label: t.fitted,
            data: [4, 10, 20, 35, 50, 70, 100].map((Pa) => shown(Pa, scale * Pa ** n)),
            pointRadius: 0,
            borderWidth: 2,
            borderColor: ink,
            backgroundColor: ink,
          },
        ],
      },
      options: {
        animation: false,
        maintainAspectRatio: false,
        plugins: { legend: { labels: { color: ink, font, usePointStyle: true } } },
        scales: { x: axis('Pa'), y: axis(measureUnit('flow', reads)) },
      },
    };
  }
</script>

{#if !answer.ok}<p class="problem" role="alert">{fanRefusalText(answer.problem)}</p>
{:else}
  {@const r = answer.value}
  <div class="result" data-testid="fan-result">
    <dl>
      <div>
        <dt>{t.figures.q50}</dt>
        <dd>
          <b class="figure">{flow(r.q50_m3h)}</b> <small>{t.band(flow(r.q50_low), flow(r.q50_high))}</small>
        </dd>
      </div>
      <div>
        <dt>{t.figures.ach50}</dt>
        <dd><b class="figure">{r.ach50.toFixed(2)}</b></dd>
      </div>
      {#if r.q50_m3hm2 !== undefined}<div>
          <dt>{t.figures.perArea}</dt>
          <dd class="figure">{r.q50_m3hm2.toFixed(2)} m³/(h m²)</dd>
        </div>{/if}
      <div>
        <dt>{t.figures.n}</dt>
        <dd class="figure">
          {r.n.toFixed(3)} <small>{t.band(r.n_low.toFixed(3), r.n_high.toFixed(3))}</small>
        </dd>
      </div>
      <div>
        <dt>{t.figures.C}</dt>
        <dd class="figure">
          {r.C.toFixed(1)} m³/(h Paⁿ) <small>{t.band(r.C_low.toFixed(1), r.C_high.toFixed(1))}</small>
        </dd>
      </div>
      <div>
        <dt>{t.figures.r2}</dt>
        <dd class="figure">{r.r2.toFixed(4)}</dd>
      </div>
      <div>
        <dt>{t.figures.ela4}</dt>
        <dd class="figure">{writeMeasure('leakage', r.ela4_cm2, reads, 0)}</dd>
      </div>
    </dl>
    <Graph {config} label={t.chart} height={260} />
  </div>
  {#each [...r.warnings.map((one) => fanWarningTexts[one]), ...conditions] as said (said)}<p class="caution">
      {said}
    </p>{/each}
{/if}

<style>
  .result {
    display: grid;
    grid-template-columns: minmax(16rem, 26rem) minmax(0, 1fr);
    gap: var(--gap-4);
  }
  dl {
    margin: 0;
  }
  dl > div {
    display: grid;
    grid-template-columns: minmax(0, 1fr) minmax(0, 1.2fr);
    gap: var(--gap-3);
    padding: 2px 0;
    border-bottom: 1px solid var(--line);
  }
  dd {
    margin: 0;
  }
  small {
    display: block;
    color: var(--ink-soft);
    font-family: var(--font);
  }
  @media (max-width: 760px) {
    .result {
      grid-template-columns: minmax(0, 1fr);
    }
  }
</style>
