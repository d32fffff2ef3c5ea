<script module lang="ts">
  import type { LengthUnit } from '@hulvek/core';
  import type { OpeningEditor } from '$lib/job/opening.svelte.ts';

  export interface DeliveryFieldsProps {
    editor: OpeningEditor;
    units: LengthUnit;
  }
</script>

<script lang="ts">
  import { measureWords } from '$words/measure.ts';
  import { unitsWords } from '$words/units.ts';
  import { ratings, readU, writeU, type Opening, type Rating } from '@hulvek/core';

  let { editor, units }: DeliveryFieldsProps = $props();
  const label = $derived(editor.opening.label ?? {});
  let problem = $state<'uFactor' | 'shgc' | null>(null);
  const MOST = { uFactor: 8, shgc: 1 } as const;
  const shown = (what: 'uFactor' | 'shgc') => {
    const value = label[what];
    if (value === undefined) return '';
    return what === 'uFactor' ? writeU(value, units) : value;
  };

  function read(what: 'uFactor' | 'shgc', typed: string) {
    const figure =
      what === 'uFactor'
        ? (readU(typed, units, label.uFactor) ?? NaN)
        : Number(typed.trim().replace(',', '.'));
    const sound = typed.trim() === '' || (figure > 0 && figure <= MOST[what]);
    problem = sound ? null : what;
    if (!sound) return;
    editor.change((opening): Opening => {
      const { [what]: _before, ...rest } = opening.label ?? {};
      return { ...opening, label: typed.trim() === '' ? rest : { ...rest, [what]: figure } };
    });
  }

  function rated(rating: string) {
    editor.change((opening): Opening => {
      const { rating: _before, ...rest } = opening.label ?? {};
      return { ...opening, label: rating === '' ? rest : { ...rest, rating: rating as Rating } };
    });
  }

  function note(damage: string) {
    editor.change((opening): Opening => {
      const { damage: _before, ...rest } = opening;
      return damage.trim() === '' ? rest : { ...rest, damage };
    });
  }
</script>

<div class="fields">
  {#each ['uFactor', 'shgc'] as const as what (what)}
    <label>
      {measureWords.label[what]}
      <input
        class="figure"
        autocomplete="off"
        aria-invalid={problem === what}
        value={shown(what)}
        onchange={(event) => read(what, event.currentTarget.value)}
      />
    </label>
  {/each}
  <label>
    {unitsWords.fields.rating}
    <select value={label.rating ?? ''} onchange={(event) => rated(event.currentTarget.value)}>
      <option value="">{unitsWords.unknown}</option>
      {#each ratings as rating (rating)}<option value={rating}>{unitsWords.choices.rating[rating]}</option
        >{/each}
    </select>
  </label>
  {#if problem}<p class="problem" role="alert">{measureWords.labelWrong}</p>{/if}
  <label class="wide">
    {measureWords.damage}
    <textarea
      rows="2"
      maxlength="2000"
      value={editor.opening.damage ?? ''}
      disabled={!editor.mayPlan}
      onchange={(event) => note(event.currentTarget.value)}></textarea>
  </label>
</div>

<style>
  .fields {
    display: grid;
    grid-template-columns: 1fr 1fr;
    gap: var(--gap-2) var(--gap-3);
    padding-bottom: var(--gap-3);
  }
  label {
    display: grid;
    gap: 2px;
    font-weight: 500;
  }
  .wide,
  .problem {
    grid-column: 1 / -1;
  }
</style>
