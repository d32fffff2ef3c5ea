<script module lang="ts">
  import type { JobStore } from '$lib/job/job.svelte.ts';

  export interface JointSeasonFormProps {
    store: JobStore;
  }
</script>

<script lang="ts">
  import Button from '$lib/ui/Button.svelte';
  import { pickParts, wrongPlaces } from '$lib/contract/site-parts.ts';
  import { conditionText } from '$words/conditions.ts';
  import { movementClasses, PERSON_kg, USUAL_SEASON } from '@hulvek/core';
  import { untrack } from 'svelte';

  let { store }: JointSeasonFormProps = $props();
  const [tj, th] = [conditionText.joints, conditionText.handling];
  const job = $derived(store.context.job);
  const mayEdit = $derived(store.pack.rights.includes('settings'));
  const SEASON = ['installed_C', 'coldest_C', 'hottest_C'] as const;
  const HANDS = ['person_kg', 'gust_ms'] as const;
  const shown = (value: number | undefined) => (value === undefined ? '' : String(value).replace('-', '−'));
  let season = $state(
    untrack(() => Object.fromEntries(SEASON.map((name) => [name, shown(job.joints?.[name])]))),
  );
  let movement = $state(untrack(() => shown(job.joints?.movement)));
  let hands = $state(
    untrack(() => Object.fromEntries(HANDS.map((name) => [name, shown(job.handling?.[name])]))),
  );
  let problem = $state('');
  let saved = $state(false);
  const usual: Readonly<Record<string, string>> = {
    ...Object.fromEntries(SEASON.map((name) => [name, shown(USUAL_SEASON[name])])),
    person_kg: String(PERSON_kg),
  };

  const given = (fields: Readonly<Record<string, string | undefined>>) =>
    Object.fromEntries(
      Object.entries(fields).flatMap(([name, typed]) => {
        const bare = (typed ?? '').trim();
        return bare === '' ? [] : [[name, Number(bare.replace(',', '.').replace('−', '-'))]];
      }),
    );

  async function save(event: SubmitEvent) {
    event.preventDefault();
    saved = false;
    const [joints, handling] = [given({ ...season, movement }), given(hands)];
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
        <label
          >{tj[name]}<input
            class="figure"
            autocomplete="off"
            placeholder={usual[name]}
            bind:value={season[name]}
          /></label
        >
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
        <label
          >{th[name]}<input
            class="figure"
            autocomplete="off"
            placeholder={usual[name] ?? ''}
            bind:value={hands[name]}
          /></label
        >
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
  input {
    width: 8rem;
  }
</style>
