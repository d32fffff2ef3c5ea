<script module lang="ts">
  import type { OpeningEditor } from '$lib/job/opening.svelte.ts';

  export interface SaveBarProps {
    editor: OpeningEditor;
    /** Whether this stage edits the opening, so that undo belongs here. */
    editing: boolean;
  }
</script>

<script lang="ts">
  import { page } from '$app/state';
  import PageHelp from './PageHelp.svelte';
  import Button from '$lib/ui/Button.svelte';
  import { saveWords, viewWords } from '$words/shell.ts';
  import { historyWords } from '$words/history.ts';
  import { boardWords } from '$words/board.ts';
  import Redo from '@lucide/svelte/icons/redo-2';
  import Undo from '@lucide/svelte/icons/undo-2';
  import { formatLength, formatSize } from '@hulvek/core';

  let { editor, editing }: SaveBarProps = $props();
  const unit = $derived(editor.context.units.find(({ id }) => id === editor.opening.unit) ?? null);
  const size = $derived(
    unit && formatSize({ width: unit.width.mm, height: unit.height.mm }, editor.store.reads),
  );

  const near = $derived(editor.store.collisionsOf(editor.id));
  const markOf = (id: string) => editor.store.view(id)?.document.mark ?? id;
  const length = (mm: number) => formatLength(mm, editor.store.reads);
</script>

<div class="bar">
  <h1>{editor.opening.mark} <span>{editor.opening.name}</span></h1>
  {#if unit}<p class="unit">{unit.name} <span class="figure">{size}</span></p>{/if}
  <span class="room"></span>
  <p class="state" role="status" data-state={editor.save}>
    {saveWords[editor.save]}{editor.save === 'refused' && editor.refusal ? `: ${editor.refusal}` : ''}
  </p>
  <a href="/jobs/{editor.store.id}/{editor.id}/history">{historyWords.open}</a>
  {#if page.params.stage}<PageHelp of={{ stage: page.params.stage }} />{/if}
  {#if editing}
    <Button kind="quiet" disabled={!editor.canUndo} onclick={() => editor.undo()}
      ><Undo size={16} aria-hidden="true" />{saveWords.undo}</Button
    >
    <Button kind="quiet" disabled={!editor.canRedo} onclick={() => editor.redo()}
      ><Redo size={16} aria-hidden="true" />{saveWords.redo}</Button
    >
  {/if}
</div>
{#each near as c (c.openings.join())}
  <p class="near">
    <b>{boardWords.near(markOf(c.openings.find((id) => id !== editor.id) ?? ''))}.</b>
    {c.kind === 'openings-overlap'
      ? boardWords.overlap
      : boardWords.meet(length(c.free_mm), length(c.needs_mm))}
    <a href="/jobs/{editor.store.id}/board">{viewWords.board}</a>
  </p>
{/each}
{#if editor.save === 'conflict'}
  {#await import('./SaveConflict.svelte') then { default: SaveConflict }}<SaveConflict {editor} />{/await}
{/if}

<style>
  .bar {
    display: flex;
    flex-flow: row wrap;
    align-items: center;
    gap: var(--gap-2) var(--gap-4);
    padding: var(--gap-2) var(--gap-4);
    border-bottom: 1px solid var(--line);
  }
  h1 {
    font-size: 1.25rem;
  }
  h1 span {
    font-weight: 400;
  }
  .unit,
  .state {
    color: var(--ink-soft);
  }
  .room {
    flex: 1;
  }
  .state[data-state='waiting'] {
    color: var(--watch);
    font-weight: 600;
  }
  .state[data-state='conflict'],
  .state[data-state='refused'] {
    color: var(--bad);
    font-weight: 600;
  }
  @media (max-width: 640px) {
    h1 {
      max-width: 100%;
      font-size: 1.1rem;
      overflow-wrap: anywhere;
    }
    .unit {
      display: none;
    }
    .bar {
      gap: 2px var(--gap-3);
      padding-block: var(--gap-1);
    }
  }
  .near {
    padding: var(--gap-2) var(--gap-4);
    border-left: 4px solid var(--bad);
    background: var(--bad-soft);
  }
</style>
