<script module lang="ts">
  import type { OpeningEditor } from '$lib/job/opening.svelte.ts';

  export interface InstallStageProps {
    editor: OpeningEditor;
  }
</script>

<script lang="ts">
  import PictureButton from '$lib/ui/PictureButton.svelte';
  import Paper from '$lib/drawing/Paper.svelte';
  import ProgressBar from '$lib/ui/ProgressBar.svelte';
  import { FieldLog } from './field.svelte.ts';
  import { madeBy } from '$words/contract.ts';
  import { installWords } from '$words/install.ts';
  import { detailWords, stripWords } from '$words/detail.ts';
  import { errorsWords } from '$words/contract.ts';
  import { dateTime } from '$lib/ui/time.ts';
  import {
    faceDrawing,
    formatLength,
    refusal,
    shareDone,
    stepText,
    verdictTexts,
    type Entry,
    type Issue,
  } from '@hulvek/core';
  import { onMount, tick, untrack } from 'svelte';
  import Clocks from './Clocks.svelte';
  import FreezeForm from './FreezeForm.svelte';
  import EntryHistory from './EntryHistory.svelte';
  import StepCard from './StepCard.svelte';
  import TakenBar from './TakenBar.svelte';

  let { editor }: InstallStageProps = $props();
  const log = untrack(() => new FieldLog(editor.store, editor.opening.id));
  const mayFreeze = $derived(editor.store.pack.rights.includes('freeze'));
  const done = $derived(log.progress.filter((s) => s.status === 'done').length);
  const next = $derived(
    log.progress.find((s) => s.status !== 'done' && s.status !== 'blocked') ??
      log.progress.find((s) => s.status === 'blocked'),
  );
  /** Steps before the one that is next: folded away, so that the card for now comes first. */
  const before = $derived(next ? log.progress.findIndex((s) => s.id === next.id) : 0);
  /** The wall with the step that is next, or as finished. */
  const shown = $derived(next ? before + 1 : log.steps.length);
  const shownTitle = $derived(next ? installWords.shows(stepText(next.id).title) : stripWords.done);
  const figure = $derived((mm: number) => formatLength(mm, editor.context.job.units, 'figure'));
  /** What is planned today is only asked for where nothing is frozen yet, or something changed since. */
  const asksPlan = $derived(!log.issue?.build || log.isChanged);
  const plan = $derived(asksPlan && editor.store.canPlan ? editor.plan : null);
  const changed = $derived(log.isChanged && plan ? log.changedSteps(plan) : null);
  const CLOCK_ms = 15_000;

  $effect(() => {
    if (asksPlan) void editor.store.planning();
  });
  onMount(() => {
    log.tickClock();
    const clock = setInterval(() => log.tickClock(), CLOCK_ms);
    return () => clearInterval(clock);
  });

  /** The button that was pressed is gone: the keyboard goes on at the step that is next. */
  async function focusNext() {
    await tick();
    document.getElementById(`step-${next?.id}`)?.focus();
  }

  /** The last thing that was ticked or looked at, taken back where the thumb is. */
  const last = $derived(
    log.progress
      .flatMap(({ tick, look }) => [tick, look])
      .filter((entry) => entry !== null && entry !== undefined)
      .filter((entry) => entry.account === editor.store.pack.me.id)
      .reduce<Entry | null>((newest, entry) => (!newest || entry.at > newest.at ? entry : newest), null),
  );

  const back = $derived(last && { kind: 'undo' as const, step: last.step, undoes: last.id, note: '' });
  const mayTakeBack = $derived(back !== null && refusal(back, log.progress, log.steps) === null);

  async function freeze(despite?: Issue['despite']) {
    await editor.flush();
    if (editor.save === 'saved') {
      await log.freeze(despite);
      await focusNext();
    } else log.problem = installWords.freezeNeedsNetwork;
  }
</script>

