<script module lang="ts">
  import type { OpeningEditor } from '$lib/job/opening.svelte.ts';
  import type { Snippet } from 'svelte';

  export interface ProveJointProps {
    editor: OpeningEditor;
    /** Other proofs to go to. */
    proofs: Snippet;
  }
</script>

<script lang="ts">
  import JointGaps from '$lib/features/prove/air/JointGaps.svelte';
  import Button from '$lib/ui/Button.svelte';
  import VerdictMark from '$lib/ui/VerdictMark.svelte';
  import { WallDesk, wallViews } from '$lib/features/prove/wall-desk.svelte.ts';
  import { shellWords } from '$words/shell.ts';
  import { proveText, sideName } from '$words/prove.ts';
  import {
    choiceText,
    figuresIn,
    formatLength,
    jointCosts,
    jointReasonText,
    restsOnInvented,
    sealIds,
    sealText,
    type SealId,
  } from '@hulvek/core';
  import { untrack } from 'svelte';
  import JointBill from './JointBill.svelte';
  import ProofChart, { type ChartSet } from '$lib/features/prove/ProofChart.svelte';
  import ProofWall from '$lib/features/prove/ProofWall.svelte';

  let { editor, proofs }: ProveJointProps = $props();
  const t = proveText.joint;
  const desk = untrack(() => new WallDesk(editor, ['air']));
  const units = $derived(editor.store.reads);
  const figures = $derived(figuresIn(units));
  const currency = $derived(editor.context.job.currency);
  const invented = $derived(restsOnInvented(editor.context.job));
  const length = (mm: number) => formatLength(Math.round(mm * 10) / 10, units);
  const design = $derived(desk.plan.joint);
  const costs = $derived(desk.plan.build && jointCosts(desk.plan.build, desk.plan.job));
  const RANK = ['holds', 'watch', 'fails'] as const;
  /** What works first, of these the cheapest. */
  const seals = $derived(
    (design?.seals ?? []).toSorted(
      (a, b) => RANK.indexOf(a.verdict) - RANK.indexOf(b.verdict) || a.bill.cost - b.bill.cost,
    ),
  );
  const gaps = $derived(desk.plan.fit?.placement.gaps ?? []);
  const material = $derived(desk.plan.unit?.frameMaterial);
  const figure = $derived((mm: number) => formatLength(mm, editor.context.job.units, 'figure'));

  const LOOKS: Readonly<Record<SealId, Omit<ChartSet, 'label' | 'data'>>> = {
    'corner-tape': { colour: '--air', point: 'rect' },
    'sealant-rod': { colour: '--rust', point: 'circle' },
    'foam-alone': { colour: '--watch', point: 'cross', dash: [2, 4] },
    membrane: { colour: '--good', point: 'triangle', dash: [8, 4] },
    precompressed: { colour: '--ink', point: 'rectRot', dash: [4, 3] },
    'sheet-acoustic': { colour: '--water', point: 'star', dash: [10, 3, 2, 3] },
  };
  const sets = $derived(
    costs
      ? sealIds.map((id): ChartSet => ({ label: sealText(id), data: costs.curve.costs[id], ...LOOKS[id] }))
      : [],
  );
  const mark = $derived(
    !costs || costs.tipOver_mm === null ? null : costs.tipOver_mm - (costs.curve.widths_mm[0] ?? 0),
  );
</script>

