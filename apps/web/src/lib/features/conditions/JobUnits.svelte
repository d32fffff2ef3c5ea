<script module lang="ts">
  import type { JobStore } from '$lib/job/job.svelte.ts';

  export interface JobUnitsProps {
    store: JobStore;
  }
</script>

<script lang="ts">
  import { sentence } from '$lib/device/sentence.ts';
  import { offlineWords } from '$words/device.ts';
  import { jobUnitWords } from '$words/conditions.ts';
  import type { LengthUnit } from '@hulvek/core';

  let { store }: JobUnitsProps = $props();
  const units = $derived(store.context.job.units);
  const mayEdit = $derived(store.pack.rights.includes('settings'));
  let problem = $state('');

  async function choose(next: LengthUnit) {
    if (next === units) return;
    problem = '';
    try {
      const response = await fetch(`/api/jobs/${store.id}/units`, {
        method: 'PUT',
        headers: { 'content-type': 'application/json' },
        body: JSON.stringify({ units: next }),
      });
      if (!response.ok) problem = await sentence(response);
      await store.refresh();
    } catch {
      problem = offlineWords.needsNetwork;
    }
  }
</script>

<section>
  <h2>{jobUnitWords.title}</h2>
  <p class="quiet">{jobUnitWords.lead}</p>
  <fieldset disabled={!mayEdit}>
    <legend class="visually-hidden">{jobUnitWords.title}</legend>
    {#each ['mm', 'in'] as const as unit (unit)}
      <label>
        <input
          type="radio"
          name="job-units"
          checked={units === unit}
          onchange={() => void choose(unit)}
        />{jobUnitWords[unit]}
      </label>
    {/each}
  </fieldset>
  {#if problem}<p class="problem" role="alert">{problem}</p>{/if}
</section>

<style>
  section,
  fieldset {
    display: grid;
    gap: var(--gap-2);
  }
  fieldset {
    padding: 0;
    border: 0;
  }
  label {
    display: flex;
    align-items: center;
    gap: var(--gap-2);
    min-height: 40px;
  }
</style>
