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
  import Button from '$lib/ui/Button.svelte';
  import { addWords, changeWords } from '$words/openings.ts';
  import type { OpeningDocument } from '@hulvek/core';

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

  async function apply(event: SubmitEvent) {
    event.preventDefault();
    const wanted = {
      ...(wall && { wall: wall as OpeningDocument['wall'] }),
      ...(unit && { unit: unit as OpeningDocument['unit'] }),
      ...(method && { method: method as OpeningDocument['method'] }),
      ...(facade.trim() && { facade: facade.trim() }),
    };
    const done = await set.change(chosen, (document) => {
      const next = { ...document, ...wanted };
      return Object.entries(wanted).some(([key, value]) => document[key as keyof typeof document] !== value)
        ? next
        : document;
    });
    if (done) wall = unit = method = facade = '';
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
      {@render choice(addWords.wall, store.context.walls, wall, (id) => (wall = id))}
      {@render choice(addWords.unit, store.context.units, unit, (id) => (unit = id))}
      {@render choice(addWords.method, store.context.methods, method, (id) => (method = id))}
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

{#snippet choice(
  label: string,
  list: readonly { readonly id: string; readonly name: string }[],
  value: string,
  put: (id: string) => void,
)}
  <label
    >{label}
    <select {value} onchange={(event) => put(event.currentTarget.value)}>
      <option value="">{changeWords.keep}</option>
      {#each list as one (one.id)}<option value={one.id}>{one.name}</option>{/each}
    </select></label
  >
{/snippet}

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
  select,
  input {
    width: 11rem;
  }
</style>
