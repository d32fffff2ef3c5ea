<!-- From which roll, bar or board each piece is cut: drawn, listed to tick, by the day it is cut for. -->
<script module lang="ts">
  import type { JobStore } from '$lib/job/job.svelte.ts';

  export interface CuttingProps {
    store: JobStore;
  }
</script>

<script lang="ts">
  import JobPage from '$lib/features/shell/JobPage.svelte';
  import Button from '$lib/ui/Button.svelte';
  import { dayName } from '$lib/ui/time.ts';
  import { cuttingWords as t } from '$words/supply.ts';
  import { amountText, articleText, formatLength, packsText, type CutPlan } from '@hulvek/core';
  import { tick, untrack } from 'svelte';
  import CutBars from './CutBars.svelte';
  import CutStripLabels from './CutStripLabels.svelte';
  import { CuttingDesk } from './cutting-desk.svelte.ts';
  import { SupplyDesk } from './supply-desk.svelte.ts';

  let { store }: CuttingProps = $props();
  const desk = untrack(() => new SupplyDesk(store));
  const cutting = untrack(() => new CuttingDesk(desk));
  let day = $state('');
  let labels = $state(false);
  $effect(() => {
    void desk.content;
    untrack(() => void desk.work());
  });
  $effect(() => {
    void cutting.supply;
    void cutting.lines;
    if (desk.state === 'ready') untrack(() => cutting.next());
  });
  $effect(() => () => cutting.close());

  const job = $derived(store.context.job);
  const name = (plan: CutPlan) => articleText(plan.article, job.units);
  const plans = $derived(cutting.lines.flatMap(({ article: { id } }) => cutting.plans.get(id) ?? []));
  const wanted = (plan: CutPlan) =>
    [...plan.strips.values()].filter(({ need }) => day === '' || desk.dayOf(need) === day);
  const strips = $derived(plans.flatMap(wanted));
  const done = $derived(strips.filter(({ id }) => cutting.isCut(id)).length);
  const bars = (plan: CutPlan, n: number) => packsText({ form: plan.article.form }, n);
  const total = (plan: CutPlan) =>
    Object.entries(plan.answer.used).reduce(
      (sum, [id, n]) => sum + (plan.stock.get(id)?.leftOver ? 0 : n),
      0,
    );

  async function printLabels() {
    labels = true;
    await tick();
    window.print();
    labels = false;
  }
</script>

{#if labels}<CutStripLabels {strips} {desk} job={job.name} />
{:else}
  <JobPage view="cutting" lead={t.lead}>
    {#if cutting.problem}<p class="problem" role="alert">{cutting.problem}</p>{/if}
    <div class="controls">
      <label
        >{t.day}
        <select bind:value={day}
          ><option value="">{t.allDays}</option>{#each desk.dates as one (one)}<option value={one}
              >{dayName(one)}</option
            >{/each}</select
        ></label
      >
      <span data-testid="cut-count">{t.doneOf(done, strips.length)}</span>
      {#if strips.length > 0}<Button onclick={() => void printLabels()}>{t.labels}</Button>{/if}
      {#if cutting.at}<Button onclick={() => cutting.end()}>{t.end}</Button>
      {:else if cutting.stopped}<Button onclick={() => cutting.again()}>{t.again}</Button>{/if}
    </div>
    {#if cutting.at}
      {@const line = cutting.lines.find(({ article }) => article.id === cutting.at)}
      <p role="status">{line ? t.working(articleText(line.article, job.units)) : ''}</p>
    {:else if cutting.stopped}<p role="status">{t.stopped}</p>{/if}
    {#if desk.state === 'ready' && cutting.lines.length === 0}<p>{t.none}</p>{/if}
    {#each plans as plan (plan.article.id)}
      {@const own = wanted(plan)}
      {#if own.length > 0}
        <section data-testid="cut-plan">
          <h2>{name(plan)}</h2>
          <p>
            {t.bars(
              bars(plan, total(plan)),
              plan.answer.optimal,
              plan.sheets
                ? String(plan.answer.bound)
                : amountText(plan.article, plan.answer.bound, store.reads),
            )}
            {#if plan.kerf_mm > 0}{t.saw(formatLength(plan.kerf_mm, store.reads))}{/if}
            {#if plan.sheets}{t.waste((plan.sheets.waste * 100).toFixed(0))}{/if}
          </p>
          {#if plan.answer.unplaced.length > 0}
            <p class="problem">
              {t.unplaced(
                [
                  ...new Set(
                    plan.answer.unplaced.map((id) => desk.markOf(plan.strips.get(id)?.need.opening ?? '')),
                  ),
                ].join(', '),
              )}
            </p>
          {/if}
          <CutBars {plan} {cutting} strips={own} name={name(plan)} />
        </section>
      {/if}
    {/each}
    {#if plans.length > 0}<p class="quiet">{t.caution}</p>{/if}
  </JobPage>
{/if}

<style>
  .controls {
    display: flex;
    flex-flow: row wrap;
    gap: var(--gap-3);
    align-items: end;
  }
  label {
    display: grid;
    gap: 2px;
  }
  section {
    display: grid;
    gap: var(--gap-2);
    break-inside: avoid;
  }
  h2 {
    margin: 0;
    border-bottom: 2px solid var(--ink);
  }
  @media print {
    .controls {
      display: none;
    }
  }
</style>
