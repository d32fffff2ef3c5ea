<!-- What the list, the hours and the money would be with another method; nothing is changed by it. -->
<script module lang="ts">
  import type { SupplyDesk } from './supply-desk.svelte.ts';

  export interface MethodCompareProps {
    desk: SupplyDesk;
    /** Openings that the list is of. */
    openings: readonly string[];
    money: (sum: number) => string;
  }
</script>

<script lang="ts">
  import { supplyWords } from '$words/supply.ts';
  import { amountText, articleText } from '@hulvek/core';
  import type { MethodChange } from './supply-desk.svelte.ts';

  let { desk, openings, money }: MethodCompareProps = $props();
  const t = supplyWords.compare;
  let method = $state('');
  let change = $state.raw<MethodChange | null>(null);
  let working = $state(false);
  const units = $derived(desk.store.reads);
  const sum = $derived((change?.lines ?? []).reduce((all, { cost }) => all + (cost ?? 0), 0));
  const unpriced = $derived((change?.lines ?? []).filter(({ cost }) => cost === null).length);

  async function ask() {
    change = null;
    if (method === '') return;
    working = true;
    const asked = method;
    const found = await desk.withMethod(asked, openings);
    if (asked === method) change = found;
    working = false;
  }
</script>

<details>
  <summary>{t.title}</summary>
  <label
    >{t.method}
    <select bind:value={method} onchange={() => void ask()}
      ><option value="">{t.choose}</option>{#each desk.store.context.methods as { id, name } (id)}<option
          value={id}>{name}</option
        >{/each}</select
    ></label
  >
  {#if working}<p role="status">{t.working}</p>{/if}
  {#if change}
    {#if change.lines.length === 0}<p>{t.same}</p>
    {:else}
      <table data-testid="compare">
        <thead
          ><tr
            ><th scope="col">{supplyWords.columns.article}</th><th scope="col">{t.before}</th><th scope="col"
              >{t.after}</th
            ><th scope="col">{supplyWords.columns.cost}</th></tr
          ></thead
        >
        <tbody>
          {#each change.lines as { article, before, after, cost } (article.id)}
            <tr>
              <th scope="row"
                >{articleText(article, desk.store.context.job.units, desk.unitName(article.unit))}</th
              >
              <td class="figure">{before === 0 ? '' : amountText(article, before, units)}</td>
              <td class="figure">{after === 0 ? '' : amountText(article, after, units)}</td>
              <td class="figure"
                >{cost === null ? supplyWords.noPrice : `${cost < 0 ? '−' : '+'}${money(Math.abs(cost))}`}</td
              >
            </tr>
          {/each}
        </tbody>
      </table>
    {/if}
    <p>{t.sum(`${sum < 0 ? '−' : '+'}${money(Math.abs(sum))}`, unpriced, change.hours)}</p>
    {#if change.unplanned > 0}<p>{t.unplanned(change.unplanned)}</p>{/if}
  {/if}
</details>

<style>
  label {
    display: grid;
    max-width: 24rem;
  }
  th,
  td {
    padding: var(--gap-1) var(--gap-3) var(--gap-1) 0;
    text-align: left;
    font-weight: inherit;
  }
</style>
