<script module lang="ts">
  import type { JobStore } from '$lib/job/job.svelte.ts';

  export interface SiteFormProps {
    store: JobStore;
  }
</script>

<script lang="ts">
  import Button from '$lib/ui/Button.svelte';
  import { pickParts, wrongPlaces } from '$lib/contract/site-parts.ts';
  import { siteWords } from '$words/conditions.ts';
  import { saveWords } from '$words/shell.ts';
  import {
    climateIds,
    climateTexts,
    LAYER_SHARE,
    ratings,
    readU,
    terrains,
    withUUnit,
    writeU,
    type ClimateId,
    type Rating,
    type Terrain,
  } from '@hulvek/core';
  import { unitsWords } from '$words/units.ts';
  import { untrack } from 'svelte';

  let { store }: SiteFormProps = $props();
  const job = $derived(store.context.job);
  const units = $derived(job.units);
  const names = untrack(() => [
    ...new Set(
      [...store.rows.map((row) => row.facade), ...(job.facades ?? []).map((f) => f.name)].filter(Boolean),
    ),
  ]);
  const PARTS = ['altitude_m', 'facades', 'wind', 'climate', 'assumedClimate', 'heatLimits'] as const;
  const FIELDS = ['uMost', 'shgcLeast', 'shgcMost'] as const;
  const shown = (value: number | undefined) => (value === undefined ? '' : String(value));
  let altitude = $state(untrack(() => shown(job.altitude_m)));
  let gust = $state(untrack(() => shown(job.wind?.gust_ms)));
  let terrain = $state<Terrain>(untrack(() => job.wind?.terrain ?? 'open'));
  const PER_CENT = 100;
  let share = $state(untrack(() => shown((job.wind?.layerShare ?? LAYER_SHARE) * PER_CENT)));
  const CLIMATE = ['inside_C', 'humidity_percent', 'outside_C'] as const;
  const LIMITS = ['fRsiLeast', 'psiMost'] as const;
  const climate = $state(
    untrack(() => Object.fromEntries(CLIMATE.map((name) => [name, shown(job.climate?.[name])]))),
  );
  const limits = $state(
    untrack(() => Object.fromEntries(LIMITS.map((name) => [name, shown(job.heatLimits?.[name])]))),
  );
  let asked = $state(
    untrack(() =>
      names.sort().map((name) => {
        const facade = job.facades?.find((f) => f.name === name);
        return {
          name,
          uMost: facade?.uMost === undefined ? '' : writeU(facade.uMost, units),
          rating: (facade?.rating ?? '') as Rating | '',
          shgcLeast: shown(facade?.shgcLeast),
          shgcMost: shown(facade?.shgcMost),
        };
      }),
    ),
  );
  let assumed = $state<ClimateId | ''>(untrack(() => job.assumedClimate ?? ''));
  let problem = $state('');
  let saved = $state(false);

  const figure = (typed: string) => Number(typed.trim().replace(',', '.').replace('−', '-'));
  const filled = (typed: string) => typed.trim() !== '';

  /** The fields that are filled in, under a name; nothing where none is. */
  function read(name: string, fields: Readonly<Record<string, string>>) {
    const given = Object.entries(fields).filter(([, typed]) => filled(typed));
    return given.length === 0
      ? {}
      : { [name]: Object.fromEntries(given.map(([id, typed]) => [id, figure(typed)])) };
  }

  /** What is asked of a façade; a figure nobody touched keeps all of its digits. */
  function figureOf(row: (typeof asked)[number], field: (typeof FIELDS)[number]): number {
    if (field !== 'uMost') return figure(row[field]);
    const before = job.facades?.find((f) => f.name === row.name)?.uMost;
    return readU(row.uMost, units, before) ?? NaN;
  }

  async function save(event: SubmitEvent) {
    event.preventDefault();
    saved = false;
    const facades = asked
      .map((row) => ({
        name: row.name,
        ...Object.fromEntries(FIELDS.filter((f) => filled(row[f])).map((f) => [f, figureOf(row, f)])),
        ...(row.rating !== '' && { rating: row.rating }),
      }))
      .filter((facade) => Object.keys(facade).length > 1);
    const change = {
      ...(filled(altitude) && { altitude_m: figure(altitude) }),
      ...(facades.length > 0 && { facades }),
      ...(filled(gust) && {
        wind: { gust_ms: figure(gust), terrain, layerShare: figure(share) / PER_CENT },
      }),
      ...read('climate', climate),
      ...(assumed !== '' && { assumedClimate: assumed }),
      ...read('heatLimits', limits),
    };
    const wrong = wrongPlaces(change);
    if (wrong.length > 0) {
      const ofClimate = wrong.some(([part]) => part === 'climate');
      problem = ofClimate ? siteWords.climateWhole : siteWords.wrong;
      return;
    }
    const was = pickParts(job, PARTS);
    problem = await store.put('site', { was, change });
    saved = problem === '';
  }
