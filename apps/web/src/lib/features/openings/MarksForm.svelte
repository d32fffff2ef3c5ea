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
  import { freshId } from '$lib/device/ids.ts';
  import { copyOfOpening, newOpening } from '$lib/job/openings-set.svelte.ts';
  import ChoiceField from '$lib/ui/ChoiceField.svelte';
  import Button from '$lib/ui/Button.svelte';
  import { addWords } from '$words/openings.ts';
  import { marksIn, nextMark, sameMark, type OpeningDocument } from '@hulvek/core';
  import { untrack } from 'svelte';

  let { store, set, copies = false, of = '', onadded }: MarksFormProps = $props();
  const context = $derived(store.context);
  const openings = $derived(store.pack.openings.map(({ document }) => document));
  let original = $state(untrack(() => of));
  const source = $derived(openings.find(({ id }) => id === original) ?? openings.at(-1) ?? null);
  let marks = $state(untrack(() => suggestion()));
  let name = $state('');
  let facade = $state('');
  /** What somebody chose here; the usual ones of the job until then. */
  let chosen = $state.raw<{ unit?: string; wall?: string; method?: string }>({});
  const unit = $derived(chosen.unit ?? context.job.usual?.unit ?? '');
  const wall = $derived(chosen.wall ?? context.job.usual?.wall ?? context.walls[0]?.id ?? '');
  const method = $derived(chosen.method ?? context.job.usual?.method ?? context.methods[0]?.id ?? '');
  let pressed = $state(false);
  /** Ids belong to marks: pressed twice, or sent again after a lost answer, nothing is added twice. */
  const ids = new Map<string, string>();
  const idOf = (mark: string): string => {
    const id = ids.get(sameMark(mark)) ?? `opening-${freshId().slice(0, 13)}`;
    ids.set(sameMark(mark), id);
    return id;
  };

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
  const facades = $derived([...new Set(openings.map((o) => o.facade).filter(Boolean))]);

  async function add(event: SubmitEvent) {
    event.preventDefault();
    pressed = true;
    if (problem) return;
    const made = read.marks.map((mark): OpeningDocument =>
      copies && source
        ? copyOfOpening(source, idOf(mark), mark)
        : newOpening(store, idOf(mark), {
            mark,
            name: name.trim(),
            facade: facade.trim(),
            unit: (unit || null) as OpeningDocument['unit'],
            wall: (wall || null) as OpeningDocument['wall'],
            method: (method || null) as OpeningDocument['method'],
          }),
    );
    if (!(await set.add(made))) return;
    ids.clear();
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
    <div class="grid">
      <label>{addWords.name}<input bind:value={name} maxlength="120" autocomplete="off" /></label>
      <label
        >{addWords.facade}<input
          bind:value={facade}
          maxlength="60"
          list="facades"
          autocomplete="off"
        /></label
      >
      <ChoiceField
        label={addWords.unit}
        items={context.units}
        value={unit}
        empty={addWords.later}
        onchoose={(id) => (chosen = { ...chosen, unit: id })}
      />
      <ChoiceField
        label={addWords.wall}
        items={context.walls}
        value={wall}
        empty={addWords.later}
        onchoose={(id) => (chosen = { ...chosen, wall: id })}
      />
      <ChoiceField
        label={addWords.method}
        items={context.methods}
        value={method}
        empty={addWords.later}
        onchoose={(id) => (chosen = { ...chosen, method: id })}
      />
    </div>
    <datalist id="facades"
      >{#each facades as one (one)}<option value={one}></option>{/each}</datalist
    >
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
  .grid {
    display: grid;
    grid-template-columns: repeat(auto-fit, minmax(min(100%, 14rem), 1fr));
    gap: var(--gap-3);
    width: 100%;
  }
  .quiet {
    color: var(--ink-soft);
  }
</style>
