<script module lang="ts">
  import type { OpeningEditor } from '$lib/job/opening.svelte.ts';

  export interface MeasureStageProps {
    editor: OpeningEditor;
  }
</script>

<script lang="ts">
  import Paper from '$lib/drawing/Paper.svelte';
  import Button from '$lib/ui/Button.svelte';
  import LengthField from '$lib/ui/LengthField.svelte';
  import { fitWord } from '$words/fit.ts';
  import { cardsWords, measureWords } from '$words/measure.ts';
  import { jobsWords, shellWords } from '$words/shell.ts';
  import {
    doubts,
    doubtText,
    formatLength,
    framingOf,
    formatSize,
    pointFromOutside,
    pointTexts,
    readingsFromOutside,
    surveyDrawing,
    surveyPointIds,
    surveyPoints,
    type Instrument,
    type SurveyPointId,
    type TypedLength,
    type Unit,
  } from '@hulvek/core';
  import DeliveryFields from './DeliveryFields.svelte';
  import Disputes from './Disputes.svelte';
  import FindingList from '$lib/features/findings/FindingList.svelte';
  import ShimTable from './ShimTable.svelte';
  import SurveyCards from './SurveyCards.svelte';

  let { editor }: MeasureStageProps = $props();
  let point = $state<SurveyPointId | null>(null);
  let cards = $state(false);
  const units = $derived(editor.store.reads);
  const plan = $derived(editor.plan);
  /** What measuring can change; water, air and damp are proven later. */
  const LATER = ['water', 'air', 'moisture'];
  const findings = $derived(plan.findings.filter((finding) => !LATER.includes(finding.proof)));
  const figure = $derived((mm: number) => formatLength(mm, editor.context.job.units, 'figure'));
  const length = $derived((mm: number) => formatLength(mm, units));
  const fromInside = $derived(editor.opening.survey.from === 'inside');
  const tightest = $derived(
    Math.min(...(plan.fit?.placement.gaps ?? []).filter((g) => g.side !== 'sill').map((g) => g.flashed_mm)),
  );

  const unitName = $derived(
    (unit: Unit) => `${unit.name}, ${formatSize({ width: unit.width.mm, height: unit.height.mm }, units)}`,
  );

  const GROUPS: readonly { name: keyof typeof measureWords.groups; points: readonly SurveyPointId[] }[] = [
    { name: 'drawing', points: ['roughWidth', 'roughHeight'] },
    { name: 'widths', points: ['widthBottom', 'widthMiddle', 'widthTop'] },
    { name: 'heights', points: ['heightLeft', 'heightCentre', 'heightRight'] },
    { name: 'diagonals', points: ['diagonalRising', 'diagonalFalling'] },
    { name: 'sill', points: ['sillLeft', 'sillMiddle', 'sillRight'] },
    { name: 'plumb', points: ['plumbLeft', 'plumbRight'] },
    { name: 'depth', points: ['depth'] },
  ];
  /** Folded away: measured where something looks wrong, or where strips run far. */
  const MORE: typeof GROUPS = [
    { name: 'bow', points: ['bowLeft', 'bowRight'] },
    { name: 'twist', points: ['twistLeft', 'twistRight', 'stringGap', 'faceHollow'] },
    { name: 'fall', points: ['sillFallLeft', 'sillFallRight'] },
    { name: 'free', points: ['freeLeft', 'freeRight', 'freeAbove', 'freeBelow'] },
    { name: 'unit', points: ['unitWidth', 'unitHeight', 'unitDiagonalRising', 'unitDiagonalFalling'] },
  ];

  function setReading(id: SurveyPointId, value: TypedLength | null) {
    editor.change((opening) => {
      const values = { ...opening.survey.values };
      if (value) values[id] = value;
      else delete values[id];
      return { ...opening, survey: { from: opening.survey.from, values } };
    }, instrumentFor(id));
  }

  /** Until somebody says otherwise: sizes from the drawing, everything else from a tape. */
  const instrumentFor = (id: SurveyPointId): Instrument =>
    id === 'roughWidth' || id === 'roughHeight' ? 'drawing' : 'tape';

  /** What speaks against a figure beside the others, in words. */
  function doubtOf(id: SurveyPointId, mm: number): string {
    const { survey } = editor.opening;
    const flips = survey.from === 'inside' && surveyPoints[id].flips;
    const outside = pointFromOutside({ point: id, from: survey.from });
    const [doubt] = doubts(outside, flips ? -mm : mm, readingsFromOutside(survey));
    return doubt ? doubtText(doubt, length) : '';
  }

  const fieldId = (id: SurveyPointId) => `reading-${id}`;

  function focusNext(id: SurveyPointId) {
    const next = surveyPointIds[surveyPointIds.indexOf(id) + 1];
    const field = next ? document.getElementById(fieldId(next)) : null;
    if (field instanceof HTMLInputElement) {
      field.focus();
      field.select();
    } else document.getElementById('measure-result')?.focus();
  }
