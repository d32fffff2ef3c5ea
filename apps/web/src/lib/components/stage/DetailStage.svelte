<script module lang="ts">
  import type { OpeningEditor } from '$lib/state/opening.svelte.ts';

  export interface DetailStageProps {
    editor: OpeningEditor;
  }
</script>

<script lang="ts">
  import Paper from '$lib/components/drawing/Paper.svelte';
  import PiecesView from '$lib/components/drawing/PiecesView.svelte';
  import StepStrip from '$lib/components/drawing/StepStrip.svelte';
  import { text } from '$lib/texts/en.ts';
  import {
    faceDrawing,
    formatLength,
    pieceText,
    sillDrawing,
    type Fix,
    type ParameterId,
  } from '@hulvek/core';
  import CutTable from './CutTable.svelte';
  import FindingList from './FindingList.svelte';
  import MethodNumbers from './MethodNumbers.svelte';

  let { editor }: DetailStageProps = $props();
  const VIEWS = ['face', 'sill', 'pieces'] as const;
  let view = $state<(typeof VIEWS)[number]>('face');
  let chosen = $state<number | null>(null);
  const units = $derived(editor.context.job.units);
  const plan = $derived(editor.plan);
  const build = $derived(plan.build);
  const step = $derived(Math.min(chosen ?? Infinity, build?.steps.length ?? 0));
  const figure = $derived((mm: number) => formatLength(mm, units, 'figure'));

  function applyFix(fix: Fix) {
    editor.change((opening) => {
      const numbers = { ...opening.numbers };
      for (const [id, mm] of Object.entries(fix.set)) {
        numbers[id as ParameterId] =
          id === 'slope' ? { typed: `${mm}°`, deg: mm } : { typed: `${mm} mm`, mm };
      }
      return { ...opening, numbers };
    });
  }

  function choose(kind: 'wall' | 'method', id: string) {
    const value = id === '' ? null : id;
    editor.change((opening) => ({ ...opening, [kind]: value }));
  }
</script>

<div class="detail">
  <section class="sheet" aria-label={text.detail.viewLabel}>
    <div class="views" role="group" aria-label={text.detail.viewLabel}>
      {#each VIEWS as name (name)}
        <button type="button" aria-pressed={view === name} onclick={() => (view = name)}
          >{text.detail.views[name]}</button
        >
      {/each}
      {#if build}
        <a href="/jobs/{editor.context.job.id}/{editor.opening.id}/pieces.svg" target="_blank"
          >{text.detail.export}</a
        >
      {/if}
    </div>
    {#if build}
      <div class="canvas">
        {#if view === 'face'}
          <Paper label={text.detail.face} draw={(size) => faceDrawing(build, { ...size, step, figure })} />
        {:else if view === 'sill'}
          <span class="where left" aria-hidden="true">{text.detail.outside}</span>
          <span class="where right" aria-hidden="true">{text.detail.inside}</span>
          <Paper
            label={text.detail.sill}
            draw={(size) => sillDrawing(build, { ...size, step, figure, name: pieceText })}
          />
        {:else}
          <PiecesView pieces={build.pieces} {units} />
        {/if}
      </div>
      {#if view !== 'pieces'}
        <StepStrip steps={build.steps} {step} onstep={(next) => (chosen = next)} />
      {/if}
    {:else}
      <p class="empty">{text.detail.empty}</p>
    {/if}
  </section>

  <section class="panel" aria-label={text.detail.title}>
    {#if !editor.mayPlan}<p class="note">{text.readOnly}</p>{/if}
    <fieldset class="whole choices" disabled={!editor.mayPlan}>
      <label for="wall">{text.detail.wall}</label>
      <select
        id="wall"
        value={editor.opening.wall ?? ''}
        onchange={(e) => choose('wall', e.currentTarget.value)}
      >
        <option value="">{text.detail.choose}</option>
        {#each editor.context.walls as wall (wall.id)}<option value={wall.id}>{wall.name}</option>{/each}
      </select>
      <label for="method">{text.detail.method}</label>
      <select
        id="method"
        value={editor.opening.method ?? ''}
        onchange={(e) => choose('method', e.currentTarget.value)}
      >
        <option value="">{text.detail.choose}</option>
        {#each editor.context.methods as method (method.id)}<option value={method.id}>{method.name}</option
          >{/each}
      </select>
    </fieldset>
    <FindingList
      findings={plan.findings}
      verdict={plan.verdict}
      {units}
      title={null}
      summary=""
      onfix={editor.mayPlan ? applyFix : null}
    />
    {#if build}
      <h2>{text.detail.cuts}</h2>
      <CutTable cuts={plan.cuts} {units} />
      <p class="note">{text.detail.reachNote}</p>
    {/if}
    <h2>{text.detail.numbers}</h2>
    <fieldset class="whole" disabled={!editor.mayPlan}><MethodNumbers {editor} /></fieldset>
  </section>
</div>

<style>
  .detail {
    display: grid;
    grid-template-columns: minmax(0, 1fr) 392px;
    flex: 1;
    min-height: 0;
  }
  .sheet {
    display: flex;
    flex-direction: column;
    background: var(--sand);
  }
  .views {
    display: flex;
    align-items: center;
    gap: var(--gap-2);
    padding: var(--gap-2) var(--gap-4);
  }
  .views button {
    min-height: 36px;
    padding: 4px 14px;
    border: 1px solid var(--line);
    border-radius: var(--radius);
    background: var(--paper);
    cursor: pointer;
  }
  .views button[aria-pressed='true'] {
    border-color: var(--ink);
    background: var(--ink);
    color: var(--on-ink);
  }
  .views a {
    margin-left: auto;
  }
  .canvas {
    position: relative;
    flex: 1;
    display: flex;
    min-height: 380px;
  }
  .where {
    position: absolute;
    top: var(--gap-2);
    z-index: 1;
    color: var(--ink-soft);
    font-weight: 600;
  }
  .where.left {
    left: var(--gap-4);
  }
  .where.right {
    right: var(--gap-4);
  }
  .empty {
    margin: auto;
    color: var(--ink-soft);
  }
  .panel {
    padding: var(--gap-3) var(--gap-4);
    border-left: 1px solid var(--line);
    overflow-y: auto;
    max-height: calc(100vh - 160px);
  }
  .panel h2 {
    margin: var(--gap-5) 0 var(--gap-2);
  }
  .choices {
    display: grid;
    grid-template-columns: auto 1fr;
    align-items: center;
    gap: var(--gap-2) var(--gap-3);
    margin-bottom: var(--gap-4);
  }
  .whole {
    margin: 0;
    padding: 0;
    border: 0;
    min-width: 0;
  }
  .whole.choices {
    margin-bottom: var(--gap-4);
  }
  .note {
    margin-top: var(--gap-2);
    font-size: 0.9rem;
    color: var(--ink-soft);
  }
  @media (max-width: 900px) {
    .detail {
      grid-template-columns: minmax(0, 1fr);
    }
    .panel {
      border-left: 0;
      max-height: none;
    }
  }
</style>
