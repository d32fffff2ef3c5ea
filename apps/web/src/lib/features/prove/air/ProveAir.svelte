<script module lang="ts">
  import type { OpeningEditor } from '$lib/job/opening.svelte.ts';
  import type { Snippet } from 'svelte';

  export interface ProveAirProps {
    editor: OpeningEditor;
    /** Other proofs to go to. */
    proofs: Snippet;
  }
</script>

<script lang="ts">
  import AirLine from './AirLine.svelte';
  import Button from '$lib/ui/Button.svelte';
  import VerdictMark from '$lib/ui/VerdictMark.svelte';
  import { AirDesk } from './air-desk.svelte.ts';
  import { wallViews } from '$lib/features/prove/wall-desk.svelte.ts';
  import { detailWords } from '$words/detail.ts';
  import { shellWords } from '$words/shell.ts';
  import { proveText } from '$words/prove.ts';
  import {
    airThingText,
    cutIds,
    formatLength,
    openPlaces,
    tradeTexts,
    type CutId,
    type Point3,
  } from '@hulvek/core';
  import { untrack } from 'svelte';
  import AirLeakage from './AirLeakage.svelte';
  import ProofFindings from '$lib/features/prove/ProofFindings.svelte';
  import ProofWall from '$lib/features/prove/ProofWall.svelte';
  import WhichWall from '$lib/features/prove/WhichWall.svelte';
  import WallTries from '$lib/features/prove/WallTries.svelte';

  let { editor, proofs }: ProveAirProps = $props();
  const t = proveText.air;
  const air = untrack(() => new AirDesk(editor));
  const proof = $derived(air.proof);
  const length = (mm: number) => formatLength(mm, editor.store.reads);

  /** Where pieces come closest in the cut that is shown, when nothing joins them. */
  const gaps = $derived.by((): Point3[] => {
    const { view } = air;
    if (view === 'face' || air.course || !proof || !air.build) return [];
    const upright = view === 'left' || view === 'right';
    return (proof.sides.find((s) => s.side === view)?.lifts ?? []).flatMap(({ at, range }): Point3[] => {
      const middle = (range[0] + range[1]) / 2;
      return at ? [upright ? [at[1], middle, at[0]] : [middle, at[1], at[0]]] : [];
    });
  });
  const show = (side: CutId) => (air.view = side);
</script>

<ProofWall desk={air} title={t.title} empty={detailWords.empty} views={wallViews} steps>
  {#snippet over(drawing)}
    <AirLine {drawing} course={air.course} ring={air.view === 'face' ? air.ring : null} {gaps} />
  {/snippet}
  {#snippet panel()}
    {@render proofs()}
    <h2><VerdictMark verdict={air.verdict} word /> {t.title}</h2>
    {#if !editor.mayPlan}<p class="quiet">{shellWords.readOnly}</p>{/if}
    {#if proof && air.build}
      <WhichWall desk={air} />
      <p data-testid="pen-line" data-closed={proof.closed}>
        {#if !air.finished}{t.atStep(proof.closed)}{/if}
        {proof.closed ? t.closed : t.open(openPlaces(proof))}
        {#if air.closes}{t.closes(air.closes.number, air.build.steps.length, air.closes.step.id)}{/if}
        {#if proof.waitsFor && proof.closed}{t.waits(proof.waitsFor)}{/if}
        {#if proof.hidden}{t.hidden}{/if}
      </p>
      <table data-testid="air-sides">
        <thead>
          <tr><th scope="col">{t.side}</th><th scope="col">{t.line}</th></tr>
        </thead>
        <tbody>
          {#each cutIds as cut (cut)}
            {@const side = proof.sides.find((s) => s.side === cut)}
            <tr>
              <th scope="row">
                <button
                  type="button"
                  class="as-link"
                  aria-pressed={air.view === cut}
                  onclick={() => show(cut)}>{proveText.side(cut)}</button
                >
                <VerdictMark
                  verdict={!side || side.lifts.length === 0
                    ? 'holds'
                    : side.lifts.some((l) => l.kind === 'gap')
                      ? 'fails'
                      : 'watch'}
                />
              </th>
              <td>
                {#each side?.lifts ?? [] as lift, i (i)}<p class="lift">{t.lift(lift, length)}</p>{/each}
                {#if side?.line}<p>{t.run(side.line)}</p>{/if}
                {#if side?.line}<p class="quiet">
                    {t.second}: {side.spare ? t.run(side.spare) : t.none}
                  </p>{/if}
              </td>
            </tr>
          {/each}
        </tbody>
      </table>
    {/if}
    <ProofFindings desk={air} verdict={air.verdict} />
    {#if proof && air.build}
      {#if proof.interrupters.length > 0}
        <h3>{t.through}</h3>
        <ul>
          {#each proof.interrupters as one, i (i)}<li>{t.throughOf(one)}</li>{/each}
        </ul>
      {/if}
      {#if air.weak.length > 0}
        <h3>{t.weak}</h3>
        <ul>
          {#each air.weak as place (place.kind)}<li>{t.weakOf(place)}</li>{/each}
        </ul>
      {/if}
      <details>
        <summary><h3>{t.without}</h3></summary>
        {#if air.asked}
          <ul data-testid="without">
            {#each air.without as one (one.piece)}
              <li data-opens={one.opens.length > 0}>
                <b>{airThingText(one.piece)}</b>: {t.opens(one)}
              </li>
            {/each}
          </ul>
        {:else}<Button onclick={() => (air.asked = true)}>{t.ask}</Button>{/if}
      </details>
      <details>
        <summary><h3>{t.later}</h3></summary>
        <ul class="trades">
          {#each air.trades as risk (risk.trade)}
            <li>
              <b>{tradeTexts[risk.trade].name}</b>
              {t.laterOf(risk.members)}. {tradeTexts[risk.trade].tell}
              {#if risk.guarded}{t.guarded}{/if}
            </li>
          {/each}
        </ul>
      </details>
      <WallTries desk={air} title={t.tries} />
      {#if air.plan.choices && air.plan.unit}
        <AirLeakage plan={air.plan} closed={proof.closed} reads={editor.store.reads} />
      {/if}
    {/if}
    <p class="quiet">{t.note}</p>
  {/snippet}
</ProofWall>

<style>
  table {
    border-collapse: collapse;
    width: 100%;
  }
  th,
  td {
    padding: var(--gap-2) var(--gap-3) var(--gap-2) 0;
    border-bottom: 1px solid var(--sand-deep);
    text-align: left;
    vertical-align: top;
    font-weight: inherit;
  }
  thead th {
    font-size: 0.85rem;
    color: var(--ink-soft);
  }
  tbody th {
    white-space: nowrap;
  }
  .lift {
    color: var(--bad);
  }
  h3 {
    margin-top: var(--gap-3);
  }
  .trades {
    display: grid;
    gap: var(--gap-2);
  }
</style>
