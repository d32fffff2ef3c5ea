<script module lang="ts">
  import type { ScheduleDesk } from './schedule-desk.svelte.ts';

  export interface ScheduleFormProps {
    desk: ScheduleDesk;
  }
</script>

<script lang="ts">
  import Button from '$lib/ui/Button.svelte';
  import { addWords } from '$words/openings.ts';
  import {
    bareUnits,
    formatLength,
    formatSize,
    scheduleFields,
    type ScheduleField,
    type ScheduleProblem,
  } from '@hulvek/core';
  import ModelNotes from './model/ModelNotes.svelte';
  import ReadingModel from './model/ReadingModel.svelte';
  import SchedulePreview from './SchedulePreview.svelte';
  import { USUAL_FRAME } from '$lib/features/units/usual-frame.ts';
  import type { TypeChoice } from './schedule-desk.svelte.ts';

  let { desk }: ScheduleFormProps = $props();
  let pasted = $state('');
  const lengths = $derived(desk.store.reads);
  const units = $derived(desk.store.context.units);
  const sample = $derived(desk.table.slice(desk.headings + 1, desk.headings + 4));
  const SHOWN = 12;

  async function choose(event: Event & { currentTarget: HTMLInputElement }) {
    const field = event.currentTarget;
    const [file] = field.files ?? [];
    if (file) await desk.file(file);
    field.value = '';
  }

  function problemText(problem: ScheduleProblem): string {
    const where = 'line' in problem ? `${addWords.line(problem.line)}: ` : '';
    const what = 'typed' in problem ? `“${problem.typed}” ` : '';
    return `${where}${what}${addWords.problems[problem.code]}`;
  }
</script>

