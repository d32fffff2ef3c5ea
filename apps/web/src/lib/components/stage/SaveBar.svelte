<script module lang="ts">
  import type { OpeningEditor } from '$lib/state/opening.svelte.ts';

  export interface SaveBarProps {
    editor: OpeningEditor;
    /** Whether this stage edits the opening, so that undo belongs here. */
    editing: boolean;
  }
</script>

<script lang="ts">
  import Button from '$lib/components/ui/Button.svelte';
  import { text } from '$lib/texts/en.ts';
  import Redo from '@lucide/svelte/icons/redo-2';
  import Undo from '@lucide/svelte/icons/undo-2';
  import { fieldLabel, fieldValue } from '$lib/state/history.ts';
  import { formatLength, formatSize } from '@hulvek/core';

  let { editor, editing }: SaveBarProps = $props();
  const unit = $derived(editor.plan.unit);
  const size = $derived(
    unit && formatSize({ width: unit.width.mm, height: unit.height.mm }, editor.context.job.units),
  );

  const near = $derived(editor.store.collisionsOf(editor.id));
  const markOf = (id: string) => editor.store.view(id)?.document.mark ?? id;
  const length = (mm: number) => formatLength(mm, editor.context.job.units);

  /** Choices that both changed, in words. */
  const differences = $derived.by(() => {
    const theirs = editor.theirs?.document;
    if (!theirs) return [];
    const { context, opening } = editor;
    return editor.differences.map((field) => ({
      label: fieldLabel(field),
      mine: fieldValue(opening, field, context),
      theirs: fieldValue(theirs, field, context),
    }));
  });
</script>

<div class="bar">
  <h1>{editor.opening.mark} <span>{editor.opening.name}</span></h1>
  {#if unit}<p class="unit">{unit.name} <span class="figure">{size}</span></p>{/if}
  <span class="room"></span>
  <p class="state" role="status" data-state={editor.save}>
    {text.save[editor.save]}{editor.save === 'refused' && editor.refusal ? `: ${editor.refusal}` : ''}
  </p>
  <a href="/jobs/{editor.store.id}/{editor.id}/history">{text.history.open}</a>
  {#if editing}
    <Button kind="quiet" disabled={!editor.canUndo} onclick={() => editor.undo()}
      ><Undo size={16} aria-hidden="true" />{text.save.undo}</Button
    >
    <Button kind="quiet" disabled={!editor.canRedo} onclick={() => editor.redo()}
      ><Redo size={16} aria-hidden="true" />{text.save.redo}</Button
    >
  {/if}
</div>
{#each near as c (c.openings.join())}
  <p class="near">
    <b>{text.board.near(markOf(c.openings.find((id) => id !== editor.id) ?? ''))}.</b>
    {c.kind === 'openings-overlap'
      ? text.board.overlap
      : text.board.meet(length(c.free_mm), length(c.needs_mm))}
    <a href="/jobs/{editor.store.id}/board">{text.board.title}</a>
  </p>
{/each}
{#if editor.save === 'conflict'}
  <section class="conflict" aria-label={text.save.conflict}>
    <p>{text.save.conflictText}</p>
    <ul>
      {#each differences as d (d.label)}
        <li>
          {d.label}{#if d.mine || d.theirs}: {text.save.mineValue} <b class="figure">{d.mine}</b>, {text.save
              .theirsValue} <b class="figure">{d.theirs}</b>{/if}
        </li>
      {/each}
    </ul>
    <Button kind="main" onclick={() => editor.resolve('mine')}>{text.save.mine}</Button>
    <Button onclick={() => editor.resolve('theirs')}>{text.save.theirs}</Button>
  </section>
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
  .near {
    padding: var(--gap-2) var(--gap-4);
    border-left: 4px solid var(--bad);
    background: var(--bad-soft);
  }
  .conflict {
    display: flex;
    flex-flow: row wrap;
    align-items: center;
    gap: var(--gap-3);
    padding: var(--gap-3) var(--gap-4);
    background: var(--bad-soft);
  }
  .conflict ul {
    width: 100%;
  }
</style>
