<script module lang="ts">
  import type { JobStore } from '$lib/job/job.svelte.ts';

  export interface MonthsFormProps {
    store: JobStore;
  }
</script>

<script lang="ts">
  import Button from '$lib/ui/Button.svelte';
  import MeasureField from '$lib/ui/MeasureField.svelte';
  import { pickParts, wrongPlaces } from '$lib/contract/site-parts.ts';
  import { conditionText } from '$words/conditions.ts';
  import {
    epwErrorText,
    epwMonths,
    generatedMonths,
    readEpw,
    readMeasure,
    writeMeasure,
    type MonthClimate,
    type MonthSource,
    climateTexts,
  } from '@hulvek/core';
  import { untrack } from 'svelte';

  let { store }: MonthsFormProps = $props();
  const t = conditionText.months;
  const mayEdit = $derived(store.pack.rights.includes('settings'));
  const job = $derived(store.context.job);
  type Row = { outside: string; humidity: string };
  const asRow = ({ outside_C, humidity_percent }: MonthClimate): Row => ({
    outside: writeMeasure('temperature', outside_C, store.reads),
    humidity: String(Math.round(humidity_percent * 10) / 10),
  });
  const EMPTY: Row = { outside: '', humidity: '' };
  let rows = $state<Row[]>(
    untrack(() => job.months?.rows.map(asRow) ?? Array.from({ length: 12 }, () => ({ ...EMPTY }))),
  );
  let source = $state<MonthSource>(untrack(() => job.months?.source ?? 'hand'));
  let note = $state(untrack(() => job.months?.note ?? ''));
  let maker = $state({
    seed: '1',
    year: untrack(() => writeMeasure('temperature', 8, store.reads)),
    coldest: untrack(() => writeMeasure('temperature', -2, store.reads)),
    coast: false,
  });
  const degrees = (typed: string, before?: number): number =>
    readMeasure('temperature', typed, store.reads, before) ?? Number.NaN;
  let problem = $state('');
  let said = $state('');
  const MOST_BYTES = 20e6;

  const figure = (typed: string): number => {
    const bare = typed.trim().replace(',', '.').replace('−', '-');
    return bare === '' ? Number.NaN : Number(bare);
  };

  function typed() {
    source = 'hand';
    said = '';
  }

  /** Cells of a spreadsheet from where the cursor stands on. */
  function paste(event: ClipboardEvent, at: number, column: 0 | 1) {
    const lines = (event.clipboardData?.getData('text/plain') ?? '').trim().split(/\r?\n/);
    if (lines.length < 2 && !lines[0]?.includes('\t')) return;
    event.preventDefault();
    lines.slice(0, 12 - at).forEach((line, i) => {
      const row = rows[at + i];
      if (!row) return;
      line.split('\t').forEach((cell, j) => {
        if (column + j === 0) row.outside = cell.trim();
        if (column + j === 1) row.humidity = cell.trim();
      });
    });
    typed();
  }

  function generate() {
    const [seed, year_C, coldest_C] = [figure(maker.seed), degrees(maker.year), degrees(maker.coldest)];
    problem = '';
    if (!(coldest_C < year_C) || !Number.isFinite(seed)) {
      problem = t.generateWrong;
      return;
    }
    rows = generatedMonths({ seed, year_C, coldest_C, coast: maker.coast }).map(asRow);
    source = 'generator';
    note = t.generated(seed, maker.year, maker.coldest);
    said = t.check;
  }

  async function readFile(event: Event & { currentTarget: HTMLInputElement }) {
    const [file] = event.currentTarget.files ?? [];
    const input = event.currentTarget;
    if (!file) return;
    problem = '';
    said = '';
    if (file.size > MOST_BYTES) problem = t.tooLarge;
    else {
      const read = readEpw(await file.text());
      if (!read.ok) problem = epwErrorText(read.error);
      else {
        const { months } = read.value;
        months.forEach((month, i) => {
          if (month) rows[i] = asRow(month);
        });
        source = 'epw';
        note = t.read(read.value).slice(0, 200);
        said = epwMonths(read.value) ? t.check : t.partly(months.filter(Boolean).length);
      }
    }
    input.value = '';
  }

  async function keep(months: unknown) {
    const change = months === null ? {} : { months };
    const [wrong] = wrongPlaces(change);
    if (wrong) {
      const i = wrong[2];
      problem = t.wrong(t.name(typeof i === 'number' ? i : 0));
      said = '';
      return;
    }
    problem = await store.put('site', { was: pickParts(job, ['months']), change });
    said = problem === '' ? conditionText.saved : '';
  }
  function save(event: SubmitEvent) {
    event.preventDefault();
    void keep({
      source,
      note: note.trim(),
      rows: rows.map((row, i) => ({
        outside_C: degrees(row.outside, job.months?.rows[i]?.outside_C),
        humidity_percent: figure(row.humidity),
      })),
    });
  }
  function clear() {
    rows = Array.from({ length: 12 }, () => ({ ...EMPTY }));
    [source, note] = ['hand', ''];
    void keep(null);
  }
