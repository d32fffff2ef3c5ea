<!-- What is on the van, and what things cost and how long they take to come. -->
<script module lang="ts">
  import type { SupplyDesk } from './supply-desk.svelte.ts';

  export interface StockProps {
    desk: SupplyDesk;
  }
</script>

<script lang="ts">
  import { freshId } from '$lib/device/ids.ts';
  import Button from '$lib/ui/Button.svelte';
  import { dayName } from '$lib/ui/time.ts';
  import { supplyWords } from '$words/supply.ts';
  import { articleText, formatLength, parseLength, tableOf, type Supply } from '@hulvek/core';
  import { untrack } from 'svelte';
  import { pricesIn } from './price-list.ts';
  import Wraps from './Wraps.svelte';

  let { desk }: StockProps = $props();
  const t = supplyWords.stock;
  const job = $derived(desk.store.context.job);
  const nameOf = (id: string) => {
    const line = desk.all.find(({ article }) => article.id === id);
    return line ? articleText(line.article, job.units, desk.unitName(line.article.unit)) : id;
  };
  let article = $state(untrack(() => desk.all[0]?.article.id ?? ''));
  let amount = $state('1');
  let length = $state('');
  let lot = $state('');
  let useBy = $state('');
  let problem = $state('');
  let said = $state('');

  async function add(event: SubmitEvent) {
    event.preventDefault();
    problem = '';
    const count = Number(amount.replace(',', '.'));
    const left = length.trim() === '' ? null : parseLength(length, desk.store.reads);
    if (!(count > 0) || (left && !left.ok)) {
      problem = t.wrong;
      return;
    }
    const one: Supply['van'][number] = {
      id: freshId(),
      article,
      amount: count,
      ...(left?.ok && { length_mm: left.value.mm }),
      ...(lot.trim() !== '' && { lot: lot.trim() }),
      ...(useBy !== '' && { useBy }),
    };
    if (await desk.put({ ...desk.supply, van: [...desk.supply.van, one] }))
      [length, lot, useBy] = ['', '', ''];
  }

  const remove = (id: string) =>
    void desk.put({ ...desk.supply, van: desk.supply.van.filter((one) => one.id !== id) });

  /** `along` and `across` are of boards. */
  type Typed = { price: string; lead_days: string; pack: string; along: string; across: string };
  const asTypedLength = (mm: number) => formatLength(mm, desk.store.reads);
  const lengthIn = (text: string): number | undefined => {
    const read = text.trim() === '' ? null : parseLength(text, desk.store.reads);
    return read === null ? undefined : read.ok ? read.value.mm : NaN;
  };
  /** Rolls and bars come by their length, tubes by millilitres, the rest by the piece. */
  const isByLength = (id: string) => {
    const form = desk.all.find(({ article: one }) => one.id === id)?.article.form;
    return form === 'roll' || form === 'bar';
  };
  const typedOf = (id: string): Typed => {
    const own = desk.supply.articles.find((one) => one.id === id);
    return {
      price: own?.price === undefined ? '' : String(own.price),
      lead_days: own?.lead_days === undefined ? '' : String(own.lead_days),
      pack: own?.pack === undefined ? '' : isByLength(id) ? asTypedLength(own.pack) : String(own.pack),
      along: own?.sheet ? asTypedLength(own.sheet[0]) : '',
      across: own?.sheet ? asTypedLength(own.sheet[1]) : '',
    };
  };
  let typed = $state(
    untrack(() => Object.fromEntries(desk.all.map(({ article: { id } }) => [id, typedOf(id)]))),
  ) as Record<string, Typed>;
  let pricesOf = $state(untrack(() => desk.supply.pricesOf ?? ''));

  async function keep(event: SubmitEvent) {
    event.preventDefault();
    problem = said = '';
    const figure = (text: string) => (text.trim() === '' ? undefined : Number(text.replace(',', '.')));
    const others = desk.supply.articles.filter(({ id }) => !(id in typed));
    const own = Object.entries(typed).flatMap(([id, one]): Supply['articles'] => {
      const [price, lead_days] = [figure(one.price), figure(one.lead_days)];
      const pack = isByLength(id) ? lengthIn(one.pack) : figure(one.pack);
      const [along, across] = [lengthIn(one.along), lengthIn(one.across)];
      const few = desk.supply.articles.find((known) => known.id === id)?.few;
      const entered = {
        ...(price !== undefined && { price }),
        ...(lead_days !== undefined && { lead_days }),
        ...(pack !== undefined && { pack }),
        ...(few !== undefined && { few }),
        ...(along !== undefined && across !== undefined && { sheet: [along, across] as [number, number] }),
      };
      return Object.keys(entered).length > 0 ? [{ id, ...entered }] : [];
    });
    const sound = own.every(
      ({ price = 0, lead_days = 0, pack = 1, sheet = [1000, 1000] }) =>
        sheet.every((mm) => mm >= 100 && mm <= 4000) &&
        price >= 0 &&
        Number.isInteger(lead_days) &&
        lead_days >= 0 &&
        lead_days <= 400 &&
        pack > 0,
    );
    if (!sound) {
      problem = t.wrong;
      return;
    }
    const { pricesOf: _before, ...rest } = desk.supply;
    const kept = await desk.put({
      ...rest,
      articles: [...others, ...own],
      ...(pricesOf !== '' && { pricesOf }),
    });
    if (kept) said = supplyWords.saved;
  }

  async function read(event: Event & { currentTarget: HTMLInputElement }) {
    const [file] = event.currentTarget.files ?? [];
    problem = said = '';
    if (!file) return;
    const { prices, others } = pricesIn(
      tableOf(await file.text()),
      desk.all.map((line) => ({ id: line.article.id, name: nameOf(line.article.id) })),
    );
    if (prices.size === 0) problem = t.notRead;
    else {
      for (const [id, price] of prices) if (typed[id]) typed[id].price = String(price);
      said = t.imported(prices.size, others);
    }
    event.currentTarget.value = '';
  }