{#snippet cards(from: number, to: number)}
  {#each log.progress.slice(from, to) as state, i (state.id)}
    {@const step = log.steps[from + i]}
    {#if step}
      <li>
        <StepCard
          {step}
          {state}
          number={from + i + 1}
          open={state.id === next?.id}
          {log}
          units={editor.store.reads}
          ondone={focusNext}
        />
      </li>
    {/if}
  {/each}
{/snippet}

{#snippet freezing(again: boolean)}
  <FreezeForm
    judgement={editor.store.judgementOf(editor.id)}
    {again}
    disabled={log.sending || !mayFreeze}
    job={editor.store.id}
    opening={editor.id}
    onfreeze={(despite) => void freeze(despite)}
  />
{/snippet}

<div class="stage">
  {#if log.frozen}
    {@const { build } = log.frozen}
    <section class="drawing" aria-label={detailWords.viewLabel}>
      <Paper
        label={installWords.drawing}
        draw={(size) => faceDrawing(build, { ...size, step: shown, figure })}
      />
      <p class="quiet">{shownTitle}</p>
    </section>
  {/if}
  <div class="install">
    <div class="head">
      <h2>{installWords.title}</h2>
      {#if log.issue}
        <p class="quiet">
          {installWords.frozen(log.issue.version, madeBy(log.issue), dateTime(log.issue.at))}
        </p>
        {#if log.issue.despite}<p class="despite">
            {installWords.despite(verdictTexts[log.issue.despite.grade], log.issue.despite.reason)}
          </p>{/if}
        <p class="share">
          <ProgressBar share={shareDone(log.progress)} label={installWords.doneOf(done, log.steps.length)} />
          {installWords.doneOf(done, log.steps.length)}
        </p>
      {/if}
    </div>
    <!-- What lies open for weeks is told for the whole job; here what cannot wait for the end of the step. -->
    {#if log.issue}<Clocks store={editor.store} opening={editor.id} kinds={['open', 'rest']} />{/if}
    {#if log.issue}<TakenBar {log} />{/if}
    {#if log.problem}<p class="problem" role="alert">{log.problem}</p>{/if}

    {#if !log.issue}
      <p>{installWords.notStarted}</p>
      {#if plan?.build}
        {@render freezing(false)}
        <p class="quiet">{installWords.freezeNote}</p>
      {:else if plan}
        <p class="problem">{errorsWords.noPlan}</p>
      {/if}
    {:else}
      {#if changed !== null}
        <div class="changed">
          <p>{installWords.changed(changed)}</p>
          {#if plan?.build}{@render freezing(true)}{/if}
        </div>
      {/if}
      {#if !next}<p class="finished" role="status">{installWords.finished}</p>{/if}
      {#if before > 0 && next}
        <details class="before">
          <summary>{installWords.before(before)}</summary>
          <ol>{@render cards(0, before)}</ol>
        </details>
      {/if}
      <ol>{@render cards(next ? before : 0, log.steps.length)}</ol>
      {#if (back && mayTakeBack) || (next && log.may('note'))}
        <div class="thumb">
          {#if back && mayTakeBack}
            <button type="button" onclick={() => log.add(back)}
              >{installWords.undo}: {stepText(back.step).title}</button
            >
          {/if}
          {#if next && log.may('note')}
            <PictureButton
              label={installWords.addPicture}
              onpicture={(file) => void log.addPicture(next.id, file, '')}
            />
          {/if}
        </div>
      {/if}
      <EntryHistory {log} title={(step) => stepText(step).title} />
    {/if}
  </div>
</div>

<style>
  .stage {
    display: flex;
    flex: 1;
    min-height: 0;
  }
  .drawing {
    display: none;
  }
  @media (min-width: 1000px) {
    .drawing {
      display: flex;
      flex: 1;
      flex-direction: column;
      position: sticky;
      top: 0;
      height: calc(100vh - 142px);
      background: var(--sand);
      border-right: 1px solid var(--line);
    }
    .drawing p {
      padding: var(--gap-2) var(--gap-4);
      background: var(--paper);
      border-top: 1px solid var(--line);
    }
    .drawing + .install {
      width: 34rem;
    }
  }
  .install {
    display: grid;
    grid-template-columns: minmax(0, 1fr);
    gap: var(--gap-3);
    align-content: start;
    justify-items: start;
    width: 100%;
    max-width: 46rem;
    padding: var(--gap-4);
  }
  .head {
    display: flex;
    flex-flow: row wrap;
    align-items: baseline;
    gap: var(--gap-1) var(--gap-4);
  }
  .share {
    display: flex;
    gap: var(--gap-3);
    align-items: center;
  }
  .share :global(.figure) {
    display: none;
  }
  .despite {
    width: 100%;
    padding-left: var(--gap-3);
    border-left: 3px solid var(--watch);
    overflow-wrap: anywhere;
  }
  .finished {
    color: var(--good);
    font-weight: 600;
  }
  .changed {
    display: flex;
    flex-flow: row wrap;
    align-items: center;
    gap: var(--gap-3);
    padding: var(--gap-3);
    border-left: 4px solid var(--watch);
    background: var(--sand);
  }
  .thumb {
    display: none;
  }
  @media (max-width: 999px) {
    .thumb {
      display: flex;
      align-items: stretch;
      gap: var(--gap-3);
      position: sticky;
      bottom: 0;
      width: 100%;
      padding: var(--gap-2) 0;
      background: var(--paper);
    }
    .thumb button {
      flex: 1;
      min-width: 0;
      min-height: 48px;
      overflow: hidden;
      border: 1px solid var(--line);
      border-radius: var(--radius);
      background: var(--sand);
      color: var(--ink);
      font: inherit;
      text-overflow: ellipsis;
      white-space: nowrap;
    }
  }
  .before {
    width: 100%;
  }
  .before > summary {
    display: flex;
    align-items: center;
    min-height: var(--touch);
    color: var(--good);
    font-weight: 600;
    cursor: pointer;
  }
  ol {
    display: grid;
    width: 100%;
  }
</style>
