<script module lang="ts">
  import type { CutId, PieceRole } from '@hulvek/core';

  export interface TermDrawingProps {
    cut: CutId;
    roles: readonly PieceRole[];
  }
</script>

<script lang="ts">
  import DrawingView from '$lib/drawing/DrawingView.svelte';
  import { detailWords } from '$words/detail.ts';
  import { glossaryWords } from '$words/glossary.ts';
  import { cutDrawing, pieceText, piecesFor, type DrawItem } from '@hulvek/core';
  import { exampleBuild } from './example-build.ts';

  let { cut, roles }: TermDrawingProps = $props();
  const build = exampleBuild();
  const SIZE = { width: 320, height: 220 };
  const drawing = $derived(
    cutDrawing(build, {
      ...SIZE,
      cut,
      step: build.steps.length,
      figure: String,
      name: pieceText,
      hide: new Set(['dimensions'] as const),
    }),
  );
  const lit = $derived(new Set(roles.flatMap((role) => piecesFor(build, role).map(({ id }) => String(id)))));
  const shapes = $derived(
    drawing.items.filter(
      (item): item is Extract<DrawItem, { kind: 'area' | 'line' }> =>
        (item.kind === 'area' || (item.kind === 'line' && item.stroke !== 'leader')) && lit.has(item.owner),
    ),
  );
  const path = (points: readonly (readonly [number, number])[]) => points.map((p) => p.join(',')).join(' ');
  const label = $derived(glossaryWords.example(detailWords.views[cut]));
</script>

<span class="drawn">
  <DrawingView {drawing} {label}>
    {#snippet over()}
      {#each shapes as item, i (i)}<polyline class="lit" points={path(item.points)} />{/each}
    {/snippet}
  </DrawingView>
</span>
<small>{label}</small>

<style>
  .drawn {
    display: block;
    width: 320px;
    max-width: 100%;
    background: var(--paper);
  }
  .lit {
    fill: none;
    stroke: var(--rust);
    stroke-width: 4;
    stroke-linejoin: round;
  }
  small {
    color: var(--ink-soft);
  }
</style>