</script>

<form onsubmit={save}>
  <h2>{siteWords.title}</h2>
  <p>{siteWords.lead}</p>
  <label>{siteWords.altitude}<input class="figure" autocomplete="off" bind:value={altitude} /></label>
  <label>{siteWords.gust}<input class="figure" autocomplete="off" bind:value={gust} /></label>
  <label
    >{siteWords.terrain}
    <select bind:value={terrain}>
      {#each terrains as name (name)}<option value={name}>{siteWords.terrains[name]}</option>{/each}
    </select>
  </label>
  <label
    >{siteWords.assumed}
    <select bind:value={assumed}>
      <option value="">{siteWords.noAssumed}</option>
      {#each climateIds as name (name)}<option value={name}>{climateTexts[name]}</option>{/each}
    </select>
  </label>
  <p>{siteWords.assumedLead}</p>
  <label>{siteWords.share}<input class="figure" autocomplete="off" bind:value={share} /></label>
  <fieldset>
    <legend>{siteWords.climate}</legend>
    <p>{siteWords.climateLead}</p>
    {#each CLIMATE as name (name)}
      <label>{siteWords[name]}<input class="figure" autocomplete="off" bind:value={climate[name]} /></label>
    {/each}
    {#each LIMITS as name (name)}
      <label>{siteWords[name]}<input class="figure" autocomplete="off" bind:value={limits[name]} /></label>
    {/each}
  </fieldset>
  {#if asked.length > 0}
    <div class="scroll">
      <table>
        <thead>
          <tr>
            <th scope="col">{siteWords.facade}</th>
            {#each FIELDS as field (field)}<th scope="col">{siteWords[field]}</th>{/each}
          </tr>
        </thead>
        <tbody>
          {#each asked as row (row.name)}
            <tr>
              <th scope="row">{row.name}</th>
              {#each FIELDS as field (field)}
                <td
                  ><input
                    class="figure"
                    data-long={field === 'uMost'}
                    autocomplete="off"
                    aria-label="{row.name}, {siteWords[field]}"
                    bind:value={row[field]}
                    onchange={() => {
                      if (field === 'uMost') row.uMost = withUUnit(row.uMost, units);
                    }}
                  />{#if field === 'uMost'}
                    <select aria-label="{row.name}, {unitsWords.fields.rating}" bind:value={row.rating}>
                      <option value="">{siteWords.ratedByAny}</option>
                      {#each ratings as rating (rating)}
                        <option value={rating}>{unitsWords.choices.rating[rating]}</option>
                      {/each}
                    </select>
                  {/if}</td
                >
              {/each}
            </tr>
          {/each}
        </tbody>
      </table>
    </div>
  {/if}
  {#if problem}<p class="problem" role="alert">{problem}</p>{/if}
  {#if saved}<p role="status">{saveWords.saved}</p>{/if}
  <Button type="submit">{siteWords.save}</Button>
</form>

<style>
  form {
    display: grid;
    gap: var(--gap-3);
    align-content: start;
    justify-items: start;
  }
  p {
    color: var(--ink-soft);
  }
  fieldset {
    display: flex;
    flex-flow: row wrap;
    gap: var(--gap-3);
    align-items: end;
    border: 0;
    padding: 0;
  }
  fieldset p {
    flex-basis: 100%;
  }
  fieldset input {
    width: 7rem;
  }
  legend {
    padding: 0;
    font-weight: 600;
  }
  label {
    display: grid;
    gap: var(--gap-1);
    font-weight: 500;
  }
  table {
    border-collapse: collapse;
  }
  th,
  td {
    padding: 4px var(--gap-3) 4px 0;
    text-align: left;
  }
  thead th {
    font-size: 0.9rem;
  }
  .scroll {
    max-width: 100%;
    overflow-x: auto;
  }
  td input {
    width: 5.5rem;
  }
  td {
    vertical-align: top;
  }
  td input[data-long='true'],
  td select {
    /* A U-factor with its unit, and how it is found. */
    display: block;
    width: 13rem;
    margin-bottom: 2px;
  }
</style>
