<!-- The openings of a façade at once: storeys with as many openings each, their marks as they stand there. -->
<script module lang="ts">
  import type { JobStore } from '$lib/job/job.svelte.ts';
  import type { OpeningsSet } from '$lib/job/openings-set.svelte.ts';

  export interface GridFormProps {
    store: JobStore;
    set: OpeningsSet;
  }
</script>

<script lang="ts">
  import { newOpening } from '$lib/job/openings-set.svelte.ts';
  import Button from '$lib/ui/Button.svelte';
  import LengthField from '$lib/ui/LengthField.svelte';
  import { addWords } from '$words/openings.ts';
  import { asTyped, gridMarks, LONGEST_MARK, problemOfMarks, sameMark } from '@hulvek/core';
  import { untrack } from 'svelte';
  import NewChoices from './NewChoices.svelte';
  import { NewChoice } from './new-choice.svelte.ts';

  let { store, set }: GridFormProps = $props();
  const t = addWords.grid;
  const choice = untrack(() => new NewChoice(store));
  const units = $derived(store.reads);
  const MOST = { storeys: 20, across: 50 };
  let storeys = $state(2);
  let across = $state(4);
  let first = $state('S-101');
  /** Marks that somebody changed, by storey and place. */
  let changed = $state.raw<Readonly<Record<string, string>>>({});
  const whole = (n: number, most: number) => Math.min(most, Math.max(1, Math.round(n) || 1));
  const suggested = $derived(gridMarks(first, whole(across, MOST.across), whole(storeys, MOST.storeys)));
  const rows = $derived(
    suggested.map((row, storey) => row.map((mark, at) => changed[`${storey} ${at}`] ?? mark)),
  );
  const marks = $derived(
    rows
      .flat()
      .map((mark) => mark.trim())
      .filter(Boolean),
  );
  const here = $derived(new Set(store.pack.openings.map(({ document }) => sameMark(document.mark))));
  const taken = $derived(marks.filter((mark) => here.has(sameMark(mark))));
  const wrong = $derived(problemOfMarks(marks));
  const problem = $derived(
    wrong
      ? addWords.marksProblems[wrong]
      : taken.length > 0
        ? addWords.taken(taken.slice(0, 8).join(', '))
        : '',
  );
  let pressed = $state(false);

  /** Usual distances to begin with, round in what is read here. */
  const FOOT_mm = 304.8;
  const USUAL = {
    mm: { left: 1000, apart: 2400, sill: 900, storey: 2800 },
    in: { left: 4 * FOOT_mm, apart: 8 * FOOT_mm, sill: 3 * FOOT_mm, storey: 9 * FOOT_mm },
  } as const;
  let places = $state.raw(
    untrack(() => {
      const { left, apart, sill, storey } = USUAL[units];
      return {
        left: asTyped(left, units),
        apart: asTyped(apart, units),
        sill: asTyped(sill, units),
        storey: asTyped(storey, units),
      };
    }),
  );
  const PLACES = ['left', 'apart', 'sill', 'storey'] as const;

  async function add(event: SubmitEvent) {
    event.preventDefault();
    pressed = true;
    if (problem) return;
    const { left, apart, sill, storey } = places;
    const made = rows.flatMap((row, up) =>
      row.flatMap((typed, at) => {
        const mark = typed.trim();
        if (mark === '') return [];
        const position = {
          u: asTyped(left.mm + at * apart.mm, units),
          v: asTyped(sill.mm + up * storey.mm, units),
        };
        return [newOpening(store, choice.idOf(mark), { mark, ...choice.fields, position })];
      }),
    );
    if (!(await set.add(made))) return;
    choice.stored();
    changed = {};
    pressed = false;
  }
</script>

<form onsubmit={add}>
  <div class="fields">
    <label>{t.storeys}<input type="number" min="1" max={MOST.storeys} bind:value={storeys} /></label>
    <label>{t.across}<input type="number" min="1" max={MOST.across} bind:value={across} /></label>
    <label
      >{t.first}<input
        bind:value={first}
        maxlength={LONGEST_MARK}
        autocomplete="off"
        oninput={() => (changed = {})}
      /></label
    >
  </div>
  <div class="fields">
    {#each PLACES as place (place)}
      <LengthField
        id="grid-{place}"
        keep="{store.id}:grid:{place}"
        label={t[place]}
        value={places[place]}
        unit={units}
        least_mm={place === 'apart' || place === 'storey' ? 300 : 0}
        most_mm={50_000}
        onchange={(value) => {
          if (value) places = { ...places, [place]: value };
        }}
      />
    {/each}
  </div>
  <NewChoices {store} {choice} />
  <fieldset>
    <legend>{t.marks}</legend>
    <p class="quiet">{t.marksNote}</p>
    <div class="wall">
      <table>
        <tbody>
          {#each rows.map((row, storey) => ({ row, storey })).toReversed() as { row, storey } (storey)}
            <tr>
              <th scope="row">{t.storeyName(storey + 1)}</th>
              {#each row as mark, at (at)}
                <td
                  ><input
                    aria-label={t.place(storey + 1, at + 1)}
                    value={mark}
                    maxlength={LONGEST_MARK}
                    autocomplete="off"
                    oninput={(event) =>
                      (changed = { ...changed, [`${storey} ${at}`]: event.currentTarget.value })}
                  /></td
                >
              {/each}
            </tr>
          {/each}
        </tbody>
      </table>
    </div>
  </fieldset>
  {#if pressed && problem}<p class="problem" role="alert">{problem}</p>{/if}
  <Button kind="main" type="submit" disabled={set.busy}
    >{addWords.submit(Math.max(1, marks.length), 0)}</Button
  >
</form>

<style>
  form {
    display: grid;
    gap: var(--gap-4);
    grid-template-columns: minmax(0, 1fr);
    justify-items: start;
  }
  .fields {
    display: grid;
    grid-template-columns: repeat(auto-fit, minmax(min(100%, 17rem), 1fr));
    gap: var(--gap-3);
    width: 100%;
    max-width: 60rem;
  }
  label {
    display: grid;
    gap: var(--gap-1);
    font-weight: 500;
  }
  fieldset {
    width: 100%;
    min-width: 0;
    padding: 0;
    border: 0;
  }
  legend {
    padding: 0;
    font-weight: 600;
  }
  .wall {
    overflow-x: auto;
    padding: var(--gap-1) 0;
  }
  th {
    padding-right: var(--gap-3);
    text-align: left;
    white-space: nowrap;
    font-weight: 500;
  }
  td {
    padding: 2px;
  }
  td input {
    width: 6.5rem;
  }
  .quiet {
    color: var(--ink-soft);
  }
</style>
