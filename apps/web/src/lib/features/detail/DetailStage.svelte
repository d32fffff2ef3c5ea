<script module lang="ts">
  import type { OpeningEditor } from '$lib/job/opening.svelte.ts';

  export interface DetailStageProps {
    editor: OpeningEditor;
  }
</script>

<script lang="ts">
  import Desk from './Desk.svelte';
  import PiecesView from './PiecesView.svelte';
  import StepStrip from './StepStrip.svelte';
  import { save } from '$lib/device/download.ts';
  import { DetailDesk, deskViews } from './detail-desk.svelte.ts';
  import VerdictMark from '$lib/ui/VerdictMark.svelte';
  import { detailWords, fastenersWords } from '$words/detail.ts';
  import { shellWords } from '$words/shell.ts';
  import { drawingLayers, drawingScales, methodChoices, type Finding } from '@hulvek/core';
  import { tick, untrack } from 'svelte';
  import CutTable from './CutTable.svelte';
  import DeviationLog from './DeviationLog.svelte';
  import FastenerTable from './FastenerTable.svelte';
  import { triedFixes } from '$lib/features/findings/tried-fixes.svelte.ts';
  import Missing from '$lib/features/findings/Missing.svelte';
  import FindingList from '$lib/features/findings/FindingList.svelte';
  import MethodChoices from './MethodChoices.svelte';
  import MethodNumbers from './MethodNumbers.svelte';

  let { editor }: DetailStageProps = $props();
  const desk = untrack(() => new DetailDesk(editor));
  const TABS = ['method', 'pieces', 'fasteners', 'numbers'] as const;
  let tab = $state<(typeof TABS)[number]>('method');
  const plan = $derived(desk.plan);
  const build = $derived(plan.build);
  /** As it is stored: long lists beside the drawing wait until a drag is let go. */
  const settled = $derived(editor.plan);
  /** What the heat says, which stands in no list on this page; nothing while it is not known. */
  const heat = $derived(editor.judgement.working ? null : editor.judgement.proofs.heat.checked);
  const units = $derived(editor.store.reads);
  const accept = $derived(
    editor.mayPlan
      ? (finding: Finding, reason: string) => {
          if (finding.code === 'rule-broken') desk.accept(finding.facts.rule, reason);
        }
      : null,
  );

  /** Opens the number behind a handle to be typed. */
  async function typeNumber(parameter: string) {
    tab = 'numbers';
    await tick();
    document.getElementById(`number-${parameter}`)?.focus();
  }
</script>

