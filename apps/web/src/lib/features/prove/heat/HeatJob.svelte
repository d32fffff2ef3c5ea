<script module lang="ts">
  import type { JobStore } from '$lib/job/job.svelte.ts';

  export interface HeatJobProps {
    store: JobStore;
  }
</script>

<script lang="ts">
  import Button from '$lib/ui/Button.svelte';
  import VerdictMark from '$lib/ui/VerdictMark.svelte';
  import { HeatJob, type HeatRow } from './heat-job.svelte.ts';
  import { heatText } from '$words/prove-heat.ts';
  import { conditionsOf, cutIds, figuresIn, type SideHeat } from '@hulvek/core';
  import { onDestroy, untrack } from 'svelte';

  let { store }: HeatJobProps = $props();
  const heat = untrack(() => new HeatJob(store));
  void heat.look();
  onDestroy(() => heat.close());

  const f = $derived(figuresIn(store.reads));
  let search = $state('');
  const mayStart = $derived(store.pack.rights.includes('plan'));
  const rows = $derived(
    heat.rows.filter(({ plan: { opening } }) =>
      `${opening.mark} ${opening.name} ${opening.facade}`.toLowerCase().includes(search.trim().toLowerCase()),
    ),
  );
  const coldest = ({ proof }: HeatRow): SideHeat | null =>
    proof?.sides
      .filter((side) => side.coldest)
      .toSorted((a, b) => (a.coldest?.temperature_C ?? 0) - (b.coldest?.temperature_C ?? 0))[0] ?? null;
</script>

<div class="work">
  {#if heat.atWork}
    <progress
      value={heat.progress.done}
      max={Math.max(1, heat.progress.total)}
      aria-label={heatText.job.progress}
    ></progress>
    <span role="status">{heatText.job.done(heat.progress.done, heat.progress.total)}</span>
    {#if mayStart}<Button kind="quiet" onclick={heat.cancel}>{heatText.job.cancel}</Button>{/if}
  {:else}
    {#if mayStart}<Button onclick={heat.start}>{heat.run ? heatText.job.again : heatText.job.start}</Button
      >{/if}
    {#if heat.run}<span role="status">{heatText.job.state(heat.run.state, heat.run.person)}</span>{/if}
  {/if}
  <label class="search">{heatText.job.search}<input type="search" bind:value={search} /></label>
</div>
{#if heat.isStuck}<p role="alert">{heatText.job.nobody}</p>{/if}
{#if heat.problem}<p role="alert">{heat.problem}</p>{/if}

<div class="rows">
  <table data-testid="heat-job" data-state={heat.run?.state ?? 'none'}>
    <thead>
      <tr>
        <th scope="col">{heatText.job.opening}</th>
        {#each cutIds as cut (cut)}<th scope="col" class="figure"
            >{heatText.job.psi(cut)}<small class="unit">{heatText.psiUnit(store.reads)}</small></th
          >{/each}
        <th scope="col" class="figure">{heatText.columns.coldest}</th>
        <th scope="col">{heatText.columns.where}</th>
        <th scope="col" class="figure">{heatText.columns.f}</th>
        <th scope="col" class="figure"
          >{heatText.job.u}<small class="unit">{heatText.uUnit(store.reads)}</small></th
        >
        <th scope="col" class="figure">{heatText.job.loss}</th>
      </tr>
    </thead>
    <tbody>
      {#each rows as row (row.plan.opening.id)}
        {@const { opening } = row.plan}
        {@const cold = coldest(row)}
        <tr>
          <th scope="row">
            <a href="/jobs/{store.id}/{opening.id}/prove?proof=heat">
              <VerdictMark verdict={row.proof?.verdict ?? 'not-checkable'} />
              {opening.mark} <span>{opening.name}</span>
            </a>
            {#if row.isOld}<small>{heatText.job.old}</small>{/if}
          </th>
          {#if row.problem}
            <td colspan="9" class="quiet">{heatText.problem(row.problem)}</td>
          {:else}
            {#each cutIds as cut (cut)}
              {@const side = row.sides.find((s) => s.cut === cut)?.side}
              <td class="figure">{side ? heatText.psiFigure(side.psi.value, f) : heatText.job.waits}</td>
            {/each}
            <td class="figure">{cold?.coldest ? heatText.temperature(cold.coldest.temperature_C, f) : ''}</td>
            <td>{cold?.coldest ? heatText.job.where(cold.cut, cold.coldest.thing) : ''}</td>
            <td class="figure">{cold?.coldest ? cold.coldest.fRsi.toFixed(2) : ''}</td>
            <td class="figure">{row.proof ? heatText.uFigure(row.proof.uInstalled, f) : ''}</td>
            <td class="figure">{row.proof ? heatText.watts(row.proof.loss_W, f) : ''}</td>
          {/if}
        </tr>
      {/each}
    </tbody>
    {#if heat.totals.openings > 0}
      <tfoot>
        <tr>
          <th scope="row" colspan="9">{heatText.job.total(heat.totals.openings)}</th>
          <td class="figure">{heatText.watts(heat.totals.loss_W, f)}</td>
        </tr>
        <tr>
          <th scope="row" colspan="9">{heatText.jointLoss}</th>
          <td class="figure">{heatText.watts(heat.totals.jointLoss_W, f)}</td>
        </tr>
      </tfoot>
    {/if}
  </table>
</div>
<p class="quiet">{heatText.limits(conditionsOf(store.context.job), f)}</p>
<p class="quiet">{heatText.convention}</p>

<style>
  .work {
    display: flex;
    flex-flow: row wrap;
    align-items: end;
    gap: var(--gap-3);
  }
  .search {
    display: grid;
    margin-left: auto;
  }
  .rows {
    overflow-x: auto;
  }
  table {
    width: 100%;
    border-collapse: collapse;
  }
  th,
  td {
    padding: var(--gap-2) var(--gap-3) var(--gap-2) 0;
    text-align: left;
    border-bottom: 1px solid var(--line);
    font-weight: inherit;
    white-space: nowrap;
  }
  thead th {
    font-size: 0.9rem;
    color: var(--ink-soft);
  }
  .figure {
    text-align: right;
  }
  td.figure {
    font-family: var(--mono);
  }
  th a {
    display: inline-flex;
    align-items: center;
    gap: var(--gap-2);
    min-height: 32px;
    font-weight: 600;
  }
  th span {
    font-weight: 400;
  }
  small {
    display: block;
    color: var(--watch);
  }
  tfoot {
    font-weight: 600;
  }
</style>
