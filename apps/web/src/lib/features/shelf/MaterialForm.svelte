<script module lang="ts">
  import type { LengthUnit, Material } from '@hulvek/core';

  export interface MaterialFormProps {
    material: Material;
    units: LengthUnit;
    onsave: (next: Material) => Promise<boolean>;
  }
</script>

<script lang="ts">
  import Button from '$lib/ui/Button.svelte';
  import { materialForm, materialFromForm, materialMeasures, type MaterialField } from './material-form.ts';
  import { shelfWords } from '$words/shelf.ts';
  import { saveWords } from '$words/shell.ts';
  import { chemistries, chemistryTexts, contactFaces, contactFaceTexts, withMeasureUnit } from '@hulvek/core';
  import { untrack } from 'svelte';

  let { material, units, onsave }: MaterialFormProps = $props();
  const id = $props.id();
  let form = $state(untrack(() => materialForm(material, units)));
  let problem = $state('');
  let saved = $state(false);
  const FIGURES: readonly MaterialField[] = [
    'width',
    'length',
    'least_C',
    'most_C',
    'rest_h',
    'sd_m',
    'lambda_WmK',
    'exposure_days',
  ];

  /** A bare figure gets the unit it was typed in. */
  function settle(field: MaterialField) {
    if (field in materialMeasures) {
      const kind = materialMeasures[field as keyof typeof materialMeasures];
      form[field] = withMeasureUnit(kind, form[field], units);
    }
  }

  async function save(event: SubmitEvent) {
    event.preventDefault();
    const read = materialFromForm(material, form, units);
    problem = read.ok ? '' : read.problem;
    saved = read.ok && (await onsave(read.value));
  }
</script>

<form onsubmit={save} oninput={() => (saved = false)}>
  <label for="{id}-name">{shelfWords.name}</label>
  <input id="{id}-name" bind:value={form.name} required maxlength="120" />
  {#each FIGURES as field (field)}
    <label for="{id}-{field}">{shelfWords.fields[field]}</label>
    <input
      id="{id}-{field}"
      class="figure"
      autocomplete="off"
      bind:value={form[field]}
      onchange={() => settle(field)}
    />
  {/each}
  <label for="{id}-primer">{shelfWords.fields.primer}</label>
  <select id="{id}-primer" bind:value={form.primer}>
    {#each ['', 'never', 'porous', 'always'] as const as choice (choice)}
      <option value={choice}>{shelfWords.primers[choice === '' ? 'unknown' : choice]}</option>
    {/each}
  </select>
  {#each ['dampSubstrate', 'roller'] as const as field (field)}
    <label for="{id}-{field}">{shelfWords.fields[field]}</label>
    <select id="{id}-{field}" bind:value={form[field]}>
      {#each ['', 'yes', 'no'] as const as choice (choice)}
        <option value={choice}>{shelfWords.yesNo[choice === '' ? 'unknown' : choice]}</option>
      {/each}
    </select>
  {/each}
  <label for="{id}-chemistry">{shelfWords.fields.chemistry}</label>
  <select id="{id}-chemistry" bind:value={form.chemistry}>
    <option value="">{shelfWords.yesNo.unknown}</option>
    {#each chemistries as one (one)}<option value={one}>{chemistryTexts[one]}</option>{/each}
  </select>
  <details class="wide">
    <summary>{shelfWords.faces}</summary>
    <div class="faces">
      {#each contactFaces as face (face)}
        <label for="{id}-{face}">{contactFaceTexts[face]}</label>
        <select id="{id}-{face}" bind:value={form.faces[face]}>
          <option value="">{shelfWords.faceSays.nothing}</option>
          <option value="allowed">{shelfWords.faceSays.allowed}</option>
          <option value="banned">{shelfWords.faceSays.banned}</option>
        </select>
      {/each}
    </div>
  </details>
  <p class="wide quiet">{shelfWords.makersSheet}</p>
  {#if problem}<p class="wide problem" role="alert">{problem}</p>{/if}
  <p class="wide">
    <Button kind="main" type="submit">{shelfWords.save}</Button>
    <span role="status">{saved ? saveWords.saved : ''}</span>
  </p>
</form>

<style>
  form {
    display: grid;
    grid-template-columns: 14rem minmax(0, 12rem);
    align-items: center;
    gap: 6px var(--gap-3);
    padding: var(--gap-2) 0 var(--gap-3) var(--gap-3);
    border-left: 4px solid var(--line);
  }
  .wide {
    grid-column: 1 / -1;
  }
  .faces {
    display: grid;
    grid-template-columns: 14rem minmax(0, 12rem);
    align-items: center;
    gap: 6px var(--gap-3);
  }
  @media (max-width: 560px) {
    form {
      grid-template-columns: 1fr;
    }
  }
</style>