</script>

<p class="lead">{t.lead}</p>
{#if desk.supply.van.length === 0}<p>{t.empty}</p>
{:else}
  <ul data-testid="van">
    {#each desk.supply.van as one (one.id)}
      <li>
        <b>{nameOf(one.article)}</b>
        <span class="figure"
          >{one.amount}{one.length_mm === undefined
            ? ''
            : ` × ${formatLength(one.length_mm, desk.store.reads)}`}</span
        >
        {#if one.lot}<span>{t.lot} {one.lot}</span>{/if}
        {#if one.useBy}<span class:bad={one.useBy < desk.today}
            >{t.useBy} {dayName(one.useBy)}{one.useBy < desk.today ? `: ${t.expired}` : ''}</span
          >{/if}
        <Button kind="quiet" onclick={() => remove(one.id)}>{t.remove}</Button>
      </li>
    {/each}
  </ul>
{/if}
<form class="add" onsubmit={(event) => void add(event)}>
  <label
    >{t.article}
    <select bind:value={article}
      >{#each desk.all as { article: { id } } (id)}<option value={id}>{nameOf(id)}</option>{/each}</select
    ></label
  >
  <label>{t.amount}<input inputmode="decimal" autocomplete="off" bind:value={amount} /></label>
  <label>{t.length}<input autocomplete="off" bind:value={length} /></label>
  <label>{t.lot}<input maxlength="60" autocomplete="off" bind:value={lot} /></label>
  <label>{t.useBy}<input type="date" bind:value={useBy} /></label>
  <Button type="submit">{t.add}</Button>
</form>
{#if problem}<p class="problem" role="alert">{problem}</p>{/if}
{#if said}<p role="status">{said}</p>{/if}

<form onsubmit={(event) => void keep(event)}>
  <h2>{t.terms}</h2>
  <label class="day">{t.priceDay}<input type="date" bind:value={pricesOf} /></label>
  <label class="day">{t.importCsv}<input type="file" accept=".csv,.tsv,.txt" onchange={read} /></label>
  <div class="scroll">
    <table>
      <thead
        ><tr
          ><th scope="col">{t.article}</th><th scope="col"
            >{t.price}{job.currency ? `, ${job.currency}` : ''}</th
          ><th scope="col">{t.lead_days}</th><th scope="col">{t.pack}</th></tr
        ></thead
      >
      <tbody>
        {#each desk.all as { article: { id, form }, terms } (id)}
          {#if typed[id]}
            <tr>
              <th scope="row">{nameOf(id)}</th>
              <td
                ><input
                  inputmode="decimal"
                  autocomplete="off"
                  aria-label="{t.price}, {nameOf(id)}"
                  bind:value={typed[id].price}
                /></td
              >
              <td
                ><input
                  inputmode="numeric"
                  autocomplete="off"
                  placeholder={String(terms.lead_days)}
                  aria-label="{t.lead_days}, {nameOf(id)}"
                  bind:value={typed[id].lead_days}
                /></td
              >
              <td>
                {#if form === 'board'}
                  {#each ['along', 'across'] as const as way (way)}
                    <input
                      autocomplete="off"
                      placeholder={asTypedLength(
                        way === 'along' ? (terms.lengths_mm[0] ?? 0) : terms.across_mm,
                      )}
                      aria-label="{t.sheet[way]}, {nameOf(id)}"
                      bind:value={typed[id][way]}
                    />
                  {/each}
                {:else}<input
                    inputmode="decimal"
                    autocomplete="off"
                    placeholder={isByLength(id)
                      ? terms.lengths_mm.map(asTypedLength).join(', ')
                      : form === 'volume'
                        ? `${terms.pack} ml`
                        : String(terms.pack)}
                    aria-label="{t.pack}, {nameOf(id)}"
                    bind:value={typed[id].pack}
                  />{/if}
              </td>
            </tr>
          {/if}
        {/each}
      </tbody>
    </table>
  </div>
  <Button type="submit" kind="main">{t.save}</Button>
</form>
<Wraps {desk} />

<style>
  .lead {
    color: var(--ink-soft);
  }
  ul {
    display: grid;
    margin: 0;
    padding: 0;
    list-style: none;
  }
  li {
    display: flex;
    flex-flow: row wrap;
    gap: var(--gap-2) var(--gap-4);
    align-items: center;
    border-bottom: 1px solid var(--line);
  }
  .bad {
    color: var(--bad);
  }
  .add {
    display: flex;
    flex-flow: row wrap;
    gap: var(--gap-3);
    align-items: end;
  }
  label {
    display: grid;
    gap: 2px;
  }
  .day {
    max-width: 24rem;
  }
  form {
    display: grid;
    gap: var(--gap-3);
    justify-items: start;
  }
  .scroll {
    max-width: 100%;
    overflow-x: auto;
  }
  table {
    border-collapse: collapse;
  }
  th,
  td {
    padding: 2px var(--gap-3) 2px 0;
    text-align: left;
    font-weight: inherit;
  }
  td input {
    width: 7rem;
  }
</style>
