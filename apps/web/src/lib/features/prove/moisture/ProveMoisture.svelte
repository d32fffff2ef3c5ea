<script module lang="ts">
  import type { OpeningEditor } from '$lib/job/opening.svelte.ts';
  import type { Snippet } from 'svelte';

  export interface ProveMoistureProps {
    editor: OpeningEditor;
    /** Other proofs to go to. */
    proofs: Snippet;
  }
</script>

<script lang="ts">
  import VerdictMark from '$lib/ui/VerdictMark.svelte';
  import { WallDesk, wallViews } from '$lib/features/prove/wall-desk.svelte.ts';
  import { shellWords } from '$words/shell.ts';
  import { heatText } from '$words/prove-heat.ts';
  import { proveText } from '$words/prove.ts';
  import { conditionsOf, cutIds, figuresIn, measureIn, monthTexts, vapourLayerText } from '@hulvek/core';
  import { HeatFigures } from '$lib/features/prove/heat/heat-figures.svelte.ts';
  import { onDestroy, untrack } from 'svelte';
  import ProofChart, { type ChartSet } from '$lib/features/prove/ProofChart.svelte';
  import ProofFindings from '$lib/features/prove/ProofFindings.svelte';
  import ProofWall from '$lib/features/prove/ProofWall.svelte';

  let { editor, proofs }: ProveMoistureProps = $props();
  const t = proveText.moisture;
  const desk = untrack(() => {
    const made = new WallDesk(editor, ['moisture']);
    made.view = 'sill';
    return made;
  });
  const job = $derived(editor.context.job);
  const conditions = $derived(conditionsOf(job));
  const heat = new HeatFigures();
  onDestroy(() => heat.close());
  $effect(() => {
    const now = desk.plan;
    untrack(() => heat.ask(now));
  });
  const proof = $derived(desk.plan.moisture);
  const reads = $derived(editor.store.reads);
  const f = $derived(figuresIn(reads));
  const names = $derived(proof?.layers.map((layer) => layer.name) ?? []);
  const LOOKS = [
    { colour: '--water', point: 'circle' },
    { colour: '--rust', point: 'rect', dash: [6, 4] },
    { colour: '--air', point: 'triangle', dash: [2, 4] },
  ] as const;
  const labels = $derived(proof?.wall?.order.map((month) => monthTexts[month] ?? '') ?? []);
  const sets = $derived(
    (proof?.wall?.wet ?? []).map((plane, i): ChartSet => ({
      label: t.where(plane.between, names),
      data: plane.water_kg_m2.map((kg) =>
        Number(measureIn('film', kg, reads).toFixed(reads === 'mm' ? 0 : 2)),
      ),
      ...(LOOKS[i % LOOKS.length] ?? LOOKS[0]),
    })),
  );
</script>

<ProofWall {desk} title={t.title} empty={t.nothing} views={wallViews} handles={false}>
  {#snippet panel()}
    {@render proofs()}
    <h2><VerdictMark verdict={proof?.verdict ?? 'not-checkable'} word /> {t.title}</h2>
    {#if !editor.mayPlan}<p class="quiet">{shellWords.readOnly}</p>{/if}
    {#if proof}
      <h3><VerdictMark verdict={proof.joint.verdict} /> {t.joint}</h3>
      <p>{t.jointSays(proof.joint, f)}</p>
      <h3><VerdictMark verdict={proof.wallVerdict} /> {t.wall}</h3>
      {#if proof.wall && job.months}
        <p data-testid="wall-moisture">{t.outcome(proof.wall, f)}</p>
        {#if sets.length > 0}
          <ProofChart kind="bar" {labels} {sets} axis={t.month} label={t.chart(reads)} />
          <div class="wide">
            <table class="figures">
              <caption>{t.chart(reads)}</caption>
              <thead>
                <tr
                  ><td></td>{#each labels as month (month)}<th scope="col">{month}</th>{/each}</tr
                >
              </thead>
              <tbody>
                {#each sets as set (set.label)}
                  <tr
                    ><th scope="row">{set.label}</th>{#each set.data as grams, i (i)}<td>{grams}</td
                      >{/each}</tr
                  >
                {/each}
              </tbody>
            </table>
          </div>
        {/if}
        <p class="quiet">{t.source(job.months.source, job.months.note)}</p>
      {:else}<p>{job.months ? t.noMethod : t.noMonths}</p>{/if}
      <h3>{t.layers}</h3>
      <table class="figures" data-testid="vapour-layers">
        <thead>
          <tr><th scope="col">{t.layer}</th><th scope="col">{t.r}</th><th scope="col">{t.sd(reads)}</th></tr>
        </thead>
        <tbody>
          {#each proof.layers as layer, i (i)}
            <tr>
              <th scope="row">{vapourLayerText(layer.name)}</th>
              <td>{layer.r === 0 ? '' : f.measure('resistance', layer.r)}</td>
              <td>{f.measure('vapour', layer.sd_m)}</td>
            </tr>
          {/each}
        </tbody>
      </table>
    {:else}<p>{t.nothing}</p>{/if}
    <ProofFindings {desk} verdict={proof?.verdict ?? 'not-checkable'} />
    {#if desk.plan.build}
      <h3>{t.surface}</h3>
      {#if heat.problem}<p>{heatText.problem(heat.problem)}</p>{:else}
        <table class="figures" data-testid="surface-margins">
          <thead>
            <tr>
              <th scope="col">{heatText.columns.side}</th>
              <th scope="col">{heatText.columns.coldest}</th>
              <th scope="col">{t.aboveDew}</th>
              <th scope="col">{t.aboveDamp}</th>
            </tr>
          </thead>
          <tbody>
            {#each cutIds as cut (cut)}
              {@const coldest = heat.sides[cut]?.coldest?.temperature_C ?? null}
              <tr>
                <th scope="row">{proveText.side(cut)}</th>
                <td>{coldest === null ? heatText.job.waits : heatText.temperature(coldest, f)}</td>
                <td>{coldest === null ? '' : heatText.change(coldest - conditions.dew_C, f)}</td>
                <td>{coldest === null ? '' : heatText.change(coldest - conditions.damp_C, f)}</td>
              </tr>
            {/each}
          </tbody>
        </table>
      {/if}
      <p class="quiet">{heatText.limits(conditions, f)}</p>
    {/if}
    <p class="quiet">{t.note}</p>
  {/snippet}
</ProofWall>

<style>
  .wide {
    overflow-x: auto;
  }
  caption {
    text-align: left;
    color: var(--ink-soft);
    font-size: 0.85rem;
  }
  h3 {
    display: flex;
    align-items: baseline;
    gap: var(--gap-2);
    margin-top: var(--gap-3);
  }
</style>
