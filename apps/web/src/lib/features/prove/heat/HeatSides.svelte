<script module lang="ts">
  import type { HeatDesk } from './heat-desk.svelte.ts';

  export interface HeatSidesProps {
    heat: HeatDesk;
  }
</script>

<script lang="ts">
  import VerdictMark from '$lib/ui/VerdictMark.svelte';
  import { heatText } from '$words/prove-heat.ts';
  import { cutIds, figuresIn } from '@hulvek/core';

  let { heat }: HeatSidesProps = $props();
  const f = $derived(figuresIn(heat.editor.store.reads));
  const proof = $derived(heat.settled ? heat.proof : null);
</script>

<p class="state" role="status">{heat.settled ? heatText.settled : heatText.refining}</p>
<table data-testid="heat-sides" data-settled={heat.settled}>
  <thead>
    <tr>
      <th scope="col">{heatText.columns.side}</th>
      <th scope="col" class="figure"
        >{heatText.columns.psi}<small class="unit">{heatText.psiUnit(heat.editor.store.reads)}</small></th
      >
      <th scope="col" class="figure">{heatText.columns.coldest}</th>
      <th scope="col" class="figure">{heatText.columns.f}</th>
    </tr>
  </thead>
  <tbody>
    {#each cutIds as cut (cut)}
      {@const answer = heat.sides[cut]}
      {@const was = heat.before?.[cut]?.side}
      <tr aria-current={heat.cut === cut ? 'true' : undefined}>
        <th scope="row">
          <button type="button" class="as-link" onclick={() => heat.choose(cut)}>
            {#if answer}<VerdictMark verdict={answer.side.verdict} />{/if}
            {heatText.side(cut)}
          </button>
        </th>
        {#if answer}
          {@const { side, refined } = answer}
          <td class="figure">
            {heatText.psiFigure(side.psi.value, f)}
            {#if was}<small>{heatText.changePsi(side.psi.value - was.psi.value, f)}</small>{/if}
          </td>
          <td class="figure">
            {#if side.coldest}
              {heatText.temperature(side.coldest.temperature_C, f)}
              {#if was?.coldest}<small
                  >{heatText.change(side.coldest.temperature_C - was.coldest.temperature_C, f)}</small
                >{/if}
            {:else}{heatText.none}{/if}
          </td>
          <td class="figure">{side.coldest ? side.coldest.fRsi.toFixed(2) : ''}</td>
          {#if heat.cut === cut}
            <td class="more">
              Ψ {heatText.interval(side, refined, f)}{#if refined && !side.close}. {heatText.notClose}{/if}{#if side.coldest};
                {heatText.thing(side.coldest.thing)}{#if refined}, {heatText.refinement(
                    side.coldest.change_K,
                    f,
                  )}{/if}{/if}
            </td>
          {/if}
        {:else}<td colspan="3" class="quiet">{heatText.solving}</td>{/if}
      </tr>
    {/each}
  </tbody>
</table>
{#if proof}
  <h3>{heatText.unitTitle}</h3>
  <dl>
    <dt>{heatText.unitU}</dt>
    <dd>{heatText.u(proof.values.u, f)}</dd>
    <dt>{heatText.installed}</dt>
    <dd>{heatText.u(proof.uInstalled, f)}</dd>
    <dt>{heatText.loss}</dt>
    <dd>{heatText.watts(proof.loss_W, f)}, {heatText.watts(proof.jointLoss_W, f)} {heatText.jointLoss}</dd>
  </dl>
  {#if proof.values.assumed.length > 0}<p class="quiet">{heatText.assumed(proof.values.assumed)}</p>{/if}
{/if}

<style>
  .state {
    color: var(--ink-soft);
    font-size: 0.9rem;
  }
  table {
    width: 100%;
    border-collapse: collapse;
  }
  tr {
    display: grid;
    grid-template-columns: 1.35fr 1.1fr 1.2fr 0.6fr;
    align-items: baseline;
    border-bottom: 1px solid var(--line);
  }
  tr[aria-current] {
    background: var(--sand);
  }
  th,
  td {
    padding: var(--gap-1) var(--gap-2) var(--gap-1) 0;
    text-align: left;
    font-weight: inherit;
  }
  thead th {
    font-size: 0.85rem;
    color: var(--ink-soft);
  }
  .figure {
    text-align: right;
    font-variant-numeric: tabular-nums;
  }
  td.figure {
    font-family: var(--mono);
  }
  th button {
    display: inline-flex;
    align-items: center;
    gap: var(--gap-2);
    padding-left: var(--gap-1);
    min-height: 32px;
  }
  small {
    display: block;
    color: var(--ink-soft);
  }
  .more {
    grid-column: 1 / -1;
    padding-left: var(--gap-1);
    font-size: 0.9rem;
    color: var(--ink-soft);
  }
  dl {
    display: grid;
    grid-template-columns: auto 1fr;
    gap: var(--gap-1) var(--gap-4);
  }
  dd {
    margin: 0;
    font-family: var(--mono);
  }
</style>
