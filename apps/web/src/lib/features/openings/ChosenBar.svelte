<script module lang="ts">
  import type { JobStore } from '$lib/job/job.svelte.ts';
  import type { OpeningsSet } from '$lib/job/openings-set.svelte.ts';

  export interface ChosenBarProps {
    store: JobStore;
    set: OpeningsSet;
    /** Ids of the openings that are chosen. */
    chosen: readonly string[];
    onclear: () => void;
  }
</script>

<script lang="ts">
  import ChoiceField from '$lib/ui/ChoiceField.svelte';
  import Button from '$lib/ui/Button.svelte';
  import { addWords, changeWords } from '$words/openings.ts';
  import type { Opening } from '@hulvek/core';

  let { store, set, chosen, onclear }: ChosenBarProps = $props();
  /** What is put for all of them; empty leaves each as it is. */
  let wall = $state('');
  let unit = $state('');
  let method = $state('');
  let facade = $state('');
  let asking = $state(false);
  const recorded = $derived(
    store.pack.openings.filter(
      ({ document, entries, readings }) =>
        chosen.includes(document.id) && entries.length + readings.length > 0,
    ).length,
  );
  const marks = $derived(
    store.names.flatMap(({ id, mark }) => (chosen.includes(id) ? [mark] : [])).slice(0, 8),
  );

  function apply(event: SubmitEvent) {
    event.preventDefault();
    const wanted = {
      ...(wall && { wall }),
      ...(unit && { unit }),
      ...(method && { method }),
      ...(facade.trim() && { facade: facade.trim() }),
    } as Partial<Opening>;
    set.apply(chosen, (opening) => ({ ...opening, ...wanted }));
    wall = unit = method = facade = '';
  }

  async function remove() {
    if (await set.remove(chosen)) onclear();
    asking = false;
  }
</script>

<div class="bar" aria-label={changeWords.set} role="group">
  <b>{changeWords.chosen(chosen.length)}</b>
  {#if asking}
    <p>{changeWords.removeAsk(marks.join(', ') + (chosen.length > marks.length ? ' …' : ''), recorded)}</p>
    <Button kind="main" disabled={set.busy} onclick={() => void remove()}>{changeWords.remove}</Button>
    <Button onclick={() => (asking = false)}>{changeWords.cancel}</Button>
  {:else}
    <form onsubmit={apply}>
      <ChoiceField
        label={addWords.wall}
        items={store.context.walls}
        value={wall}
        empty={changeWords.keep}
        onchoose={(id) => (wall = id)}
      />
      <ChoiceField
        label={addWords.unit}
        items={store.context.units}
        value={unit}
        empty={changeWords.keep}
        onchoose={(id) => (unit = id)}
      />
      <ChoiceField
        label={addWords.method}
        items={store.context.methods}
        value={method}
        empty={changeWords.keep}
        onchoose={(id) => (method = id)}
      />
      <label
        >{addWords.facade}<input
          bind:value={facade}
          maxlength="60"
          placeholder={changeWords.keep}
          autocomplete="off"
        /></label
      >
      <Button kind="main" type="submit" disabled={set.busy || !(wall || unit || method || facade.trim())}
        >{changeWords.apply}</Button
      >
    </form>
    <Button onclick={() => (asking = true)}>{changeWords.remove}</Button>
  {/if}
</div>

<style>
  .bar,
  form {
    display: flex;
    flex-flow: row wrap;
    align-items: end;
    gap: var(--gap-3);
  }
  .bar {
    padding: var(--gap-3);
    border-left: 4px solid var(--rust);
    background: var(--sand);
  }
  .bar > b,
  .bar > p {
    align-self: center;
  }
  label {
    display: grid;
    gap: var(--gap-1);
    font-size: 0.9rem;
    font-weight: 500;
  }
  input {
    width: 11rem;
  }
</style>
