<script module lang="ts">
  import type { LengthUnit, Unit } from '@hulvek/core';

  export interface UnitEditorProps {
    /** `null` for a new one. */
    unit: Unit | null;
    units: LengthUnit;
    mayEdit: boolean;
    /** Resolves to a sentence when the server would not take it. */
    onsave: (unit: Unit, was: Unit | null) => Promise<string>;
  }
</script>

<script lang="ts">
  import Button from '$lib/ui/Button.svelte';
  import { freshId } from '$lib/device/ids.ts';
  import {
    newUnitForm,
    unitForm,
    unitFromForm,
    withUnit,
    type UnitField,
    type UnitProblems,
  } from './unit-form.ts';
  import { unitsWords } from '$words/units.ts';
  import { axes, choiceText } from '@hulvek/core';
  import { untrack } from 'svelte';

  let { unit, units, mayEdit, onsave }: UnitEditorProps = $props();
  let form = $state(untrack(() => (unit ? unitForm(unit, units) : newUnitForm(units))));
  let problems = $state.raw<UnitProblems>({});
  /** What the typing started from: what others change meanwhile is not overwritten unseen. */
  const base = untrack(() => unit);
  let refused = $state('');
  const id = untrack(() => unit?.id ?? `unit-${freshId()}`);

  const GROUPS: readonly { name: keyof typeof unitsWords.groups; fields: readonly UnitField[] }[] = [
    { name: 'size', fields: ['name', 'operation', 'shape', 'width', 'height', 'frameDepth', 'frameFace'] },
    { name: 'fin', fields: ['finKind', 'finWidth', 'holeFromFrame', 'fromFront', 'holePitch'] },
    { name: 'parts', fields: ['hinge', 'mullions', 'threshold', 'frameMaterial'] },
    {
      name: 'glass',
      fields: [
        'panes',
        'weight_kg',
        'waterTest_Pa',
        'rating',
        'uFactor',
        'frameU',
        'glassU',
        'spacerPsi',
        'shgc',
        'madeAt_m',
      ],
    },
    { name: 'maker', fields: ['foam', 'leastGap', 'largestGap', 'fasteners', 'fastener_N'] },
    { name: 'asks', fields: ['asksBedding', 'asksPan', 'asksTapeEdge', 'asksBottomFin', 'asksSource'] },
  ];
  const named = (axis: 'bedding' | 'pan' | 'tapeEdge' | 'bottomFin') =>
    Object.fromEntries(axes[axis].map((choice) => [choice, choiceText(axis, choice).name]));
  const choices: Partial<Record<UnitField, Readonly<Record<string, string>>>> = {
    ...unitsWords.choices,
    asksBedding: named('bedding'),
    asksPan: named('pan'),
    asksTapeEdge: named('tapeEdge'),
    asksBottomFin: named('bottomFin'),
  };

  /** A bare figure gets the unit it was typed in. */
  function settle(field: UnitField) {
    form[field] = withUnit(field, form[field], units);
  }

  async function save(event: SubmitEvent) {
    event.preventDefault();
    const read = unitFromForm(id, form, units, base);
    problems = read.ok ? {} : read.problems;
    if (!read.ok) {
      const [first] = Object.keys(read.problems);
      document.getElementById(`unit-${first}`)?.focus();
      return;
    }
    // A copy of the shelf stays one when it is changed.
    const next = base?.origin ? { ...read.unit, origin: base.origin } : read.unit;
    refused = await onsave(next, base);
  }
</script>

<form onsubmit={save}>
  {#if !unit}<p>{unitsWords.usual}</p>{/if}
  <fieldset class="whole" disabled={!mayEdit}>
    {#each GROUPS as group (group.name)}
      <fieldset>
        <legend>{unitsWords.groups[group.name]}</legend>
        {#each group.fields as field (field)}
          {@const options = choices[field]}
          <label data-wide={field === 'name' || field === 'asksSource'}>
            <span>{unitsWords.fields[field]}</span>
            {#if options}
              <select id="unit-{field}" bind:value={form[field]}>
                {#if field !== 'operation' && field !== 'shape' && field !== 'finKind'}
                  <option value=""
                    >{group.name === 'asks' ? unitsWords.asksNothing : unitsWords.unknown}</option
                  >
                {/if}
                {#each Object.entries(options) as [value, word] (value)}<option {value}>{word}</option>{/each}
              </select>
            {:else}
              <input
                id="unit-{field}"
                class={field === 'name' || field === 'asksSource' ? '' : 'figure'}
                autocomplete="off"
                aria-invalid={problems[field] !== undefined}
                aria-describedby={problems[field] ? `unit-${field}-say` : undefined}
                bind:value={form[field]}
                onchange={() => settle(field)}
              />
            {/if}
            {#if problems[field]}<span id="unit-{field}-say" class="problem">{problems[field]}</span>{/if}
          </label>
        {/each}
      </fieldset>
    {/each}
    <Button kind="main" type="submit">{unitsWords.save}</Button>
    {#if refused}<p class="problem" role="alert">{refused}</p>{/if}
  </fieldset>
</form>

<style>
  .whole {
    display: grid;
    gap: var(--gap-4);
    justify-items: start;
  }
  .whole > fieldset {
    display: grid;
    grid-template-columns: repeat(auto-fill, minmax(11rem, 1fr));
    gap: var(--gap-2) var(--gap-4);
    width: 100%;
  }
  legend {
    float: left;
    grid-column: 1 / -1;
    padding: 0;
    font-weight: 700;
    color: var(--ink-soft);
  }
  label {
    display: grid;
    align-content: start;
    gap: 2px;
    font-weight: 500;
  }
  label[data-wide='true'] {
    grid-column: span 2;
  }
  .problem {
    color: var(--bad);
    font-weight: 600;
    font-size: 0.9rem;
  }
</style>
