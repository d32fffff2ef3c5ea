<script module lang="ts">
  import type { LengthUnit, Plan } from '@hulvek/core';

  export interface HeatFiguresProps {
    plan: Plan;
    /** What whoever looks reads in. */
    reads: LengthUnit;
  }
</script>

<script lang="ts">
  import VerdictMark from '$lib/ui/VerdictMark.svelte';
  import { HeatFigures } from './heat-figures.svelte.ts';
  import { heatText } from '$words/prove-heat.ts';
  import { cutIds, figuresIn } from '@hulvek/core';
  import { onDestroy, untrack } from 'svelte';

  let { plan, reads }: HeatFiguresProps = $props();
  const f = $derived(figuresIn(reads));
  const heat = new HeatFigures();
  onDestroy(() => heat.close());
  $effect(() => {
    const now = plan;
    untrack(() => heat.ask(now));
  });
</script>

<div data-testid="heat-figures">
  <h3><VerdictMark verdict={heat.verdict} /> {heatText.title}</h3>
  {#if heat.problem}<p class="quiet">{heatText.problem(heat.problem)}</p>
  {:else}
    <table>
      <thead>
        <tr>
          <th scope="col">{heatText.columns.side}</th>
          <th scope="col">{heatText.columns.psi}<small class="unit">{heatText.psiUnit(reads)}</small></th>
          <th scope="col">{heatText.columns.coldest}</th>
        </tr>
      </thead>
      <tbody>
        {#each cutIds as cut (cut)}
          {@const side = heat.sides[cut]}
          <tr>
            <th scope="row">{heatText.side(cut)}</th>
            <td>{side ? heatText.psiFigure(side.psi.value, f) : heatText.job.waits}</td>
            <td>{side?.coldest ? heatText.temperature(side.coldest.temperature_C, f) : heatText.job.waits}</td
            >
          </tr>
        {/each}
      </tbody>
    </table>
  {/if}
</div>

<style>
  h3 {
    display: flex;
    align-items: baseline;
    gap: var(--gap-2);
  }
  table {
    border-collapse: collapse;
  }
  th,
  td {
    padding: 2px var(--gap-4) 2px 0;
    text-align: left;
    font-weight: inherit;
  }
  td {
    font-family: var(--mono);
  }
  thead th {
    font-size: 0.85rem;
    color: var(--ink-soft);
  }
</style>
