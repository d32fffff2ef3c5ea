<script module lang="ts">
  import type { JobStore } from '$lib/job/job.svelte.ts';

  export interface JointSeasonFormProps {
    store: JobStore;
  }
</script>

<script lang="ts">
  import Button from '$lib/ui/Button.svelte';
  import MeasureField from '$lib/ui/MeasureField.svelte';
  import { pickParts, wrongPlaces } from '$lib/contract/site-parts.ts';
  import { conditionText } from '$words/conditions.ts';
  import { movementClasses, PERSON_kg, readMeasure, USUAL_SEASON, writeMeasure } from '@hulvek/core';
  import { untrack } from 'svelte';

  let { store }: JointSeasonFormProps = $props();
  const [tj, th] = [conditionText.joints, conditionText.handling];
  const job = $derived(store.context.job);
  const mayEdit = $derived(store.pack.rights.includes('settings'));
  const SEASON = ['installed_C', 'coldest_C', 'hottest_C'] as const;
  const HANDS = ['person_kg', 'gust_ms'] as const;
  const KIND = {
    installed_C: 'temperature',
    coldest_C: 'temperature',
    hottest_C: 'temperature',
    person_kg: 'mass',
    gust_ms: 'speed',
  } as const;
  type Field = keyof typeof KIND;
  const known = (name: Field): number | undefined =>
    name === 'person_kg' || name === 'gust_ms' ? job.handling?.[name] : job.joints?.[name];
  const written = (name: Field): string => {
    const value = known(name);
    return value === undefined ? '' : writeMeasure(KIND[name], value, store.reads);
  };
  const fieldsOf = <Name extends Field>(names: readonly Name[]) =>
    Object.fromEntries(names.map((name) => [name, written(name)])) as Record<Name, string>;
  let season = $state(untrack(() => fieldsOf(SEASON)));
  let movement = $state(untrack(() => String(job.joints?.movement ?? '')));
  let hands = $state(untrack(() => fieldsOf(HANDS)));
  let problem = $state('');
  let saved = $state(false);
  const usual: Partial<Record<Field, number>> = { ...USUAL_SEASON, person_kg: PERSON_kg };

  const given = (fields: Partial<Record<Field, string>>) =>
    Object.fromEntries(
      (Object.entries(fields) as [Field, string][]).flatMap(([name, typed]) =>
        typed.trim() === ''
          ? []
          : [[name, readMeasure(KIND[name], typed, store.reads, known(name)) ?? Number.NaN]],
      ),
    );

  async function save(event: SubmitEvent) {
    event.preventDefault();
    saved = false;
    const joints = { ...given(season), ...(movement !== '' && { movement: Number(movement) }) };
    const handling = given(hands);
    const change = {
      ...(Object.keys(joints).length > 0 && { joints }),
      ...(Object.keys(handling).length > 0 && { handling }),
    };
    const [wrong] = wrongPlaces(change);
    if (wrong) {
      problem = wrong[0] === 'handling' ? th.wrong : tj.wrong;
      return;
    }
    problem = await store.put('site', { was: pickParts(job, ['joints', 'handling']), change });
    saved = problem === '';
  }
</script>

<form onsubmit={save}>
  <fieldset disabled={!mayEdit}>
    <h2>{tj.title}</h2>
    <p>{tj.lead}</p>
    <div class="row">
      {#each SEASON as name (name)}
        <MeasureField
          label={tj[name]}
          kind={KIND[name]}
          reads={store.reads}
          usual={usual[name]}
          bind:value={season[name]}
        />
      {/each}
      <label
        >{tj.movement}
        <select bind:value={movement}>
          <option value="">{tj.usual}</option>
          {#each movementClasses as m (m)}<option value={String(m)}>±{m * 100} %</option>{/each}
        </select>
      </label>
    </div>
    <h2>{th.title}</h2>
    <div class="row">
      {#each HANDS as name (name)}
        <MeasureField
          label={th[name]}
          kind={KIND[name]}
          reads={store.reads}
          usual={usual[name]}
          bind:value={hands[name]}
        />
      {/each}
    </div>
    {#if problem}<p class="problem" role="alert">{problem}</p>{/if}
    {#if saved}<p role="status">{conditionText.saved}</p>{/if}
    <div><Button type="submit">{conditionText.save}</Button></div>
  </fieldset>
</form>

<style>
  fieldset {
    display: grid;
    gap: var(--gap-3);
    border: 0;
    padding: 0;
    min-width: 0;
  }
  fieldset > p {
    color: var(--ink-soft);
  }
  .row {
    display: flex;
    flex-flow: row wrap;
    align-items: end;
    gap: var(--gap-3);
  }
  label {
    display: grid;
    gap: var(--gap-1);
    font-weight: 500;
  }
</style>
