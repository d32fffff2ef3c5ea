<script module lang="ts">
  import type { Build, LengthUnit } from '@hulvek/core';

  export interface PiecesViewProps {
    pieces: Build['pieces'];
    units: LengthUnit;
  }
</script>

<script lang="ts">
  import { detailWords } from '$words/detail.ts';
  import { flatPieces, formatLength, pieceText } from '@hulvek/core';

  let { pieces, units }: PiecesViewProps = $props();
  const flat = $derived(flatPieces(pieces));
  const longest = $derived(Math.max(1, ...flat.map((p) => p.size.length_mm)));
  const length = $derived((mm: number) => formatLength(mm, units));
  const path = (points: readonly (readonly [number, number])[]) => points.map((p) => p.join(',')).join(' ');
</script>

<ul aria-label={detailWords.views.pieces}>
  {#each flat as piece (piece.id)}
    <li>
      <p>
        {pieceText(piece.id)}
        <span class="figure">{length(piece.size.length_mm)} × {length(piece.size.width_mm)}</span>
      </p>
      <svg
        viewBox="-4 -4 {piece.size.length_mm + 8} {piece.size.width_mm + 8}"
        style="width: {(100 * piece.size.length_mm) / longest}%"
        role="img"
        aria-label="{pieceText(piece.id)}, {length(piece.size.length_mm)} × {length(piece.size.width_mm)}"
      >
        {#each piece.regions as region, i (i)}<polygon points={path(region)} />{/each}
        {#each piece.outline as line, i (i)}<polyline points={path(line)} />{/each}
        {#each piece.folds as line, i (i)}<polyline class="fold" points={path(line)} />{/each}
        {#each piece.slits as line, i (i)}<polyline class="slit" points={path(line)} />{/each}
      </svg>
    </li>
  {/each}
</ul>

<style>
  ul {
    flex: 1;
    overflow-y: auto;
    max-height: calc(100vh - 215px);
    min-height: 300px;
    padding: 0 var(--gap-4) var(--gap-4);
  }
  li {
    padding: var(--gap-2) 0;
  }
  svg {
    display: block;
    min-width: 60px;
    overflow: visible;
  }
  polygon {
    fill: #fdfcf9;
  }
  polyline {
    fill: none;
    stroke: var(--ink);
    stroke-width: 1.2;
    vector-effect: non-scaling-stroke;
  }
  .fold {
    stroke-dasharray: 6 4;
  }
  .slit {
    stroke: var(--rust);
    stroke-width: 2.4;
  }
</style>