<ProofWall {desk} title={t.title} empty={t.nothing} views={wallViews} handles={false}>
  {#snippet over(drawing)}
    {#if desk.view === 'face'}<JointGaps {drawing} {gaps} {figure} />{/if}
  {/snippet}
  {#snippet panel()}
    {@render proofs()}
    <h2><VerdictMark verdict={design?.verdict ?? 'not-checkable'} word /> {t.title}</h2>
    {#if !editor.mayPlan}<p class="quiet">{shellWords.readOnly}</p>{/if}
    {#if design && costs}
      <h3>{t.measured}</h3>
      <table class="figures" data-testid="joint-sides">
        <thead>
          <tr>
            <td></td>
            <th scope="col">{t.least}</th><th scope="col">{t.most}</th><th scope="col">{t.needs}</th>
          </tr>
        </thead>
        <tbody>
          {#each design.sides as side (side.side)}
            <tr>
              <th scope="row"
                >{sideName(side.side)}{#if !side.measured}&ensp;<small>{t.notMeasured}</small>{/if}</th
              >
              <td>{length(side.least.mm)}</td>
              <td>{length(side.most.mm)}</td>
              <td>{length(side.movement.least_mm)}</td>
            </tr>
          {/each}
        </tbody>
      </table>
      <p class="quiet">{t.season(design, material ?? t.assumed, figures)}</p>
      <p class="mended" data-testid="joint-advice">
        {t.because(design, design.recommended ? sealText(design.recommended) : '', invented)}
        {t.tip(costs.tipOver_mm, length)}
      </p>
      <h3>{t.options}</h3>
      <ul class="options" data-testid="joint-options">
        {#each seals as option (option.id)}
          <li data-seal={option.id}>
            <h4>
              <VerdictMark verdict={option.verdict} />
              {sealText(option.id)}
              {#if option.id === design.chosen}<span class="tag">{t.chosen}</span>{/if}
              {#if option.id === design.recommended}
                <span class="tag good">{design.because === 'only' ? t.only : t.recommended(invented)}</span>
              {/if}
              <span class="cost"
                >{t.money(option.bill.cost, currency)} · {t.minutes(option.bill.minutes)}</span
              >
            </h4>
            {#each option.reasons as reason, i (i)}
              <p data-weight={reason.weight}>{jointReasonText(reason, figures)}</p>
            {/each}
            <JointBill bill={option.bill} />
            {#if option.id !== design.chosen && option.verdict !== 'fails' && editor.mayPlan}
              <Button
                onclick={() =>
                  desk.applyFix({ kind: 'design-changing', set: {}, choose: { innerSeal: option.id } })}
                >{t.take}</Button
              >
            {/if}
          </li>
        {/each}
      </ul>
      {#if desk.compares}
        <p class="mended" role="status">
          <button type="button" class="as-link" onclick={() => desk.undo()}>{proveText.undo}</button>
        </p>
      {/if}
      <h3>{t.chart}</h3>
      <ProofChart
        kind="line"
        labels={costs.curve.widths_mm.map(length)}
        {sets}
        axis={t.width}
        label={t.chartLabel}
        {mark}
      />
      <details>
        <summary>{t.table}</summary>
        <div class="wide">
          <table class="figures">
            <thead>
              <tr>
                <th scope="col">{t.width}</th>
                {#each sealIds as id (id)}<th scope="col">{sealText(id)}</th>{/each}
              </tr>
            </thead>
            <tbody>
              {#each costs.curve.widths_mm as width, i (width)}
                {#if i % 3 === 0}
                  <tr>
                    <th scope="row">{length(width)}</th>
                    {#each sealIds as id (id)}
                      {@const cost = costs.curve.costs[id][i] ?? null}
                      <td>{cost === null ? '–' : t.money(cost, currency)}</td>
                    {/each}
                  </tr>
                {/if}
              {/each}
            </tbody>
          </table>
        </div>
      </details>
      <details>
        <summary><h3>{t.fills}</h3></summary>
        <ul class="options">
          {#each design.fills as option (option.id)}
            <li>
              <h4>
                <VerdictMark verdict={option.verdict} />
                {choiceText('gapFill', option.id).name}
                {#if option.id === desk.plan.choices?.gapFill}<span class="tag">{t.chosen}</span>{/if}
                <span class="cost"
                  >{t.money(option.bill.cost, currency)} · {t.minutes(option.bill.minutes)}</span
                >
              </h4>
              {#each option.reasons as reason, i (i)}
                <p data-weight={reason.weight}>{jointReasonText(reason, figures)}</p>
              {/each}
            </li>
          {/each}
        </ul>
      </details>
    {:else}<p>{t.nothing}</p>{/if}
    <p class="quiet">{t.prices}</p>
  {/snippet}
</ProofWall>

<style>
  small {
    color: var(--watch);
  }
  .wide {
    overflow-x: auto;
  }
  .options li {
    display: grid;
    gap: 2px;
    justify-items: start;
    padding: var(--gap-2) 0;
    border-bottom: 1px solid var(--sand-deep);
  }
  h4 {
    margin: 0;
    display: flex;
    flex-flow: row wrap;
    align-items: baseline;
    gap: 2px var(--gap-2);
    width: 100%;
  }
  .cost {
    margin-left: auto;
    font-family: var(--mono);
    font-weight: 400;
  }
  .tag {
    padding: 0 6px;
    border: 1px solid var(--line);
    font-size: 0.85rem;
    font-weight: 500;
  }
  .tag.good {
    border-color: var(--good);
    color: var(--good);
  }
  p[data-weight='no'] {
    color: var(--bad);
  }
  p[data-weight='care'] {
    color: var(--watch);
  }
  p[data-weight='how'] {
    color: var(--ink-soft);
  }
  h3 {
    margin-top: var(--gap-3);
  }
</style>
