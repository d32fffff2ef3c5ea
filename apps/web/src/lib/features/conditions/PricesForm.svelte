<script module lang="ts">
  import type { JobStore } from '$lib/job/job.svelte.ts';

  export interface PricesFormProps {
    store: JobStore;
  }
</script>

<script lang="ts">
  import Button from '$lib/ui/Button.svelte';
  import { pickParts, wrongPlaces } from '$lib/contract/site-parts.ts';
  import { conditionText } from '$words/conditions.ts';
  import { priceIds, priceTexts, USUAL_PRICES, type PriceId } from '@hulvek/core';
  import { untrack } from 'svelte';

  let { store }: PricesFormProps = $props();
  const t = conditionText.prices;
  const job = $derived(store.context.job);
  const mayEdit = $derived(store.pack.rights.includes('settings'));
  let typed = $state(
    untrack(() => Object.fromEntries(priceIds.map((id) => [id, String(job.prices?.[id] ?? '')]))),
  ) as Record<PriceId, string>;
  let currency = $state(untrack(() => job.currency ?? ''));
  let problem = $state('');
  let saved = $state(false);

  async function save(event: SubmitEvent) {
    event.preventDefault();
    saved = false;
    const prices = Object.fromEntries(
      priceIds.flatMap((id) => {
        const bare = typed[id].trim();
        return bare === '' ? [] : [[id, Number(bare.replace(',', '.'))]];
      }),
    );
    const money = currency.trim().toUpperCase();
    const change = {
      ...(Object.keys(prices).length > 0 && { prices }),
      ...(money !== '' && { currency: money }),
    };
    const [wrong] = wrongPlaces(change);
    if (wrong?.[0] === 'currency') {
      problem = t.currencyWrong;
      return;
    }
    if (wrong) {
      const id = priceIds.find((name) => name === wrong[1]);
      problem = t.wrong(id ? priceTexts[id].name : t.item);
      return;
    }
    problem = await store.put('site', { was: pickParts(job, ['prices', 'currency']), change });
    saved = problem === '';
  }
</script>

<form onsubmit={save} data-testid="prices">
  <fieldset disabled={!mayEdit}>
    <h2>{t.title}</h2>
    <p>{t.lead}</p>
    <label>
      {t.currency}
      <input maxlength="3" autocomplete="off" autocapitalize="characters" bind:value={currency} />
      <small>{t.currencyHint}</small>
    </label>
    <div class="scroll">
      <table>
        <thead>
          <tr>
            <th scope="col">{t.item}</th><th scope="col">{t.per}</th><th scope="col">{t.own}</th>
            <th scope="col">{t.usual}</th>
          </tr>
        </thead>
        <tbody>
          {#each priceIds as id (id)}
            <tr>
              <th scope="row">{priceTexts[id].name}</th>
              <td>{priceTexts[id].unit}</td>
              <td
                ><input
                  class="figure"
                  autocomplete="off"
                  inputmode="decimal"
                  aria-label={priceTexts[id].name}
                  bind:value={typed[id]}
                /></td
              >
              <td class="usual">{USUAL_PRICES[id].toFixed(2)}</td>
            </tr>
          {/each}
        </tbody>
      </table>
    </div>
    {#if problem}<p class="problem" role="alert">{problem}</p>{/if}
    {#if saved}<p role="status">{conditionText.saved}</p>{/if}
    <div><Button type="submit">{conditionText.save}</Button></div>
  </fieldset>
</form>

<style>
  fieldset {
    display: grid;
    grid-template-columns: minmax(0, 1fr);
    gap: var(--gap-3);
    border: 0;
    padding: 0;
    min-width: 0;
  }
  fieldset > p {
    color: var(--ink-soft);
  }
  .scroll {
    position: relative;
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
  thead th {
    font-size: 0.9rem;
    font-weight: 600;
  }
  input {
    width: 6.5rem;
  }
  .usual {
    font-family: var(--mono);
    color: var(--ink-soft);
    text-align: right;
  }
</style>
