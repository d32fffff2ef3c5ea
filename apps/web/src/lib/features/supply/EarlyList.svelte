<!-- What must be ordered by when; how far each order is, and what was looked at when it came. -->
<script module lang="ts">
  import type { SupplyDesk } from './supply-desk.svelte.ts';

  export interface EarlyListProps {
    desk: SupplyDesk;
  }
</script>

<script lang="ts">
  import { freshId } from '$lib/device/ids.ts';
  import Button from '$lib/ui/Button.svelte';
  import { dateTime, dayName } from '$lib/ui/time.ts';
  import { supplyWords } from '$words/supply.ts';
  import {
    arrivalChecks,
    arrivalTexts,
    articleText,
    earlyTexts,
    orderStates,
    orderStateTexts,
    standingTexts,
    type ArrivalCheck,
    type EarlyLine,
    type OrderState,
  } from '@hulvek/core';

  let { desk }: EarlyListProps = $props();
  const t = supplyWords.early;
  const job = $derived(desk.store.context.job);
  const rows = $derived(desk.early.filter(({ because, order }) => because.length > 0 || order !== null));
  let acting = $state<string | null>(null);
  let happened = $state<OrderState>('ordered');
  let amount = $state('');
  let promised = $state('');
  let words = $state('');
  let lot = $state('');
  let useBy = $state('');
  let looks = $state<Partial<Record<ArrivalCheck, boolean>>>({});
  let problem = $state('');

  const NEXT: Partial<Record<OrderState, OrderState>> = {
    asked: 'ordered',
    ordered: 'promised',
    promised: 'came',
  };
  function act(row: EarlyLine) {
    acting = row.line.article.id;
    happened = (row.state && NEXT[row.state]) ?? 'ordered';
    amount = String(row.line.missing || row.order?.amount || row.line.packs);
    promised = row.promised ?? '';
    [words, lot, useBy, looks, problem] = ['', '', '', {}, ''];
  }

  async function note(event: SubmitEvent, row: EarlyLine) {
    event.preventDefault();
    problem = '';
    const count = Number(amount.replace(',', '.'));
    if (happened === 'promised' && promised === '') problem = t.noDate;
    else if (!(count > 0)) problem = supplyWords.stock.wrong;
    else if (happened === 'came' && Object.values(looks).includes(false)) problem = t.wrongLooks;
    if (problem !== '') return;
    // What came and is not enough is ordered anew, beside it.
    const open = row.order && row.state !== 'came' ? row.order : null;
    const order = open ?? { id: freshId(), article: row.line.article.id, amount: count, events: [] };
    const kept = await desk.note(
      { ...order, amount: count },
      {
        state: happened,
        at: new Date().toISOString(),
        person: desk.store.pack.me.name,
        account: desk.store.pack.me.id,
        ...(happened === 'promised' && { promised }),
        ...(words.trim() !== '' && { note: words.trim() }),
        ...(lot.trim() !== '' && { lot: lot.trim() }),
        ...(useBy !== '' && { useBy }),
        ...(Object.keys(looks).length > 0 && { checks: looks }),
      },
      row.line,
    );
    if (kept) acting = null;
  }
</script>

