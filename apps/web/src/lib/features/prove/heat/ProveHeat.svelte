<script module lang="ts">
  import type { OpeningEditor } from '$lib/job/opening.svelte.ts';
  import type { Snippet } from 'svelte';

  export interface ProveHeatProps {
    editor: OpeningEditor;
    /** Other proofs to go to. */
    proofs: Snippet;
  }
</script>

<script lang="ts">
  import Desk from '$lib/features/detail/Desk.svelte';
  import HeatField from './HeatField.svelte';
  import VerdictMark from '$lib/ui/VerdictMark.svelte';
  import { HeatDesk } from './heat-desk.svelte.ts';
  import { detailWords } from '$words/detail.ts';
  import { shellWords } from '$words/shell.ts';
  import { heatText } from '$words/prove-heat.ts';
  import { cutIds, figuresIn } from '@hulvek/core';
  import { onDestroy, untrack } from 'svelte';
  import FindingList from '$lib/features/findings/FindingList.svelte';
  import HeatScale from './HeatScale.svelte';
  import HeatSides from './HeatSides.svelte';
  import HeatStudies from './HeatStudies.svelte';
  import ProofFrame from '$lib/features/prove/ProofFrame.svelte';

  let { editor, proofs }: ProveHeatProps = $props();
  const heat = untrack(() => new HeatDesk(editor));
  onDestroy(() => heat.close());
  const build = $derived(heat.build);
  const units = $derived(editor.store.reads);
  const range = $derived([heat.conditions.outside_C, heat.conditions.inside_C] as const);

  $effect(() => {
    const { opening } = heat.desk.plan;
    void heat.cut;
    void editor.context;
    untrack(() => heat.look(opening));
  });
</script>

<ProofFrame
  label={heatText.views}
  canvas={build ? canvas : null}
  empty={heatText.empty}
  isCut
  panelLabel={heatText.title}
>
  {#snippet views()}
    <div class="switch" role="group" aria-label={heatText.views}>
      {#each cutIds as cut (cut)}
        <button type="button" aria-pressed={heat.cut === cut} onclick={() => heat.choose(cut)}
          >{detailWords.views[cut]}</button
        >
      {/each}
    </div>
    <div class="layers" role="group" aria-label={detailWords.layers}>
      <button type="button" aria-pressed={heat.showFlux} onclick={() => (heat.showFlux = !heat.showFlux)}
        >{heatText.flux}</button
      >
      <button type="button" aria-pressed={heat.showBoxes} onclick={() => (heat.showBoxes = !heat.showBoxes)}
        >{heatText.boxes}</button
      >
    </div>
  {/snippet}
  {#snippet below()}<HeatScale {heat} {range} />{/snippet}
  {#snippet panel()}
    {@render proofs()}
    <h2><VerdictMark verdict={heat.verdict} word /> {heatText.title}</h2>
    {#if !editor.mayPlan}<p class="quiet">{shellWords.readOnly}</p>{/if}
    {#if heat.problem}<p role="alert">{heatText.problem(heat.problem)}</p>{/if}
    {#if build}<HeatSides {heat} />{/if}
    {#if heat.findings.length > 0}
      <h3>{heatText.findings}</h3>
      <FindingList
        findings={heat.findings}
        verdict={heat.verdict}
        {units}
        title={null}
        summary=""
        headed={false}
        onfix={editor.mayPlan ? (fix) => heat.applyFix(fix) : null}
      />
    {:else if build && heat.settled}<p class="quiet">{heatText.noFindings}</p>{/if}
    {#if heat.before && editor.mayPlan}
      <p class="mended" role="status">
        {heatText.before}
        <button type="button" class="as-link" onclick={() => heat.undo()}>{heatText.undo}</button>
        <button type="button" class="as-link" onclick={() => (heat.before = null)}>{heatText.forget}</button>
      </p>
    {/if}
    {#if build}<HeatStudies {heat} />{/if}
    <p class="quiet">{heatText.limits(heat.conditions, figuresIn(editor.store.reads))}</p>
    <p class="quiet">
      <VerdictMark verdict="not-checkable" />
      {heatText.unitSurface}
    </p>
    <p class="quiet">{heatText.convention}</p>
  {/snippet}
</ProofFrame>

{#snippet canvas()}
  {#key heat.cut}
    <Desk
      label={detailWords.labels[heat.cut]}
      draw={(size) => heat.draw(size)}
      say={editor.mayPlan ? (handle) => heat.desk.sayHandle(handle) : null}
      ondrag={(handle, mm, fine) => heat.drag(handle, mm, fine)}
      ondrop={() => heat.drop()}
    >
      {#snippet over(drawing)}
        {#if heat.shown}
          <HeatField
            {drawing}
            cut={heat.cut}
            shown={heat.shown}
            side={heat.sides[heat.cut]?.side ?? null}
            probe={heat.probe}
            flux={heat.showFlux}
            boxes={heat.showBoxes}
            {range}
            onask={(at) => heat.ask(at)}
          />
        {/if}
      {/snippet}
    </Desk>
  {/key}
{/snippet}

<style>
  .layers {
    margin-left: auto;
  }
</style>
