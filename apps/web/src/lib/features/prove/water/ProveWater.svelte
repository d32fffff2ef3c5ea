<script module lang="ts">
  import type { OpeningEditor } from '$lib/job/opening.svelte.ts';
  import type { Snippet } from 'svelte';

  export interface ProveWaterProps {
    editor: OpeningEditor;
    /** Other proofs to go to. */
    proofs: Snippet;
  }
</script>

<script lang="ts">
  import Desk from '$lib/features/detail/Desk.svelte';
  import StepStrip from '$lib/features/detail/StepStrip.svelte';
  import WaterRun from './WaterRun.svelte';
  import { WaterDesk } from './water-desk.svelte.ts';
  import { wallViews } from '$lib/features/prove/wall-desk.svelte.ts';
  import { detailWords } from '$words/detail.ts';
  import { shellWords } from '$words/shell.ts';
  import { waterText } from '$words/prove-water.ts';
  import { formatLength } from '@hulvek/core';
  import { untrack } from 'svelte';
  import { prefersReducedMotion } from 'svelte/motion';
  import ExposurePanel from './ExposurePanel.svelte';
  import FindingList from '$lib/features/findings/FindingList.svelte';
  import ProofFrame from '$lib/features/prove/ProofFrame.svelte';
  import VerdictMark from '$lib/ui/VerdictMark.svelte';
  import WaterCourse from './WaterCourse.svelte';
  import WaterLaps from './WaterLaps.svelte';
  import WaterSources from './WaterSources.svelte';
  import WallTries from '$lib/features/prove/WallTries.svelte';

  let { editor, proofs }: ProveWaterProps = $props();
  const water = untrack(() => new WaterDesk(editor));
  const build = $derived(water.build);
  const units = $derived(editor.store.reads);
  const figure = (mm: number) => formatLength(mm, editor.context.job.units, 'figure');
  let playing = $state(false);
  let slow = $state(false);
  /** Layers stand side by side in a cut, three pixels each. */
  const ASIDE_px = 3;
</script>

<ProofFrame
  label={waterText.views}
  canvas={build ? canvas : null}
  empty={detailWords.empty}
  isCut={water.view !== 'face'}
  panelLabel={waterText.title}
>
  {#snippet views()}
    <div class="switch" role="group" aria-label={waterText.views}>
      {#each wallViews as name (name)}
        <button type="button" aria-pressed={water.view === name} onclick={() => (water.view = name)}
          >{detailWords.views[name]}</button
        >
      {/each}
      {#if water.compares}
        <span class="compare" role="group" aria-label={waterText.compared}>
          <button type="button" aria-pressed={water.showBefore} onclick={() => (water.showBefore = true)}
            >{waterText.was}</button
          >
          <button type="button" aria-pressed={!water.showBefore} onclick={() => (water.showBefore = false)}
            >{waterText.is}</button
          >
        </span>
      {/if}
    </div>
  {/snippet}
  {#snippet below()}
    {#if build}
      <WaterCourse {water} bind:playing bind:slow />
      <StepStrip steps={build.steps} step={water.step} onstep={(next) => (water.desk.chosenStep = next)} />
    {/if}
  {/snippet}
  {#snippet panel()}
    {@render proofs()}
    <h2><VerdictMark verdict={water.verdict} word /> {waterText.title}</h2>
    {#if !editor.mayPlan}<p class="quiet">{shellWords.readOnly}</p>{/if}
    {#if build}<WaterSources {water} />{/if}
    <h3>{waterText.findings}</h3>
    <FindingList
      findings={water.findings}
      verdict={water.verdict}
      {units}
      title={null}
      summary=""
      headed={false}
      onfix={editor.mayPlan ? (fix) => water.applyFix(fix) : null}
      tryFixes={(finding) => water.tryFixes(finding)}
    />
    {#if water.mended}
      <p class="mended" role="status">
        {waterText.compared}: {waterText.mended(water.mended.fixed, water.mended.left)}
        <button type="button" class="as-link" onclick={() => water.undo()}>{waterText.undo}</button>
      </p>
    {/if}
    {#if build}
      <WallTries desk={water} title={waterText.tries} />
      <WaterLaps {water} />
    {/if}
    <details>
      <summary><h3>{waterText.exposure}</h3></summary>
      <ExposurePanel {editor} />
    </details>
    <p class="quiet">{waterText.lead}</p>
  {/snippet}
</ProofFrame>

{#snippet canvas()}
  {#key water.view}
    <Desk
      label={detailWords.labels[water.view]}
      draw={(size) => water.draw(size)}
      say={editor.mayPlan && !water.showBefore ? (handle) => water.desk.sayHandle(handle) : null}
      ondrag={(handle, mm, fine) => water.desk.drag(handle, mm, fine)}
      ondrop={() => water.desk.drop()}
    >
      {#snippet over(drawing)}
        {#if water.course}
          <WaterRun
            {drawing}
            course={water.course}
            lines={water.lines}
            wets={water.wets}
            at={water.at}
            playing={playing && !prefersReducedMotion.current}
            {slow}
            {figure}
            aside={water.view === 'face' ? 0 : ASIDE_px}
            beside={water.beside_mm === null ? null : waterText.beside(formatLength(water.beside_mm, units))}
            onstop={(at) => (water.at = at)}
            onend={() => (playing = false)}
          />
        {/if}
      {/snippet}
    </Desk>
  {/key}
{/snippet}

<style>
  .switch {
    flex: 1;
  }
  .compare {
    display: inline-flex;
    margin-left: auto;
  }
</style>
