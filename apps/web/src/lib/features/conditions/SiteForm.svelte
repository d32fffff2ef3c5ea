<script module lang="ts">
  import type { JobStore } from '$lib/job/job.svelte.ts';

  export interface SiteFormProps {
    store: JobStore;
  }
</script>

<script lang="ts">
  import Button from '$lib/ui/Button.svelte';
  import MeasureField from '$lib/ui/MeasureField.svelte';
  import { pickParts, wrongPlaces } from '$lib/contract/site-parts.ts';
  import { siteWords } from '$words/conditions.ts';
  import { saveWords } from '$words/shell.ts';
  import {
    climateIds,
    climateTexts,
    LAYER_SHARE,
    ratings,
    readMeasure,
    readU,
    terrains,
    withUUnit,
    writeMeasure,
    writeU,
    type ClimateId,
    type MeasureKind,
    type Rating,
    type Terrain,
  } from '@hulvek/core';
  import { unitsWords } from '$words/units.ts';
  import { untrack } from 'svelte';

  let { store }: SiteFormProps = $props();
  const job = $derived(store.context.job);
  const units = $derived(store.reads);
  const names = untrack(() => [
    ...new Set(
      [...store.rows.map((row) => row.facade), ...(job.facades ?? []).map((f) => f.name)].filter(Boolean),
    ),
  ]);
  const PARTS = ['altitude_m', 'facades', 'wind', 'climate', 'assumedClimate', 'heatLimits'] as const;
  const FIELDS = ['uMost', 'shgcLeast', 'shgcMost'] as const;
  const shown = (value: number | undefined) => (value === undefined ? '' : String(value));
  const written = (kind: MeasureKind, value: number | undefined) =>
    value === undefined ? '' : writeMeasure(kind, value, store.reads);
  const measured = (kind: MeasureKind, typed: string, before: number | undefined) =>
    readMeasure(kind, typed, units, before) ?? NaN;
  let altitude = $state(untrack(() => written('altitude', job.altitude_m)));
  let gust = $state(untrack(() => written('speed', job.wind?.gust_ms)));
  let terrain = $state<Terrain>(untrack(() => job.wind?.terrain ?? 'open'));
  const PER_CENT = 100;
  let share = $state(untrack(() => shown((job.wind?.layerShare ?? LAYER_SHARE) * PER_CENT)));
  const climate = $state(
    untrack(() => ({
      inside_C: written('temperature', job.climate?.inside_C),
      humidity_percent: shown(job.climate?.humidity_percent),
      outside_C: written('temperature', job.climate?.outside_C),
    })),
  );
  const limits = $state(
    untrack(() => ({
      fRsiLeast: shown(job.heatLimits?.fRsiLeast),
      psiMost: written('lineTransmittance', job.heatLimits?.psiMost),
    })),
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
  function read(name: string, fields: Readonly<Record<string, readonly [typed: string, value: number]>>) {
    const given = Object.entries(fields).filter(([, [typed]]) => filled(typed));
    return given.length === 0
      ? {}
      : { [name]: Object.fromEntries(given.map(([id, [, value]]) => [id, value])) };
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
      ...(filled(altitude) && { altitude_m: measured('altitude', altitude, job.altitude_m) }),
      ...(facades.length > 0 && { facades }),
      ...(filled(gust) && {
        wind: {
          gust_ms: measured('speed', gust, job.wind?.gust_ms),
          terrain,
          layerShare: figure(share) / PER_CENT,
        },
      }),
      ...read('climate', {
        inside_C: [climate.inside_C, measured('temperature', climate.inside_C, job.climate?.inside_C)],
        humidity_percent: [climate.humidity_percent, figure(climate.humidity_percent)],
        outside_C: [climate.outside_C, measured('temperature', climate.outside_C, job.climate?.outside_C)],
      }),
      ...(assumed !== '' && { assumedClimate: assumed }),
      ...read('heatLimits', {
        fRsiLeast: [limits.fRsiLeast, figure(limits.fRsiLeast)],
        psiMost: [limits.psiMost, measured('lineTransmittance', limits.psiMost, job.heatLimits?.psiMost)],
      }),
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

<form id="wind" onsubmit={save}>
  <h2>{siteWords.title}</h2>
  <p>{siteWords.lead}</p>
  <MeasureField label={siteWords.altitude} kind="altitude" reads={units} bind:value={altitude} />
  <MeasureField label={siteWords.gust} kind="speed" reads={units} bind:value={gust} />
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
    <MeasureField
      label={siteWords.inside_C}
      kind="temperature"
      reads={units}
      usual={20}
      bind:value={climate.inside_C}
    />
    <label
      >{siteWords.humidity_percent}<input
        class="figure"
        autocomplete="off"
        placeholder="50"
        bind:value={climate.humidity_percent}
      /></label
    >
    <MeasureField
      label={siteWords.outside_C}
      kind="temperature"
      reads={units}
      usual={-5}
      bind:value={climate.outside_C}
    />
    <label
      >{siteWords.fRsiLeast}<input class="figure" autocomplete="off" bind:value={limits.fRsiLeast} /></label
    >
    <MeasureField
      label={siteWords.psiMost}
      kind="lineTransmittance"
      reads={units}
      bind:value={limits.psiMost}
    />
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
