<!-- What went into the gap round the unit and came out of it; what the method takes out is told before the opening is handed on. -->
<script module lang="ts">
  import type { FieldLog } from './field.svelte.ts';
  import type { GapThing, LengthUnit } from '@hulvek/core';

  export interface GapLedgerProps {
    step: string;
    things: readonly GapThing[];
    log: FieldLog;
    units: LengthUnit;
  }
</script>

<script lang="ts">
  import Button from '$lib/ui/Button.svelte';
  import { gapPlaceText, gapWords as t } from '$words/install.ts';
  import { formatLength, gapLedger, leftIn, parseLength, sides, standing } from '@hulvek/core';

  let { step, things, log, units }: GapLedgerProps = $props();
  const id = $props.id();
  const rows = $derived(gapLedger(standing(log.entries)));
  let thing = $derived<GapThing>(things[0] ?? 'shim');
  let place = $state('left');
  let count = $state('');
  let thick = $state('');
  const PLACES = [...sides, 'all'] as const;
  const n = $derived(/^\d{1,3}$/.test(count.trim()) ? Number(count) : 0);
  const mm = $derived.by(() => {
    const parsed = parseLength(thick, units);
    return parsed.ok && parsed.value.mm > 0 && parsed.value.mm <= 200 ? parsed.value.mm : null;
  });
  const sound = $derived(n > 0 && n <= 500 && (thick.trim() === '' || mm !== null));

  function keep(sign: 1 | -1) {
    const facts = {
      kind: 'gap' as const,
      thing,
      place,
      count: sign * n,
      ...(mm !== null && sign > 0 && { thick_mm: mm }),
    };
    if (log.add({ kind: 'gap', step, undoes: null, note: '', facts })) [count, thick] = ['', ''];
  }
</script>

<section data-testid="gap">
  <h3>{t.title}</h3>
  {#if rows.length > 0}
    <ul>
      {#each rows as row (row.thing + row.place)}
        <li>
          {t.row(t.things[row.thing], gapPlaceText(row.place), leftIn(row))}{row.came_out > 0
            ? t.rowOut(row.came_out)
            : ''}{row.thick_mm.length > 0
            ? ` (${row.thick_mm.map((one) => formatLength(one, units)).join(', ')})`
            : ''}
        </li>
      {/each}
    </ul>
  {/if}
  {#if log.may('gap')}
    <form
      onsubmit={(event) => {
        event.preventDefault();
        keep(1);
      }}
    >
      <label for="{id}-thing">{t.thing}</label>
      <select id="{id}-thing" bind:value={thing}>
        {#each things as one (one)}<option value={one}>{t.things[one]}</option>{/each}
      </select>
      <label for="{id}-place">{t.place}</label>
      <select id="{id}-place" bind:value={place}>
        {#each PLACES as one (one)}<option value={one}>{t.places[one]}</option>{/each}
      </select>
      <label for="{id}-count">{t.count}</label>
      <input id="{id}-count" class="figure" inputmode="numeric" autocomplete="off" bind:value={count} />
      {#if thing === 'shim' || thing === 'block'}
        <label for="{id}-thick">{t.thick}</label>
        <input id="{id}-thick" class="figure" inputmode="decimal" autocomplete="off" bind:value={thick} />
      {/if}
      <span class="do">
        <Button type="submit" large disabled={!sound}>{t.in}</Button>
        <Button large kind="quiet" disabled={!sound} onclick={() => keep(-1)}>{t.out}</Button>
      </span>
    </form>
  {/if}
</section>

<style>
  ul {
    margin: 0;
    padding-left: 1.1rem;
  }
  form {
    display: grid;
    grid-template-columns: minmax(5.5rem, 1fr) minmax(0, 2fr);
    align-items: center;
    gap: var(--gap-2) var(--gap-3);
  }
  select,
  input {
    width: 100%;
    min-height: var(--touch);
  }
  .do {
    grid-column: 1 / -1;
    display: flex;
    gap: var(--gap-2);
  }
</style>
