<!-- The take-off: a line for each article, against what is there, and what openings cost. -->
<script module lang="ts">
  import type { SupplyDesk } from './supply-desk.svelte.ts';

  export interface MaterialListProps {
    desk: SupplyDesk;
  }
</script>

<script lang="ts">
  import { save } from '$lib/device/download.ts';
  import Button from '$lib/ui/Button.svelte';
  import LongRows from '$lib/ui/LongRows.svelte';
  import { dayName } from '$lib/ui/time.ts';
  import { supplyWords as t } from '$words/supply.ts';
  import {
    amountText,
    articleText,
    costOf,
    formatLength,
    formatSize,
    packsText,
    pieceText,
    USUAL_PRICES,
    type Need,
    type TakeoffLine,
  } from '@hulvek/core';
  import type { HTMLAttributes } from 'svelte/elements';
  import { listCsv } from './list-csv.ts';
  import MethodCompare from './MethodCompare.svelte';
  import { moneyIn } from './money.ts';

  let { desk }: MaterialListProps = $props();
  let open = $state<string | null>(null);
  const job = $derived(desk.store.context.job);
  const units = $derived(desk.store.reads);
  const money = $derived(moneyIn(job));
  const prices = $derived(desk.mayEdit);
  const sees = $derived(desk.store.pack.rights.includes('tick'));
  const name = (line: TakeoffLine) => articleText(line.article, job.units, desk.unitName(line.article.unit));
  const packs = (line: TakeoffLine, n: number) =>
    n === 0 ? '' : packsText(line.article, n, line.terms.pack);
  const sizeOf = ({ length_mm, width_mm, count }: Need) => {
    if (length_mm === null) return count > 1 ? `${count} ×` : '';
    const size =
      width_mm === null
        ? formatLength(length_mm, units)
        : formatSize({ width: length_mm, height: width_mm }, units);
    return count > 1 ? `${count} × ${size}` : size;
  };
  const all = $derived(desk.lines.reduce((sum, line) => sum + (line.cost ?? 0), 0));
  const unpriced = $derived(desk.lines.filter(({ cost }) => cost === null).length);
  const columns = $derived(4 + (sees ? 6 : 0) + (prices ? 1 : 0));

  const costs = $derived.by(() => {
    const rate = job.prices?.labour_h ?? USUAL_PRICES.labour_h;
    const shown = desk.taken.filter(
      ({ opening, facade }) =>
        (!desk.opening || opening === desk.opening) && (!desk.facade || facade === desk.facade),
    );
    return shown.map((one) => ({
      ...one,
      method:
        desk.store.context.methods.find(({ id }) => id === desk.store.views.get(one.opening)?.opening.method)
          ?.name ?? '',
      cost: costOf(one.needs, one.build.steps, {
        supply: desk.supply,
        materials: desk.store.context.materials,
        rate,
      }),
    }));
  });
  const byMethod = $derived(
    [...new Set(costs.map(({ method }) => method))].map((method) => {
      const own = costs.filter((one) => one.method === method);
      const mean = (of: (one: (typeof own)[number]) => number) =>
        own.reduce((sum, one) => sum + of(one), 0) / own.length;
      return {
        method,
        n: own.length,
        material: mean(({ cost }) => cost.material),
        hours: mean(({ cost }) => cost.hours),
        labour: mean(({ cost }) => cost.labour ?? 0),
      };
    }),
  );

  function saveCsv() {
    save({ name: `${job.id}-materials.csv`, type: 'text/csv', content: listCsv(desk, desk.lines, prices) });
  }
</script>