</script>

<form id="months" onsubmit={save} data-testid="months">
  <h2>{t.title}</h2>
  <p>{t.lead}</p>
  <fieldset disabled={!mayEdit}>
    <div class="ways">
      <div>
        <label class="file"
          >{t.file}<input type="file" accept=".epw,text/plain,text/csv" onchange={readFile} /></label
        >
        <p class="quiet">{t.fileLead}</p>
      </div>
      <details>
        <summary>{t.generate}</summary>
        <p class="quiet">{t.generateLead}</p>
        <div class="row">
          <MeasureField label={t.year} kind="temperature" reads={store.reads} bind:value={maker.year} />
          <MeasureField label={t.coldest} kind="temperature" reads={store.reads} bind:value={maker.coldest} />
          <label>{t.seed}<input class="figure" autocomplete="off" bind:value={maker.seed} /></label>
          <label class="check"><input type="checkbox" bind:checked={maker.coast} />{t.coast}</label>
          <Button onclick={generate}>{t.generate}</Button>
        </div>
      </details>
    </div>
    <table>
      <thead>
        <tr>
          <th scope="col">{t.month}</th><th scope="col">{t.outside}</th><th scope="col">{t.humidity}</th>
        </tr>
      </thead>
      <tbody>
        {#each rows as row, i (i)}
          <tr>
            <th scope="row">{t.name(i)}</th>
            <td
              ><MeasureField
                label="{t.name(i)}, {t.outside}"
                hidden
                kind="temperature"
                reads={store.reads}
                bind:value={row.outside}
                oninput={typed}
                onpaste={(event) => paste(event, i, 0)}
              /></td
            >
            <td
              ><input
                class="figure"
                autocomplete="off"
                inputmode="decimal"
                aria-label="{t.name(i)}, {t.humidity}"
                bind:value={row.humidity}
                oninput={typed}
                onpaste={(event) => paste(event, i, 1)}
              /></td
            >
          </tr>
        {/each}
      </tbody>
    </table>
    <label class="note">{t.note}<input maxlength="200" autocomplete="off" bind:value={note} /></label>
    <p class="quiet">
      {job.months
        ? t.source(source)
        : job.assumedClimate
          ? t.assumed(climateTexts[job.assumedClimate])
          : t.none}
    </p>
    {#if problem}<p class="problem" role="alert">{problem}</p>{/if}
    <p role="status">{said}</p>
    <div class="row">
      <Button type="submit">{conditionText.save}</Button>
      {#if job.months}<Button kind="quiet" onclick={clear}>{conditionText.clear}</Button>{/if}
    </div>
  </fieldset>
</form>

<style>
  form,
  fieldset {
    display: grid;
    gap: var(--gap-3);
    align-content: start;
    min-width: 0;
  }
  fieldset {
    border: 0;
    padding: 0;
  }
  form > p {
    color: var(--ink-soft);
  }
  label {
    display: grid;
    gap: var(--gap-1);
    font-weight: 500;
  }
  .ways {
    display: grid;
    gap: var(--gap-3);
  }
  .row {
    display: flex;
    flex-flow: row wrap;
    align-items: end;
    gap: var(--gap-3);
  }
  .check {
    display: flex;
    align-items: center;
    min-height: 40px;
  }
  summary {
    min-height: 32px;
    font-weight: 600;
    cursor: pointer;
  }
  table {
    border-collapse: collapse;
    max-width: 26rem;
  }
  th,
  td {
    padding: 2px var(--gap-3) 2px 0;
    text-align: left;
  }
  thead th {
    font-size: 0.9rem;
  }
  td input,
  .row .figure {
    width: 7rem;
  }
  [role='status']:empty {
    display: none;
  }
</style>
