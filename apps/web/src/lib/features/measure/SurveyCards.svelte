<script module lang="ts">
  import type { OpeningEditor } from '$lib/job/opening.svelte.ts';

  export interface SurveyCardsProps {
    editor: OpeningEditor;
    onclose: () => void;
  }
</script>

<script lang="ts">
  import { fieldWords } from '$words/ui.ts';
  import Paper from '$lib/drawing/Paper.svelte';
  import Button from '$lib/ui/Button.svelte';
  import { SurveyWalk } from './survey-walk.svelte.ts';
  import { cardsWords, measureWords } from '$words/measure.ts';
  import { historyWords } from '$words/history.ts';
  import { jobsWords } from '$words/shell.ts';
  import { doubtText, formatLength, pointTexts, surveyDrawing, surveyWalk } from '@hulvek/core';
  import { onMount, untrack } from 'svelte';
  import Keypad from './Keypad.svelte';

  let { editor, onclose }: SurveyCardsProps = $props();
  const walk = untrack(() => new SurveyWalk(editor));
  let dialog: HTMLDialogElement | undefined = $state();
  let field: HTMLInputElement | undefined = $state();
  const length = $derived((mm: number) => formatLength(mm, walk.units));
  const figure = $derived((mm: number) => formatLength(mm, walk.editor.context.job.units, 'figure'));
  const from = $derived(editor.opening.survey.from);
  const readAs = $derived(
    walk.parsed?.ok && walk.parsed.value.unit !== walk.units
      ? fieldWords.readAs(length(walk.parsed.value.mm))
      : '',
  );

  onMount(() => {
    dialog?.showModal();
    field?.focus();
  });

  function close() {
    walk.leave();
    onclose();
  }

  function keep() {
    if (walk.keep()) field?.focus();
  }

  function keydown(event: KeyboardEvent) {
    if (event.key === 'Enter') {
      event.preventDefault();
      keep();
    }
  }
</script>

<dialog bind:this={dialog} aria-label={cardsWords.title(editor.opening.mark)} onclose={close}>
  <header>
    <b>{editor.opening.mark}</b>
    <span>{cardsWords.of(walk.index + 1, surveyWalk.length)}</span>
    <span class="side">{historyWords.seen(measureWords[from])}</span>
    <Button kind="quiet" large onclick={() => dialog?.close()}>{cardsWords.close}</Button>
  </header>
  <div class="drawing">
    {#if editor.plan.frame}
      {@const frame = editor.plan.frame}
      <Paper
        label={cardsWords.drawing(pointTexts[walk.point].label)}
        draw={(size) =>
          surveyDrawing(frame, null, {
            ...size,
            figure,
            point: walk.point,
            fromInside: from === 'inside',
            unit: null,
            least_mm: editor.plan.numbers.leastGap,
            leg_mm: 0,
          })}
      />
    {:else}
      <p class="empty">{measureWords.empty}</p>
    {/if}
  </div>
  <div class="card">
    <label for="card-figure"
      ><b>{pointTexts[walk.point].label}</b><span>{pointTexts[walk.point].hint}</span></label
    >
    <div class="row">
      <input
        id="card-figure"
        bind:this={field}
        type="text"
        inputmode="none"
        autocomplete="off"
        spellcheck="false"
        class="figure"
        value={walk.typed}
        placeholder={jobsWords[walk.units]}
        aria-describedby="card-say"
        aria-invalid={walk.problem !== ''}
        oninput={(event) => walk.type(event.currentTarget.value)}
        onkeydown={keydown}
      />
      {#if walk.lost}
        <Button large onclick={() => walk.reconnect()}>{cardsWords.reconnect}</Button>
      {:else}
        <Button large onclick={() => walk.take()}>{cardsWords.take}</Button>
      {/if}
    </div>
    <p id="card-say" aria-live="polite" data-bad={walk.problem !== '' || walk.doubts.length > 0}>
      {#if walk.problem}{walk.problem}
      {:else if walk.doubts[0]}{doubtText(walk.doubts[0], length)}
      {:else if readAs}{readAs}
      {:else if walk.instrument !== 'tape' && walk.changed}{cardsWords.readWith(
          historyWords.instruments[walk.instrument],
        )}
      {:else}&nbsp;{/if}
    </p>
    <Keypad unit={walk.units} onpress={(key) => walk.press(key)} />
    <div class="row">
      <Button large onclick={() => walk.go(-1)} disabled={walk.index === 0}>{cardsWords.back}</Button>
      <Button kind="main" large disabled={!editor.mayEdit} onclick={keep}>
        {walk.typed.trim() === '' ? cardsWords.skip : cardsWords.keep}
      </Button>
    </div>
  </div>
</dialog>

<style>
  dialog {
    display: none;
  }
  dialog[open] {
    display: grid;
    grid-template-rows: auto minmax(90px, 1fr) auto;
    width: min(100vw, 480px);
    max-width: none;
    height: 100dvh;
    max-height: none;
    margin: 0 auto;
    padding: 0;
    border: 0;
    background: var(--paper);
    color: var(--ink);
  }
  header {
    display: flex;
    align-items: center;
    gap: var(--gap-3);
    padding: 0 var(--gap-3);
    background: var(--sand);
    border-bottom: 1px solid var(--line);
  }
  header b {
    font-size: 1.15rem;
  }
  .side {
    flex: 1;
    color: var(--ink-soft);
    font-size: 0.9rem;
  }
  .drawing {
    position: relative;
    min-height: 0;
    background: var(--sand);
  }
  .drawing :global(.paper) {
    min-height: 0;
  }
  .empty {
    padding: var(--gap-4);
    color: var(--ink-soft);
  }
  .card {
    display: grid;
    gap: var(--gap-2);
    padding: var(--gap-2) var(--gap-3) var(--gap-3);
  }
  label {
    display: grid;
  }
  label b {
    font-size: 1.3rem;
  }
  label span {
    color: var(--ink-soft);
    font-size: 0.95rem;
  }
  .row {
    display: flex;
    gap: var(--gap-2);
  }
  input {
    flex: 1;
    min-width: 0;
    min-height: 60px;
    font-size: 2.1rem;
    font-weight: 700;
  }
  .row > :global(button[data-kind='main']) {
    flex: 1;
    min-height: 56px;
  }
  p[data-bad='true'] {
    color: var(--bad);
    font-weight: 600;
  }
  #card-say {
    min-height: 2.6em;
    line-height: 1.3;
    font-size: 0.95rem;
  }
</style>