</script>

{#if cards}<SurveyCards {editor} onclose={() => (cards = false)} />{/if}
<div class="measure">
  <section class="drawing" aria-label={measureWords.drawing}>
    {#if plan.frame}
      {@const frame = plan.frame}
      <Paper
        label={measureWords.drawing}
        draw={(size) =>
          surveyDrawing(frame, plan.fit, {
            ...size,
            figure,
            point,
            fromInside,
            unit: plan.unit && { width: plan.unit.width.mm, height: plan.unit.height.mm },
            least_mm: plan.numbers.leastGap,
            leg_mm: framingOf(plan).leg_mm,
            buckOf: plan.choices?.buck === 'lumber' ? 'wood' : 'hd-foam',
          })}
      />
      {#if plan.fit}
        <p class="key">
          {measureWords.gaps(jobsWords[editor.context.job.units])}
          {measureWords.leastAllowed(length(plan.fit.limits.least_mm))}
          {#if plan.frame.left.some((s) => s.basis === 'nominal')}<b>{measureWords.nominal}</b>{/if}
        </p>
      {/if}
    {:else}
      <p class="empty">{measureWords.empty}</p>
    {/if}
  </section>

  <section class="panel" aria-label={measureWords.title}>
    <h2>{measureWords.title}</h2>
    {#if editor.mayEdit}
      <Button kind="main" large onclick={() => (cards = true)}>{cardsWords.open}</Button>
    {:else}<p class="hint">{shellWords.readOnly}</p>{/if}
    <fieldset class="whole" disabled={!editor.mayEdit}>
      <div class="choices">
        <label for="unit">{measureWords.unit}</label>
        <select
          id="unit"
          disabled={!editor.mayPlan}
          value={editor.opening.unit ?? ''}
          onchange={(event) => {
            const id = event.currentTarget.value;
            editor.change((o) => ({ ...o, unit: id === '' ? null : (id as Unit['id']) }));
          }}
        >
          <option value="">{measureWords.chooseUnit}</option>
          {#each editor.context.units as unit (unit.id)}<option value={unit.id}>{unitName(unit)}</option
            >{/each}
        </select>
        <span id="from-label">{measureWords.from}</span>
        <div class="from" role="radiogroup" aria-labelledby="from-label">
          {#each ['outside', 'inside'] as const as from (from)}
            <label>
              <input
                type="radio"
                name="from"
                value={from}
                checked={editor.opening.survey.from === from}
                onchange={() => editor.change((o) => ({ ...o, survey: { ...o.survey, from } }))}
              />{measureWords[from]}
            </label>
          {/each}
        </div>
      </div>

      <form onsubmit={(event) => event.preventDefault()}>
        {#snippet fields(group: (typeof GROUPS)[number])}
          <fieldset>
            <legend>{measureWords.groups[group.name]}</legend>
            {#each group.points as id (id)}
              <LengthField
                id={fieldId(id)}
                keep="{editor.context.job.id}:{editor.opening.id}:{id}"
                label={pointTexts[id].label}
                hint={pointTexts[id].hint}
                value={editor.opening.survey.values[id] ?? null}
                unit={units}
                doubt={(mm) => doubtOf(id, mm)}
                least_mm={surveyPoints[id].least_mm}
                most_mm={surveyPoints[id].most_mm}
                onchange={(value) => setReading(id, value)}
                onfocus={() => (point = id)}
                onnext={() => focusNext(id)}
              />
            {/each}
          </fieldset>
        {/snippet}
        {#each GROUPS as group (group.name)}{@render fields(group)}{/each}
        <details>
          <summary>{measureWords.more}</summary>
          {#each MORE as group (group.name)}{@render fields(group)}{/each}
          <DeliveryFields {editor} {units} />
        </details>
      </form>
    </fieldset>
    <p class="hint">{measureWords.method}</p>
  </section>

  <!-- It scrolls on its own, so the keyboard must be able to enter it. -->
  <!-- svelte-ignore a11y_no_noninteractive_tabindex -->
  <section class="result" id="measure-result" tabindex="0" aria-label={measureWords.result}>
    <Disputes {editor} />
    <FindingList
      {findings}
      verdict={editor.judgement.proofs.fit.grade}
      checked={editor.judgement.proofs.fit.checked}
      {units}
      title={plan.fit ? fitWord(plan.fit.result.verdict, plan.frame?.missing.length === 0) : null}
      summary={plan.fit
        ? `${measureWords.least(length(tightest))} ${measureWords.seat(length(plan.fit.placement.bottom))}${fromInside ? ` ${measureWords.insideNote}` : ''}`
        : ''}
      onfix={null}
    />
    {#if plan.fit}<ShimTable fit={plan.fit} {units} />{/if}
  </section>
</div>

<style>
  .measure {
    display: grid;
    grid-template-columns: minmax(0, 1fr) 290px 300px;
    flex: 1;
    min-height: 0;
  }
  .drawing {
    display: flex;
    flex-direction: column;
    background: var(--sand);
  }
  .drawing > :global(.paper) {
    flex: 1;
    min-height: 420px;
  }
  .key,
  .empty {
    padding: var(--gap-2) var(--gap-4);
    color: var(--ink-soft);
    background: var(--paper);
    border-top: 1px solid var(--line);
  }
  .empty {
    margin: auto;
    border: 0;
    background: none;
  }
  .panel,
  .result {
    padding: var(--gap-3) var(--gap-4);
    border-left: 1px solid var(--line);
    overflow-y: auto;
    max-height: calc(100vh - 160px);
  }
  .choices {
    display: grid;
    align-items: center;
    gap: var(--gap-1);
    margin: var(--gap-2) 0;
  }
  .from {
    display: flex;
    gap: var(--gap-4);
  }
  .from label {
    display: flex;
    align-items: center;
    gap: 6px;
    min-height: 32px;
  }
  .from input {
    width: 18px;
    min-height: 18px;
    accent-color: var(--rust);
  }
  .whole {
    display: block;
    padding: 0;
    border: 0;
    min-width: 0;
  }
  form fieldset {
    display: grid;
    gap: 6px;
    margin: 0;
    padding: var(--gap-2) 0 var(--gap-3);
    border: 0;
    border-top: 1px solid var(--line);
  }
  details > summary {
    display: flex;
    align-items: center;
    min-height: var(--touch);
    border-top: 1px solid var(--line);
    font-weight: 600;
    color: var(--rust);
    cursor: pointer;
  }
  legend {
    float: left;
    width: 100%;
    font-size: 0.9rem;
    font-weight: 700;
    color: var(--ink-soft);
  }
  .hint {
    font-size: 0.88rem;
    color: var(--ink-soft);
  }
  @media (max-width: 1180px) {
    .measure {
      grid-template-columns: minmax(0, 1fr) 320px;
      grid-auto-rows: auto;
    }
    .result {
      grid-column: 1;
      border-left: 0;
      max-height: none;
    }
    .panel {
      grid-column: 2;
      grid-row: 1 / span 2;
      max-height: none;
    }
  }
  @media (max-width: 900px) {
    .measure {
      grid-template-columns: minmax(0, 1fr);
    }
    .drawing,
    .panel,
    .result {
      grid-column: 1;
      grid-row: auto;
      border-left: 0;
    }
    .drawing > :global(.paper) {
      min-height: 300px;
    }
  }
</style>
