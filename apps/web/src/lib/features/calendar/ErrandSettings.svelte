<script module lang="ts">
  import type { Calendar } from '@hulvek/core';

  export interface ErrandSettingsProps {
    errands: NonNullable<Calendar['errands']>;
    facades: readonly string[];
    onchange: (errands: NonNullable<Calendar['errands']>) => void;
  }
</script>

<script lang="ts">
  import Button from '$lib/ui/Button.svelte';
  import { calendarWords, holdTexts } from '$words/calendar.ts';
  import { tradeHolds, type TradeHold } from '@hulvek/core';

  let { errands, facades, onchange }: ErrandSettingsProps = $props();
  const t = calendarWords.settings;
  type Errand = NonNullable<Calendar['errands']>[number];
  /** Changed at one place; what is emptied is left out. */
  function set(i: number, change: Partial<Record<keyof Errand, unknown>>) {
    onchange(
      errands.map((errand, k) =>
        k === i
          ? (Object.fromEntries(
              Object.entries({ ...errand, ...change }).filter(
                ([, value]) => value !== undefined && value !== '',
              ),
            ) as Errand)
          : errand,
      ),
    );
  }
  function add() {
    let n = errands.length + 1;
    while (errands.some(({ id }) => id === `e${n}`)) n++;
    onchange([...errands, { id: `e${n}`, name: '', minutes: 60, people: 2 }]);
  }
</script>

<b>{t.errands}</b>
{#each errands as errand, i (errand.id)}
  <div class="entry">
    <label
      >{t.errand}
      <input required value={errand.name} oninput={(e) => set(i, { name: e.currentTarget.value })} /></label
    >
    <label
      >{t.errandMinutes}
      <input
        type="number"
        min="1"
        max="2400"
        required
        value={errand.minutes}
        oninput={(e) => set(i, { minutes: e.currentTarget.valueAsNumber })}
      /></label
    >
    <label
      >{t.errandPeople}
      <input
        type="number"
        min="1"
        max="10"
        required
        value={errand.people}
        oninput={(e) => set(i, { people: e.currentTarget.valueAsNumber })}
      /></label
    >
    <label
      >{t.errandFacade}
      <select value={errand.facade ?? ''} onchange={(e) => set(i, { facade: e.currentTarget.value })}>
        <option value="">{t.everywhere}</option>
        {#each facades as facade (facade)}<option value={facade}>{facade}</option>{/each}
      </select></label
    >
    <label
      >{t.notBefore}
      <input
        type="date"
        value={errand.on ?? ''}
        onchange={(e) => set(i, { on: e.currentTarget.value })}
      /></label
    >
    <label
      >{t.holds}
      <select
        value={errand.holds ?? ''}
        onchange={(e) => set(i, { holds: (e.currentTarget.value || undefined) as TradeHold | undefined })}
      >
        <option value="">{t.holdsNothing}</option>
        {#each tradeHolds as hold (hold)}<option value={hold}>{holdTexts[hold]}</option>{/each}
      </select></label
    >
    <label class="check"
      ><input
        type="checkbox"
        checked={errand.done === true}
        onchange={(e) => set(i, { done: e.currentTarget.checked || undefined })}
      />{t.errandDone}</label
    >
    <Button kind="quiet" onclick={() => onchange(errands.filter((_, k) => k !== i))}>{t.remove}</Button>
  </div>
{/each}
<Button onclick={add}>{t.addErrand}</Button>

<style>
  .entry {
    display: flex;
    flex-flow: row wrap;
    align-items: center;
    gap: var(--gap-2) var(--gap-3);
    padding: var(--gap-2) 0;
    border-bottom: 1px solid var(--line);
  }
  label:not(.check) {
    display: grid;
  }
  input[type='number'] {
    width: 5.5rem;
  }
  .check {
    display: inline-flex;
    align-items: center;
    gap: var(--gap-1);
    min-height: 32px;
    font-weight: 400;
  }
  .check input {
    width: 18px;
    min-height: 18px;
  }
  b {
    font-size: 1.05rem;
    font-weight: 600;
  }
</style>