<p class="lead">{t.lead}</p>
{#if rows.length === 0}<p>{t.none}</p>
{:else}
  <ul class="rows" data-testid="early">
    {#each rows as row (row.line.article.id)}
      {@const { article, terms } = row.line}
      <li data-standing={row.standing}>
        <div class="what">
          <b>{articleText(article, job.units, desk.unitName(article.unit))}</b>
          <span class="quiet"
            >{row.because.map((one) => earlyTexts[one]).join(', ')} · {t.lead_days(terms.lead_days)}</span
          >
        </div>
        <div>
          <small>{t.columns.orderBy}</small>
          <b class="figure">{row.orderBy ? dayName(row.orderBy) : t.noDay}</b>
        </div>
        <div>
          <small>{t.columns.needed}</small>
          {row.needed ? t.neededBy(dayName(row.needed), desk.markOf(row.first ?? '')) : t.noDay}
        </div>
        <div class="standing">
          <b>{standingTexts[row.standing]}</b>
          {#if row.promised && row.state === 'promised'}<span>{t.promisedFor(dayName(row.promised))}</span
            >{/if}
          {#if row.heldUp.length > 0}<span>{t.heldUp(row.heldUp.map(desk.markOf).join(', '))}</span>
            <a href="/jobs/{desk.store.id}/calendar">{t.openCalendar}</a>{/if}
        </div>
        {#if desk.mayEdit}<div class="act">
            <Button
              aria-expanded={acting === article.id}
              onclick={() => (acting === article.id ? (acting = null) : act(row))}>{t.columns.act}</Button
            >
          </div>{/if}
        {#if acting === article.id}
          <form onsubmit={(event) => void note(event, row)}>
            <label
              >{t.state}
              <select bind:value={happened}
                >{#each orderStates as one (one)}<option value={one}>{orderStateTexts[one]}</option
                  >{/each}</select
              ></label
            >
            <label>{t.amount}<input inputmode="decimal" autocomplete="off" bind:value={amount} /></label>
            {#if happened === 'promised'}<label>{t.promised}<input type="date" bind:value={promised} /></label
              >{/if}
            {#if happened === 'came' || happened === 'short'}
              <label>{t.lot}<input maxlength="60" autocomplete="off" bind:value={lot} /></label>
              <label>{t.useBy}<input type="date" bind:value={useBy} /></label>
            {/if}
            {#if article.goods === 'unit' && (happened === 'came' || happened === 'wrong' || happened === 'short')}
              <fieldset>
                <legend>{t.looks}</legend>
                {#each arrivalChecks as check (check)}
                  <label class="check"
                    ><input
                      type="checkbox"
                      checked={looks[check] ?? false}
                      onchange={(event) => (looks = { ...looks, [check]: event.currentTarget.checked })}
                    />{arrivalTexts[check]}</label
                  >
                {/each}
              </fieldset>
            {/if}
            <label class="wide">{t.note}<input maxlength="400" autocomplete="off" bind:value={words} /></label
            >
            {#if problem}<p class="problem wide" role="alert">{problem}</p>{/if}
            <div class="wide"><Button kind="main" type="submit">{t.add}</Button></div>
          </form>
        {/if}
        {#if row.order}
          <ol>
            {#each row.order.events as event, i (i)}
              <li>
                {t.said(orderStateTexts[event.state], dateTime(event.at), event.person)}{#if event.promised}, {t.promisedFor(
                    dayName(event.promised),
                  )}{/if}{#if event.lot}, {t.lot} {event.lot}{/if}{#if event.note}: {event.note}{/if}
              </li>
            {/each}
          </ol>
        {/if}
      </li>
    {/each}
  </ul>
{/if}

<style>
  .lead {
    color: var(--ink-soft);
  }
  .rows {
    display: grid;
    margin: 0;
    padding: 0;
    list-style: none;
  }
  .rows > li {
    display: grid;
    grid-template-columns: minmax(12rem, 2fr) 9rem minmax(9rem, 1fr) minmax(12rem, 1.5fr) auto;
    gap: var(--gap-2) var(--gap-4);
    align-items: start;
    padding: var(--gap-3) 0 var(--gap-3) var(--gap-3);
    border-bottom: 1px solid var(--line);
    border-left: 4px solid transparent;
  }
  li[data-standing='late'],
  li[data-standing='too-late'],
  li[data-standing='wrong'] {
    border-left-color: var(--bad);
  }
  li[data-standing='now'] {
    border-left-color: var(--watch);
  }
  .what,
  .standing {
    display: grid;
  }
  small {
    display: block;
    color: var(--ink-soft);
  }
  form,
  ol {
    grid-column: 1 / -1;
  }
  ol {
    margin: 0;
    padding-left: 1.2rem;
    color: var(--ink-soft);
  }
  form {
    display: grid;
    grid-template-columns: repeat(auto-fill, minmax(11rem, 1fr));
    gap: var(--gap-3);
    padding: var(--gap-3);
    border: 1px solid var(--line);
    border-radius: var(--radius);
  }
  form label {
    display: grid;
    gap: 2px;
  }
  .check {
    display: flex;
    align-items: center;
    min-height: var(--touch);
  }
  .wide,
  fieldset {
    grid-column: 1 / -1;
  }
  @media (max-width: 900px) {
    .rows > li {
      grid-template-columns: minmax(0, 1fr) auto;
    }
    .what,
    .standing {
      grid-column: 1 / -1;
    }
  }
</style>
