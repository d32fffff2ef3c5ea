<script module lang="ts">
  import type { Snippet } from 'svelte';

  export interface ProofFrameProps {
    /** What the sheet shows. */
    label: string;
    /** Buttons over the drawing. */
    views: Snippet;
    /** The drawing, in the space that is left; `null` while nothing can be drawn. */
    canvas: Snippet | null;
    /** Below the drawing. */
    below?: Snippet | undefined;
    empty: string;
    /** Whether the drawing is a cut, with the weather on its left. */
    isCut: boolean;
    panelLabel: string;
    panel: Snippet;
  }
</script>

<script lang="ts">
  import { detailWords } from '$words/detail.ts';

  let { label, views, canvas, below, empty, isCut, panelLabel, panel }: ProofFrameProps = $props();
</script>

<div class="prove">
  <section class="sheet" aria-label={label}>
    <div class="views switch">{@render views()}</div>
    {#if canvas}
      <div class="canvas">
        {#if isCut}
          <span class="where left" aria-hidden="true">{detailWords.outside}</span>
          <span class="where right" aria-hidden="true">{detailWords.inside}</span>
        {/if}
        {@render canvas()}
      </div>
      {@render below?.()}
    {:else}<p class="empty">{empty}</p>{/if}
  </section>
  <section class="panel" aria-label={panelLabel}>{@render panel()}</section>
</div>

<style>
  .prove {
    display: grid;
    grid-template-columns: minmax(0, 1fr) 420px;
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
  .canvas {
    position: relative;
    flex: 1;
    display: flex;
    min-height: 340px;
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
  .empty {
    margin: auto;
    color: var(--ink-soft);
  }
  .panel {
    display: grid;
    gap: var(--gap-2);
    align-content: start;
    padding: var(--gap-3) var(--gap-4);
    border-left: 1px solid var(--line);
    overflow-y: auto;
    max-height: calc(100vh - 160px);
  }
  .panel :global(details) {
    margin-top: var(--gap-3);
    padding-top: var(--gap-3);
    border-top: 1px solid var(--line);
  }
  .panel :global(table.figures) {
    border-collapse: collapse;
    width: 100%;
  }
  .panel :global(table.figures :is(th, td)) {
    padding: 4px var(--gap-3) 4px 0;
    text-align: left;
    font-weight: inherit;
  }
  .panel :global(table.figures td) {
    font-family: var(--mono);
  }
  .panel :global(table.figures tbody th::first-letter) {
    text-transform: uppercase;
  }
  .panel :global(table.figures thead th) {
    font-size: 0.85rem;
    color: var(--ink-soft);
  }
  .panel :global(summary h3) {
    display: inline;
  }
  .panel :global(h2) {
    display: flex;
    align-items: baseline;
    gap: var(--gap-2);
  }
  .panel :global(.mended) {
    padding: var(--gap-2) var(--gap-3);
    background: var(--sand);
  }
  @media (max-width: 900px) {
    .prove {
      grid-template-columns: minmax(0, 1fr);
    }
    .panel {
      border-left: 0;
      max-height: none;
    }
  }
</style>
