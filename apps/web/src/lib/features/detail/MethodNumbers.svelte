<script module lang="ts">
  import type { OpeningEditor } from '$lib/job/opening.svelte.ts';

  export interface MethodNumbersProps {
    editor: OpeningEditor;
  }
</script>

<script lang="ts">
  import AngleField from '$lib/ui/AngleField.svelte';
  import LengthField from '$lib/ui/LengthField.svelte';
  import { detailWords } from '$words/detail.ts';
  import {
    factsOf,
    formatLength,
    groupTexts,
    holdsFor,
    numbersOf,
    parameterIds,
    parameters,
    parameterTexts,
    presets,
    type Fact,
    type Numbers,
    type ParameterGroup,
    type ParameterId,
    type Quantity,
  } from '@hulvek/core';

  let { editor }: MethodNumbersProps = $props();
  const groups = Object.keys(groupTexts) as ParameterGroup[];
  const units = $derived(editor.store.reads);
  const method = $derived(editor.plan.method);
  const inherited = $derived(numbersOf(method ? presets[method.preset].numbers : {}, method?.numbers ?? {}));
  /** Numbers that do something in the method as it is chosen here, by group. */
  const shown = $derived.by(() => {
    const { choices, wall, unit } = editor.plan;
    const facts = wall && unit && choices ? factsOf(wall, unit, choices) : new Set<Fact>();
    return groups
      .map((group) => ({
        group,
        ids: parameterIds.filter(
          (id) =>
            parameters[id].group === group &&
            (!choices || holdsFor(parameters[id].when, choices, facts) || editor.opening.numbers[id]),
        ),
      }))
      .filter(({ ids }) => ids.length > 0);
  });

  function set(id: ParameterId, value: Quantity | null) {
    editor.change((opening) => {
      const numbers: Numbers = { ...opening.numbers };
      if (value) numbers[id] = value;
      else delete numbers[id];
      return { ...opening, numbers };
    });
  }

  const written = $derived((id: ParameterId, value: number): string =>
    parameters[id].kind === 'angle' ? `${value}°` : formatLength(value, units),
  );

  function lengthOf(id: ParameterId) {
    const own = editor.opening.numbers[id];
    return own && 'mm' in own ? own : { typed: formatLength(inherited[id], units), mm: inherited[id] };
  }
</script>

{#each shown as { group, ids } (group)}
  <fieldset>
    <legend>{groupTexts[group]}</legend>
    {#each ids as id (id)}
      {@const own = editor.opening.numbers[id]}
      <div class="row">
        {#if parameters[id].kind === 'angle'}
          <AngleField
            id="number-{id}"
            label={parameterTexts[id]}
            value={own && 'deg' in own ? own : { typed: `${inherited[id]}°`, deg: inherited[id] }}
            least={parameters[id].least}
            most={parameters[id].most}
            onchange={(value) => set(id, value)}
          />
        {:else}
          <LengthField
            id="number-{id}"
            keep="{editor.context.job.id}:{editor.opening.id}:{id}"
            label={parameterTexts[id]}
            value={lengthOf(id)}
            unit={units}
            least_mm={parameters[id].least}
            most_mm={parameters[id].most}
            onchange={(value) => set(id, value)}
          />
        {/if}
        {#if own}
          <button type="button" class="as-link" onclick={() => set(id, null)}>
            {detailWords.reset(written(id, inherited[id]))}<span class="visually-hidden"
              >, {parameterTexts[id]}</span
            >
          </button>
        {/if}
      </div>
    {/each}
  </fieldset>
{/each}

<style>
  fieldset {
    display: grid;
    gap: 6px;
    margin: 0;
    padding: var(--gap-2) 0 var(--gap-3);
    border: 0;
    border-top: 1px solid var(--line);
  }
  legend {
    float: left;
    width: 100%;
    font-size: 0.9rem;
    font-weight: 700;
    color: var(--ink-soft);
  }
  .row {
    display: grid;
  }
  .row button {
    justify-self: end;
    font-size: 0.88rem;
  }
</style>