<div class="filters">
  <label
    >{t.facade}
    <select bind:value={desk.facade}
      ><option value="">{t.allOf.facade}</option>{#each desk.facades as one (one)}<option>{one}</option
        >{/each}</select
    ></label
  >
  <label
    >{t.day}
    <select bind:value={desk.day} disabled={desk.dates.length === 0}
      ><option value="">{desk.dates.length === 0 ? t.noDays : t.allOf.day}</option
      >{#each desk.dates as one (one)}<option value={one}>{dayName(one)}</option>{/each}</select
    ></label
  >
  <label
    >{t.opening}
    <select bind:value={desk.opening}
      ><option value="">{t.allOf.opening}</option>{#each desk.taken as { opening, mark } (opening)}<option
          value={opening}>{mark}</option
        >{/each}</select
    ></label
  >
  <Button onclick={saveCsv}>{t.csv}</Button>
  {#if desk.mayEdit}<a class="as-button" href="/jobs/{desk.store.id}/materials.pdf" download>{t.pdf}</a>{/if}
</div>

{#snippet row(line: TakeoffLine, _i: number, attributes: HTMLAttributes<HTMLTableRowElement>)}
  {@const isOpen = open === line.article.id}
  <tr {...attributes} class:open={isOpen}>
    <th scope="row">
      <button
        type="button"
        class="name"
        aria-expanded={isOpen}
        onclick={() => (open = isOpen ? null : line.article.id)}
        >{name(line)} <small>{t.pieces(line.needs.reduce((sum, { count }) => sum + count, 0))}</small></button
      >
      {#if line.tooLong > 0}<small class="bad">{t.tooLong(line.tooLong)}</small>{/if}
      {#if isOpen}
        <ul aria-label={t.makes}>
          {#each line.needs as need, i (i)}
            <li>
              {#if desk.store.view(need.opening)}
                <a href="/jobs/{desk.store.id}/{need.opening}/detail">{desk.markOf(need.opening)}</a>
              {:else}{desk.markOf(need.opening)}{/if}
              {need.piece === null ? '' : pieceText(need.piece)}
              <span class="figure">{sizeOf(need)}</span>
            </li>
          {/each}
        </ul>
      {/if}
    </th>
    <td class="figure">{amountText(line.article, line.net, units)}</td>
    <td class="figure">{packs(line, line.packs)}</td>
    {#if sees}
      <td class="figure">{packs(line, line.van)}</td>
      <td class="figure">{packs(line, line.ordered)}</td>
      <td class="figure">{packs(line, line.came)}</td>
      <td class="figure">{packs(line, line.used)}</td>
      <td class="figure" class:bad={line.left < -1e-9}>{packs(line, line.left)}</td>
      <td class="figure"><b>{packs(line, line.missing)}</b></td>
    {/if}
    {#if prices}<td class="figure">{line.cost === null ? t.noPrice : money(line.cost)}</td>{/if}
  </tr>
{/snippet}

<div class="scroll">
  <table data-testid="takeoff">
    <thead>
      <tr>
        <th scope="col">{t.columns.article}</th>
        <th scope="col">{t.columns.net}</th>
        <th scope="col">{t.columns.packs}</th>
        {#if sees}
          {#each ['van', 'ordered', 'came', 'used', 'left', 'missing'] as const as one (one)}<th scope="col"
              >{t.columns[one]}</th
            >{/each}
        {/if}
        {#if prices}<th scope="col">{t.columns.cost}</th>{/if}
      </tr>
    </thead>
    <LongRows items={desk.lines} key={(line) => line.article.id} {columns} row_px={44} {row} />
  </table>
</div>
{#if prices}<p>
    {t.sum(money(all), unpriced)}
    {#if desk.supply.pricesOf}{t.pricesOf(dayName(desk.supply.pricesOf))}{/if}
  </p>{/if}
{#if desk.missing.length > 0}<p>{t.notPlanned(desk.missing.join(', '))}</p>{/if}

{#if prices}<MethodCompare {desk} openings={costs.map(({ opening }) => opening)} {money} />{/if}
{#if prices && costs.length > 0}
  <details>
    <summary>{t.perOpening}</summary>
    {#if job.prices?.labour_h === undefined}<p>{t.labourAssumed}</p>{/if}
    {#if byMethod.length > 1}
      <table>
        <caption>{t.perMethod}</caption>
        <thead
          ><tr
            ><th scope="col">{t.costColumns.method}</th><th scope="col">{t.costColumns.openings}</th><th
              scope="col">{t.costColumns.material}</th
            ><th scope="col">{t.costColumns.hours}</th><th scope="col">{t.costColumns.labour}</th><th
              scope="col">{t.costColumns.all}</th
            ></tr
          ></thead
        >
        <tbody>
          {#each byMethod as one (one.method)}
            <tr
              ><th scope="row">{one.method}</th><td class="figure">{one.n}</td><td class="figure"
                >{money(one.material)}</td
              ><td class="figure">{one.hours.toFixed(1)}</td><td class="figure">{money(one.labour)}</td><td
                class="figure">{money(one.material + one.labour)}</td
              ></tr
            >
          {/each}
        </tbody>
      </table>
    {/if}
    <table>
      <thead
        ><tr
          ><th scope="col">{t.costColumns.opening}</th><th scope="col">{t.costColumns.method}</th><th
            scope="col">{t.costColumns.material}</th
          ><th scope="col">{t.costColumns.hours}</th><th scope="col">{t.costColumns.labour}</th><th
            scope="col">{t.costColumns.all}</th
          ></tr
        ></thead
      >
      <tbody>
        {#each costs as { opening, mark, method, cost } (opening)}
          <tr
            ><th scope="row">{mark}</th><td>{method}</td><td class="figure">{money(cost.material)}</td><td
              class="figure">{cost.hours.toFixed(1)}</td
            ><td class="figure">{money(cost.labour ?? 0)}</td><td class="figure"
              >{money(cost.material + (cost.labour ?? 0))}</td
            ></tr
          >
        {/each}
      </tbody>
    </table>
  </details>
{/if}

<style>
  .filters {
    display: flex;
    flex-flow: row wrap;
    gap: var(--gap-3);
    align-items: end;
  }
  label {
    display: grid;
    gap: 2px;
  }
  .scroll {
    overflow-x: auto;
  }
  table {
    border-collapse: collapse;
  }
  th,
  td {
    padding: 4px var(--gap-3) 4px 0;
    border-bottom: 1px solid var(--line);
    text-align: left;
    vertical-align: top;
    font-weight: inherit;
  }
  thead th {
    font-size: 0.9rem;
    font-weight: 600;
  }
  td.figure {
    text-align: right;
    white-space: nowrap;
  }
  .name {
    min-height: 36px;
    padding: 0;
    border: 0;
    background: none;
    color: var(--ink);
    font: inherit;
    font-weight: 600;
    text-align: left;
    cursor: pointer;
  }
  .name:hover {
    text-decoration: underline;
  }
  small {
    color: var(--ink-soft);
    font-weight: 400;
  }
  .bad {
    color: var(--bad);
  }
  ul {
    columns: 2 16rem;
    margin: 0 0 var(--gap-2);
    padding: 0;
    list-style: none;
  }
  li {
    break-inside: avoid;
    /* Thousands of pieces may make one line: what is out of sight is not laid out. */
    content-visibility: auto;
    contain-intrinsic-size: auto 1.6rem;
  }
  caption {
    padding: var(--gap-2) 0;
    text-align: left;
    font-weight: 600;
  }
  @media print {
    .filters {
      display: none;
    }
  }
</style>
