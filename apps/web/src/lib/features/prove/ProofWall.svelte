<script module lang="ts">
  import type { WallDesk, WallView } from './wall-desk.svelte.ts';
  import type { Drawing } from '@hulvek/core';
  import type { Snippet } from 'svelte';

  export interface ProofWallProps {
    desk: WallDesk;
    /** What the sheet and its panel are about. */
    title: string;
    empty: string;
    views: readonly WallView[];
    /** Beside the buttons of the views. */
    tools?: Snippet;
    over?: Snippet<[Drawing]>;
    /** Whether the steps of the work can be gone through. */
    steps?: boolean;
    /** Whether ends of pieces can be dragged. */
    handles?: boolean;
    panel: Snippet;
  }
</script>

<script lang="ts">
  import Desk from '$lib/features/detail/Desk.svelte';
  import StepStrip from '$lib/features/detail/StepStrip.svelte';
  import { detailWords } from '$words/detail.ts';
  import { waterText } from '$words/prove-water.ts';
  import ProofFrame from './ProofFrame.svelte';

  let {
    desk,
    title,
    empty,
    views: names,
    tools,
    over,
    steps = false,
    handles = true,
    panel,
  }: ProofWallProps = $props();
  const build = $derived(desk.build);
</script>

<ProofFrame
  label={detailWords.viewLabel}
  canvas={build ? canvas : null}
  {empty}
  isCut={desk.view !== 'face'}
  panelLabel={title}
  {panel}
>
  {#snippet views()}
    <div class="switch" role="group" aria-label={detailWords.viewLabel}>
      {#each names as name (name)}
        <button type="button" aria-pressed={desk.view === name} onclick={() => (desk.view = name)}
          >{detailWords.views[name]}</button
        >
      {/each}
    </div>
    {#if desk.compares}
      <span class="switch" role="group" aria-label={waterText.compared}>
        <button type="button" aria-pressed={desk.showBefore} onclick={() => (desk.showBefore = true)}
          >{waterText.was}</button
        >
        <button type="button" aria-pressed={!desk.showBefore} onclick={() => (desk.showBefore = false)}
          >{waterText.is}</button
        >
      </span>
    {/if}
    {@render tools?.()}
  {/snippet}
  {#snippet below()}
    {#if build && steps}
      <StepStrip steps={build.steps} step={desk.step} onstep={(next) => (desk.desk.chosenStep = next)} />
    {/if}
  {/snippet}
</ProofFrame>

{#snippet canvas()}
  {#key desk.view}
    <Desk
      label={detailWords.labels[desk.view]}
      draw={(size) => desk.draw(size)}
      say={handles && desk.editor.mayPlan && !desk.showBefore
        ? (handle) => desk.desk.sayHandle(handle)
        : null}
      ondrag={(handle, mm, fine) => desk.desk.drag(handle, mm, fine)}
      ondrop={() => desk.desk.drop()}
      {over}
    />
  {/key}
{/snippet}