<div class="detail">
  <section class="sheet" aria-label={detailWords.viewLabel}>
    <div class="views switch" role="group" aria-label={detailWords.viewLabel}>
      {#each deskViews as name (name)}
        <button type="button" aria-pressed={desk.view === name} onclick={() => (desk.view = name)}
          >{detailWords.views[name]}</button
        >
      {/each}
    </div>
    {#if build}
      <div class="canvas">
        {#if desk.view === 'pieces'}
          <PiecesView pieces={build.pieces} units={editor.context.job.units} />
        {:else}
          {#if desk.isCut}
            <span class="where left" aria-hidden="true">{detailWords.outside}</span>
            <span class="where right" aria-hidden="true">{detailWords.inside}</span>
          {/if}
          {#key desk.view}
            <Desk
              label={desk.label}
              draw={(size) => desk.draw(size)}
              say={editor.mayPlan ? (handle) => desk.sayHandle(handle) : null}
              ondrag={(handle, mm, fine) => desk.drag(handle, mm, fine)}
              ondrop={() => desk.drop()}
              ontype={(handle) => void typeNumber(handle.parameter)}
            />
          {/key}
        {/if}
      </div>
      <div class="tools">
        {#if desk.view !== 'pieces'}
          <div class="layers" role="group" aria-label={detailWords.layers}>
            {#each drawingLayers as layer (layer)}
              <label
                ><input
                  type="checkbox"
                  checked={!desk.hidden.has(layer)}
                  onchange={() => desk.toggle(layer)}
                />{detailWords.layerNames[layer]}</label
              >
            {/each}
          </div>
        {/if}
        <div class="files">
          {#if desk.view !== 'pieces' && desk.view !== 'all'}
            <label>
              <span class="visually-hidden">{detailWords.scale}</span>
              <select bind:value={desk.scale}>
                {#each drawingScales as scale (scale)}<option value={scale}>1:{scale}</option>{/each}
              </select>
            </label>
          {/if}
          <a href="/jobs/{editor.context.job.id}/{editor.id}/drawings.pdf" download>PDF</a>
          <button type="button" class="as-link" onclick={() => save(desk.svg())}>SVG</button>
          <button type="button" class="as-link" onclick={() => void desk.dxf().then(save)}>DXF</button>
          <button type="button" class="as-link" onclick={() => window.print()}>{detailWords.print}</button>
          <a href="/jobs/{editor.context.job.id}/cut-sheet?opening={editor.id}">{detailWords.cutSheet}</a>
          <a href="/jobs/{editor.context.job.id}/{editor.id}/compare">{detailWords.compare}</a>
        </div>
      </div>
      {#if desk.view !== 'pieces'}
        <StepStrip steps={build.steps} step={desk.step} onstep={(next) => (desk.chosenStep = next)} />
      {/if}
    {:else}
      <p class="empty">{detailWords.empty}</p>
    {/if}
  </section>

  <section class="panel" aria-label={detailWords.title}>
    {#if !editor.mayPlan}<p class="note">{shellWords.readOnly}</p>{/if}
    <fieldset class="choices" disabled={!editor.mayPlan}>
      <label for="wall">{detailWords.wall}</label>
      <select
        id="wall"
        value={editor.opening.wall ?? ''}
        onchange={(e) => desk.choose('wall', e.currentTarget.value)}
      >
        <option value="">{detailWords.choose}</option>
        {#each editor.context.walls as wall (wall.id)}<option value={wall.id}>{wall.name}</option>{/each}
      </select>
      <label for="method">{detailWords.method}</label>
      <select
        id="method"
        value={editor.opening.method ?? ''}
        onchange={(e) => desk.choose('method', e.currentTarget.value)}
      >
        <option value="">{detailWords.choose}</option>
        {#each editor.context.methods as method (method.id)}<option value={method.id}>{method.name}</option
          >{/each}
      </select>
    </fieldset>
    <FindingList
      findings={plan.findings}
      verdict={editor.judgement.grade}
      checked={editor.judgement.checked}
      {units}
      title={null}
      summary=""
      onfix={editor.mayPlan ? (fix) => desk.applyFix(fix) : null}
      tryFixes={(finding) => triedFixes(editor.plan, finding)}
      looks={editor.judgement.looks}
      onaccept={accept}
    >
      {#snippet lead()}
        <Missing missing={editor.judgement.missing} job={editor.store.id} opening={editor.id} />
        {#if heat === 'fails' || heat === 'watch'}
          <p class="note" data-testid="heat-too">
            <VerdictMark verdict={heat} word />
            <a href="/jobs/{editor.store.id}/{editor.id}/prove?proof=heat">{detailWords.heatToo}</a>
          </p>
        {/if}
      {/snippet}
    </FindingList>
    <DeviationLog {editor} />
    {#if build}
      <div class="tabs switch" role="group" aria-label={detailWords.tabs}>
        {#each TABS as name (name)}
          <button type="button" aria-pressed={tab === name} onclick={() => (tab = name)}
            >{detailWords.tabNames[name]}</button
          >
        {/each}
      </div>
      {#if tab === 'pieces'}
        <h2>{detailWords.cuts}</h2>
        <CutTable cuts={settled.cuts} units={editor.context.job.units} reads={units} />
        <p class="note">{detailWords.reachNote}</p>
      {:else if tab === 'fasteners'}
        <h2>{fastenersWords.title}</h2>
        <FastenerTable fastening={build.fastening} units={editor.context.job.units} />
      {:else if tab === 'numbers'}
        <h2>{detailWords.numbers}</h2>
        <fieldset class="whole" disabled={!editor.mayPlan}><MethodNumbers {editor} /></fieldset>
      {:else if settled.choices && settled.method}
        <h2>{detailWords.axes}</h2>
        <fieldset class="whole" disabled={!editor.mayPlan}>
          <MethodChoices
            choices={settled.choices}
            inherited={methodChoices(settled.method)}
            onchoose={(axis, choice) => desk.chooseAxis(axis, choice)}
          />
        </fieldset>
      {/if}
    {/if}
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
    min-width: 0;
    background: var(--sand);
  }
  .views {
    padding: var(--gap-2) var(--gap-4);
  }
  .tabs {
    margin-top: var(--gap-4);
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
    pointer-events: none;
  }
  .where.left {
    left: var(--gap-4);
  }
  .where.right {
    right: var(--gap-4);
  }
  .tools,
  .layers,
  .files {
    display: flex;
    flex-flow: row wrap;
    align-items: center;
    gap: 2px var(--gap-3);
  }
  .tools {
    justify-content: space-between;
    padding: 2px var(--gap-4);
    border-top: 1px solid var(--line);
    font-size: 0.88rem;
  }
  .tools label {
    display: flex;
    align-items: center;
    gap: 6px;
    min-height: 32px;
  }
  .files select {
    min-height: 30px;
    padding: 0 4px;
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
    margin: var(--gap-4) 0 var(--gap-2);
  }
  .choices {
    display: grid;
    grid-template-columns: auto minmax(0, 1fr);
    align-items: center;
    gap: var(--gap-2) var(--gap-3);
    margin-bottom: var(--gap-4);
  }
  .whole {
    min-width: 0;
  }
  .note {
    margin-top: var(--gap-2);
    font-size: 0.9rem;
    color: var(--ink-soft);
  }
  @media print {
    .panel,
    .views,
    .tools {
      display: none;
    }
    .detail {
      display: block;
    }
    .sheet {
      height: 92vh;
      background: none;
    }
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
