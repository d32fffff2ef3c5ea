<script lang="ts">
  import { viewWords } from '$words/shell.ts';
  import { page } from '$app/state';
  import CutLabels from '$lib/features/cut-sheet/CutLabels.svelte';
  import PageHelp from '$lib/features/shell/PageHelp.svelte';
  import CutSheet from '$lib/features/cut-sheet/CutSheet.svelte';
  import Button from '$lib/ui/Button.svelte';
  import { save } from '$lib/device/download.ts';
  import { cutSheetWords } from '$words/cut-sheet.ts';
  import { formatLength, pieceText, piecesSvg, type FlatPiece } from '@hulvek/core';
  import { tick, untrack } from 'svelte';
  import { SvelteSet } from 'svelte/reactivity';

  let { data } = $props();
  const store = $derived(data.store);
  const chosen = new SvelteSet(untrack(() => page.url.searchParams.getAll('opening')));
  const built = $derived(store.plans.filter((plan) => plan.build));
  const day = $derived(built.filter((plan) => chosen.has(plan.opening.id)));

  const facades = $derived([...new Set(built.map((plan) => plan.opening.facade))].filter(Boolean).sort());
  /** Frozen and not finished: what is cut next. */
  const inWork = $derived.by(() => {
    const ids = new Set(store.rows.filter(({ done }) => done !== null && done < 1).map(({ id }) => id));
    return built.filter((plan) => ids.has(plan.opening.id));
  });

  function choose(plans: typeof built) {
    chosen.clear();
    for (const { opening } of plans) chosen.add(opening.id);
  }

  /** Whether labels are on the page instead of the sheet: they print by themselves. */
  let labels = $state(false);
  async function printLabels() {
    labels = true;
    await tick();
    window.print();
    labels = false;
  }

  const title =
    (mark: string) =>
    ({ id, size }: FlatPiece) => {
      const length = (mm: number) => formatLength(mm, store.reads);
      return `${mark} ${pieceText(id)}: ${length(size.length_mm)} × ${length(size.width_mm)}`;
    };

  function saveSvg() {
    for (const { opening, build } of day) {
      const content = piecesSvg(build?.pieces ?? [], title(opening.mark));
      save({ name: `${opening.mark}-pieces.svg`, type: 'image/svg+xml', content });
    }
  }
  async function saveDxf() {
    const { piecesDxf } = await import('$lib/features/detail/dxf.ts');
    for (const { opening, build } of day) {
      const content = piecesDxf(build?.pieces ?? [], title(opening.mark));
      save({ name: `${opening.mark}-pieces.dxf`, type: 'image/vnd.dxf', content });
    }
  }
</script>

<main>
  <div class="title">
    <h1>{viewWords.cutSheet}</h1>
    <PageHelp of={{ view: 'cutSheet' }} />
  </div>
  <div class="screen controls">
    <p class="lead">{cutSheetWords.lead}</p>
    <fieldset>
      <legend>{cutSheetWords.openings}</legend>
      <div class="quick">
        <Button onclick={() => choose(built)}>{cutSheetWords.all}</Button>
        {#each facades as facade (facade)}
          <Button onclick={() => choose(built.filter((plan) => plan.opening.facade === facade))}
            >{facade}</Button
          >
        {/each}
        <Button onclick={() => choose(inWork)} disabled={inWork.length === 0}>{cutSheetWords.inWork}</Button>
        <Button kind="quiet" onclick={() => chosen.clear()} disabled={chosen.size === 0}
          >{cutSheetWords.none}</Button
        >
      </div>
      {#each built as { opening } (opening.id)}
        <label
          ><input
            type="checkbox"
            checked={chosen.has(opening.id)}
            onchange={() => {
              if (!chosen.delete(opening.id)) chosen.add(opening.id);
            }}
          />{opening.mark}
          {opening.name}</label
        >
      {/each}
    </fieldset>
    <p class="buttons">
      <Button kind="main" disabled={day.length === 0} onclick={() => window.print()}
        >{cutSheetWords.print}</Button
      >
      <Button disabled={day.length === 0} onclick={() => void printLabels()}>{cutSheetWords.labels}</Button>
      {#if day.length > 0}<a
          class="as-button"
          href="/jobs/{store.id}/cut-sheet.pdf?openings={day.map((plan) => plan.opening.id).join(',')}"
          download>{cutSheetWords.pdf}</a
        >{/if}
      <Button disabled={day.length === 0} onclick={saveSvg}>{cutSheetWords.svg}</Button>
      <Button disabled={day.length === 0} onclick={() => void saveDxf()}>{cutSheetWords.dxf}</Button>
    </p>
  </div>
  {#if day.length === 0}<p>{cutSheetWords.empty}</p>
  {:else if labels}<CutLabels plans={day} job={store.context.job.name} />
  {:else}<CutSheet plans={day} reads={store.reads} />{/if}
</main>

<style>
  main {
    display: grid;
    gap: var(--gap-3);
    padding: var(--gap-3) var(--gap-4);
  }
  .title {
    display: flex;
    align-items: center;
    gap: var(--gap-2);
  }
  .quick {
    display: flex;
    flex-flow: row wrap;
    gap: var(--gap-2);
    width: 100%;
    margin-bottom: var(--gap-2);
  }
  .lead {
    color: var(--ink-soft);
  }
  .controls {
    display: grid;
    gap: var(--gap-3);
  }
  fieldset {
    display: flex;
    flex-flow: row wrap;
    gap: 0 var(--gap-4);
  }
  legend {
    font-weight: 600;
  }
  label {
    display: flex;
    align-items: center;
    gap: 6px;
    min-height: 36px;
  }
  input {
    width: 18px;
    height: 18px;
    min-height: 0;
  }
  .buttons {
    display: flex;
    flex-flow: row wrap;
    gap: var(--gap-2);
  }
  @media print {
    .screen {
      display: none;
    }
    main {
      padding: 0;
    }
  }
</style>
