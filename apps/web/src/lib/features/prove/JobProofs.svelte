<script module lang="ts">
  import type { JobStore } from '$lib/job/job.svelte.ts';

  export interface JobProofsProps {
    store: JobStore;
  }
</script>

<script lang="ts">
  import GradeMark from '$lib/ui/GradeMark.svelte';
  import { HeatJob } from '$lib/features/prove/heat/heat-job.svelte.ts';
  import LongRows from '$lib/ui/LongRows.svelte';
  import JudgementMark from '$lib/ui/JudgementMark.svelte';
  import { gradeWords } from '$words/ui.ts';
  import { proveText, type ProofId } from '$words/prove.ts';
  import { figuresIn, findingText, heatFindings, jointLeakage, readingOrder, sumOfBands } from '@hulvek/core';
  import { onDestroy, untrack } from 'svelte';

  let { store }: JobProofsProps = $props();
  const t = proveText.job;
  const heat = untrack(() => new HeatJob(store));
  void heat.look();
  onDestroy(() => heat.close());
  let search = $state('');
  let only = $state<'all' | 'failing' | 'watching'>('all');
  const figures = $derived(figuresIn(store.reads));

  type Column = Exclude<ProofId, 'whole'> | 'fit';
  const COLUMNS = ['fit', 'water', 'air', 'heat', 'joint', 'moisture', 'loads'] as const;
  const word = (column: Column): string =>
    column === 'fit' ? proveText.whole.fit : proveText.proofs[column];
  const path = (id: string, column: Column): string =>
    `/jobs/${store.id}/${id}/${column === 'fit' ? 'measure' : `prove?proof=${column}`}`;

  const rows = $derived(
    heat.rows.map(({ plan, proof, isOld }) => {
      const findings = proof && !isOld ? heatFindings(plan, proof, false) : [];
      const judgement = store.judgementOf(plan.opening.id);
      const [first] = readingOrder([...plan.findings, ...findings]);
      return {
        plan,
        judgement,
        first: first && first.severity !== 'note' ? findingText(first, figures).title : '',
      };
    }),
  );
  const shown = $derived(
    rows.filter(({ plan: { opening }, judgement }) => {
      const all = Object.values(judgement?.proofs ?? {}).map(({ checked }) => checked);
      const wanted =
        only === 'all' || all.includes('fails') || (only === 'watching' && all.includes('watch'));
      const words = `${opening.mark} ${opening.name} ${opening.facade}`.toLowerCase();
      return wanted && words.includes(search.trim().toLowerCase());
    }),
  );
  const failing = $derived(rows.filter(({ judgement }) => judgement?.grade === 'fails').length);
  const leakage = $derived.by(() => {
    const known = rows.flatMap(({ plan }) =>
      plan.choices && plan.unit
        ? [jointLeakage(plan.choices, { width_mm: plan.unit.width.mm, height_mm: plan.unit.height.mm })]
        : [],
    );
    return {
      of: known.length,
      sealed: sumOfBands(known.map((one) => one.sealed50)),
      open: sumOfBands(known.map((one) => one.open50)),
      closed: rows.filter(({ plan }) => plan.air?.closed).length,
    };
  });
</script>

{#if rows.length === 0}<p>{t.empty}</p>{:else}
  <div class="tools">
    <p role="status"><b>{t.summary(failing, rows.length)}</b></p>
    <label
      >{t.only}
      <select bind:value={only}>
        <option value="all">{t.all}</option>
        <option value="failing">{t.failing}</option>
        <option value="watching">{t.watching}</option>
      </select>
    </label>
    <label>{t.search}<input type="search" bind:value={search} /></label>
  </div>
  <div class="rows">
    <table data-testid="job-proofs" aria-rowcount={shown.length + 1}>
      <thead>
        <tr>
          <th scope="col">{t.opening}</th>
          {#each COLUMNS as column (column)}<th scope="col" class="mark">{word(column)}</th>{/each}
          <th scope="col">{t.first}</th>
        </tr>
      </thead>
      <LongRows items={shown} key={({ plan }) => plan.opening.id} columns={9} row_px={49}>
        {#snippet row({ plan: { opening }, judgement, first }, _, more)}
          <tr data-opening={opening.mark} {...more}>
            <th scope="row">
              <a href="/jobs/{store.id}/{opening.id}/prove">
                <JudgementMark {judgement} />
                {opening.mark} <span>{opening.name}</span>
              </a>
            </th>
            {#each COLUMNS as column (column)}
              {@const waits = !judgement || (column === 'heat' && judgement.working)}
              {@const grade = waits ? null : judgement.proofs[column]}
              <td class="mark" data-column={column} data-verdict={grade?.grade ?? 'working'}>
                <a href={path(opening.id, column)} aria-label="{opening.mark}, {word(column)}">
                  {#if grade}<GradeMark {grade} />{:else}<span title={gradeWords.working}>…</span>{/if}
                </a>
              </td>
            {/each}
            <td class="first">{first}</td>
          </tr>
        {/snippet}
      </LongRows>
    </table>
  </div>
  {#if shown.length === 0}<p>{t.none}</p>{/if}
  <section>
    <h2>{t.leakage}</h2>
    <p>{t.leakageSays(leakage.sealed, leakage.open, leakage.closed, leakage.of, figures)}</p>
    <p class="quiet">{proveText.air.leakageNote}</p>
  </section>
  <p class="quiet">{proveText.whole.lead}</p>
{/if}

<style>
  .tools {
    display: flex;
    flex-flow: row wrap;
    align-items: end;
    gap: var(--gap-3);
  }
  .tools p {
    flex: 1 1 auto;
  }
  label {
    display: grid;
    gap: var(--gap-1);
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
    padding: 2px var(--gap-3) 2px 0;
    text-align: left;
    border-bottom: 1px solid var(--line);
    font-weight: inherit;
  }
  thead th {
    font-size: 0.9rem;
    color: var(--ink-soft);
  }
  .first {
    min-width: 16rem;
    padding-left: var(--gap-3);
  }
  .mark {
    text-align: center;
    padding-right: 0;
    min-width: 4.5rem;
  }
  .mark a {
    display: grid;
    place-items: center;
    min-height: 36px;
    text-decoration: none;
  }
  .mark a:hover {
    background: var(--sand);
  }
  th a {
    display: inline-flex;
    align-items: center;
    gap: var(--gap-2);
    min-height: 36px;
    font-weight: 600;
    white-space: nowrap;
  }
  th span {
    font-weight: 400;
  }
</style>