<div class="pick">
  <label
    >{addWords.choose}<input
      type="file"
      accept=".xlsx,.csv,.tsv,.txt,text/csv,.ifc"
      onchange={choose}
    /></label
  >
  <label class="paste"
    >{addWords.paste}<textarea
      rows="3"
      bind:value={pasted}
      onpaste={(event) => {
        const text = event.clipboardData?.getData('text/plain') ?? '';
        if (text.includes('\n')) void desk.text(text);
      }}></textarea></label
  >
  {#if pasted.trim() !== ''}<Button onclick={() => void desk.text(pasted)}>{addWords.pasteUse}</Button>{/if}
</div>
{#if desk.reading}<ReadingModel reading={desk.reading} />{/if}
{#if desk.problem}<p class="problem" role="alert">{desk.problem}</p>{/if}
{#if desk.model}<ModelNotes model={desk.model} />{/if}

{#if desk.table.length > 0}
  <section aria-labelledby="columns">
    <h2 id="columns">{addWords.columns}</h2>
    <div class="row">
      {#if desk.sheets.length > 1}
        <label
          >{addWords.sheet}
          <select value={desk.sheet} onchange={(event) => desk.useSheet(Number(event.currentTarget.value))}>
            {#each desk.sheets as { name }, i (i)}<option value={i}>{name}</option>{/each}
          </select></label
        >
      {/if}
      <label
        >{addWords.headings}
        <select
          value={desk.headings}
          onchange={(event) => desk.useHeadings(Number(event.currentTarget.value))}
        >
          {#each desk.table.slice(0, 12) as cells, i (i)}
            <option value={i}>{i + 1}: {cells.filter(Boolean).join(', ').slice(0, 40)}</option>
          {/each}
        </select></label
      >
    </div>
    <div class="scroll">
      <table class="columns">
        <thead>
          <tr
            ><th scope="col">{addWords.column}</th><th scope="col">{addWords.is}</th><th scope="col"
              >{addWords.firstLines}</th
            ></tr
          >
        </thead>
        <tbody>
          {#each desk.names as heading, i (i)}
            <tr>
              <th scope="row">{heading || `${i + 1}`}</th>
              <td>
                <select
                  aria-label="{heading || i + 1} {addWords.is}"
                  value={desk.fields[i] ?? ''}
                  onchange={(event) =>
                    desk.setField(i, (event.currentTarget.value || null) as ScheduleField | null)}
                >
                  <option value="">{addWords.aside}</option>
                  {#each scheduleFields as field (field)}<option value={field}
                      >{addWords.fields[field]}</option
                    >{/each}
                </select>
              </td>
              <td class="sample"
                >{sample
                  .map((cells) => cells[i] ?? '')
                  .filter(Boolean)
                  .join(' · ')}</td
              >
            </tr>
          {/each}
        </tbody>
      </table>
    </div>
    <div class="row">
      {#if desk.schedule.bare > 0}
        <label class="asked"
          >{addWords.bare(desk.schedule.bare)}
          <select bind:value={desk.bare}>
            <option value={null} disabled>{addWords.bareChoose}</option>
            {#each bareUnits as unit (unit)}<option value={unit}>{addWords.bareUnits[unit]}</option>{/each}
          </select></label
        >
      {/if}
      {#if desk.schedule.hands > 0}
        <label
          >{addWords.hand}
          <select bind:value={desk.hand}>
            <option value="outside">{addWords.hands.outside}</option>
            <option value="inside">{addWords.hands.inside}</option>
          </select></label
        >
      {/if}
    </div>
    {#if desk.schedule.problems.length > 0}
      <ul class="problems" role="alert">
        {#each desk.schedule.problems.slice(0, SHOWN) as problem, i (i)}<li>{problemText(problem)}</li>{/each}
        {#if desk.schedule.problems.length > SHOWN}<li>
            {addWords.more(desk.schedule.problems.length - SHOWN)}
          </li>{/if}
      </ul>
    {/if}
  </section>

  {#if desk.types.length > 0 && desk.schedule.problems.length === 0}
    <section aria-labelledby="types">
      <h2 id="types">{addWords.types}</h2>
      <div class="scroll">
        <table>
          <thead>
            <tr
              >{#each Object.values(addWords.typeColumns) as column (column)}<th scope="col">{column}</th
                >{/each}</tr
            >
          </thead>
          <tbody>
            {#each desk.types as type (type.key)}
              <tr>
                <th scope="row">{type.name}</th>
                <td class="figure"
                  >{formatSize({ width: type.size.width.mm, height: type.size.height.mm }, lengths)}</td
                >
                <td>{type.marks.length}</td>
                <td>
                  <select
                    aria-label="{type.name}: {addWords.typeColumns.unit}"
                    value={desk.choiceOf(type)}
                    onchange={(event) => desk.choose(type, event.currentTarget.value as TypeChoice)}
                  >
                    {#each units as unit (unit.id)}<option value="is:{unit.id}">{unit.name}</option>{/each}
                    {#each units as unit (unit.id)}<option value="like:{unit.id}"
                        >{addWords.newLike(unit.name)}</option
                      >{/each}
                    <option value="usual">{addWords.newUsual}</option>
                    <option value="none">{addWords.noUnit}</option>
                  </select>
                </td>
              </tr>
            {/each}
          </tbody>
        </table>
      </div>
      {#if desk.types.some((type) => desk.choiceOf(type) === 'usual')}<p class="quiet">
          {addWords.usualNote(
            formatLength(USUAL_FRAME.frameDepth.mm, lengths),
            formatLength(USUAL_FRAME.fin.width.mm, lengths),
          )}
        </p>{/if}
    </section>
  {/if}
  {#if desk.schedule.problems.length === 0}<SchedulePreview {desk} />{/if}
{/if}

<style>
  .pick,
  .row {
    display: flex;
    flex-flow: row wrap;
    align-items: end;
    gap: var(--gap-3) var(--gap-5);
  }
  label {
    display: grid;
    gap: var(--gap-1);
    font-weight: 500;
  }
  .paste {
    flex: 1 1 22rem;
  }
  textarea {
    width: 100%;
    min-height: var(--touch);
    font: inherit;
  }
  section {
    display: grid;
    gap: var(--gap-3);
  }
  .scroll {
    position: relative;
    overflow-x: auto;
  }
  table {
    border-collapse: collapse;
  }
  th,
  td {
    padding: 6px var(--gap-4) 6px 0;
    border-bottom: 1px solid var(--line);
    text-align: left;
    font-weight: inherit;
  }
  thead th {
    font-size: 0.9rem;
    font-weight: 600;
  }
  tbody th {
    font-weight: 600;
  }
  td select {
    min-width: 14rem;
    max-width: 26rem;
  }
  .sample {
    max-width: 24rem;
    color: var(--ink-soft);
    overflow: hidden;
    text-overflow: ellipsis;
    white-space: nowrap;
  }
  .asked {
    padding-left: var(--gap-3);
    border-left: 4px solid var(--rust);
  }
  .problems {
    color: var(--bad);
  }
</style>
