<script module lang="ts">
  import type { JobStore } from '$lib/job/job.svelte.ts';
  import type { OpeningsSet } from '$lib/job/openings-set.svelte.ts';

  export interface MarksFormProps {
    store: JobStore;
    set: OpeningsSet;
    /** As copies of an opening that is here, instead of from nothing. */
    copies?: boolean;
    /** The opening that is copied to begin with. */
    of?: string;
    onadded: (ids: readonly string[]) => void;
  }
</script>

<script lang="ts">
  import { copyOfOpening, newOpening } from '$lib/job/openings-set.svelte.ts';
  import Button from '$lib/ui/Button.svelte';
  import { addWords } from '$words/openings.ts';
  import { marksIn, nextMark, sameMark, type OpeningDocument } from '@hulvek/core';
  import { untrack } from 'svelte';
  import NewChoices from './NewChoices.svelte';
  import { NewChoice } from './new-choice.svelte.ts';

  let { store, set, copies = false, of = '', onadded }: MarksFormProps = $props();
  const openings = $derived(store.pack.openings.map(({ document }) => document));
  let original = $state(untrack(() => of));
  const source = $derived(openings.find(({ id }) => id === original) ?? openings.at(-1) ?? null);
  let marks = $state(untrack(() => suggestion()));
  const choice = untrack(() => new NewChoice(store));
  let pressed = $state(false);
  function suggestion(): string {
    const all = store.pack.openings.map(({ document }) => document);
    const from = all.find(({ id }) => id === of) ?? all.at(-1);
    return copies && from
      ? nextMark(
          from.mark,
          all.map(({ mark }) => mark),
        )
      : '';
  }

  const read = $derived(marksIn(marks));
  const taken = $derived(
    read.marks.filter((mark) => openings.some((other) => sameMark(other.mark) === sameMark(mark))),
  );
  const problem = $derived(
    read.problem
      ? addWords.marksProblems[read.problem]
      : taken.length > 0
        ? addWords.taken(taken.slice(0, 8).join(', '))
        : '',
  );

  async function add(event: SubmitEvent) {
    event.preventDefault();
    pressed = true;
    if (problem) return;
    const made = read.marks.map((mark): OpeningDocument =>
      copies && source
        ? copyOfOpening(source, choice.idOf(mark), mark)
        : newOpening(store, choice.idOf(mark), { mark, ...choice.fields }),
    );
    if (!(await set.add(made))) return;
    choice.stored();
    marks = '';
    pressed = false;
    onadded(made.map(({ id }) => id));
  }
</script>

<form onsubmit={add}>
  {#if copies}
    <label
      >{addWords.of}
      <select value={source?.id ?? ''} onchange={(event) => (original = event.currentTarget.value)}>
        {#each openings as one (one.id)}<option value={one.id}>{one.mark} {one.name}</option>{/each}
      </select></label
    >
    <p class="quiet">{addWords.copiesNote}</p>
  {/if}
  <label
    >{addWords.marks}<input
      bind:value={marks}
      autocomplete="off"
      maxlength="4000"
      aria-describedby="marks-hint"
      aria-invalid={pressed && problem !== ''}
    /></label
  >
  <p id="marks-hint" class="quiet">{addWords.marksHint}</p>
  {#if pressed && problem}<p class="problem" role="alert">{problem}</p>{/if}
  {#if !copies}
    <NewChoices {store} {choice} />
  {/if}
  <Button kind="main" type="submit" disabled={set.busy || (copies && !source)}
    >{addWords.submit(Math.max(1, read.marks.length), 0)}</Button
  >
</form>

<style>
  form {
    display: grid;
    gap: var(--gap-3);
    grid-template-columns: minmax(0, 1fr);
    max-width: 46rem;
    justify-items: start;
  }
  label {
    display: grid;
    gap: var(--gap-1);
    width: 100%;
    font-weight: 500;
  }
  .quiet {
    color: var(--ink-soft);
  }
</style>
