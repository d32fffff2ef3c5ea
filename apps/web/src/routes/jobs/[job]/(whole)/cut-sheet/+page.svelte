<script lang="ts">
  import { viewWords } from '$words/shell.ts';
  import { page } from '$app/state';
  import CutSheet from '$lib/features/cut-sheet/CutSheet.svelte';
  import Button from '$lib/ui/Button.svelte';
  import { save } from '$lib/device/download.ts';
  import { cutSheetWords } from '$words/cut-sheet.ts';
  import { formatLength, pieceText, piecesSvg, type FlatPiece } from '@hulvek/core';
  import { untrack } from 'svelte';
  import { SvelteSet } from 'svelte/reactivity';

  let { data } = $props();
  const store = $derived(data.store);
  const chosen = new SvelteSet(untrack(() => page.url.searchParams.getAll('opening')));
  const built = $derived(store.plans.filter((plan) => plan.build));
  const day = $derived(built.filter((plan) => chosen.has(plan.opening.id)));

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
  <h1>{viewWords.cutSheet}</h1>
  <div class="screen controls">
    <p class="lead">{cutSheetWords.lead}</p>
    <fieldset>
      <legend>{cutSheetWords.openings}</legend>
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
      <Button disabled={day.length === 0} onclick={saveSvg}>{cutSheetWords.svg}</Button>
      <Button disabled={day.length === 0} onclick={() => void saveDxf()}>{cutSheetWords.dxf}</Button>
    </p>
  </div>
  {#if day.length === 0}<p>{cutSheetWords.empty}</p>{:else}<CutSheet plans={day} reads={store.reads} />{/if}
</main>

<style>
  main {
    display: grid;
    gap: var(--gap-3);
    padding: var(--gap-3) var(--gap-4);
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
