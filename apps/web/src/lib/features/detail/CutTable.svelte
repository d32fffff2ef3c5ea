<script module lang="ts">
  import type { CutRow, LengthUnit } from '@hulvek/core';

  export interface CutTableProps {
    cuts: readonly CutRow[];
    /** What sizes are rounded and written in, the same for all who cut. */
    units: LengthUnit;
    /** What whoever looks reads in. */
    reads: LengthUnit;
  }
</script>

<script lang="ts">
  import { detailWords } from '$words/detail.ts';
  import { formatLength, formatCut, materialTexts, pieceText, toMark, writeMeasure } from '@hulvek/core';

  let { cuts, units, reads }: CutTableProps = $props();
  const length = $derived((mm: number) => formatLength(mm, units, 'figure'));
  const note = $derived((cut: CutRow): string =>
    [
      materialTexts[cut.material],
      units === reads ? '' : formatCut(cut, units, reads),
      cut.stretch > 1 ? detailWords.stretched(cut.stretch.toFixed(1)) : '',
      cut.count > 1 ? detailWords.count(cut.count) : '',
      cut.slits > 0 ? detailWords.slits(cut.slits) : '',
      cut.pleats > 0 ? detailWords.pleats(cut.pleats) : '',
      cut.volume_ml === null ? '' : detailWords.volume(writeMeasure('volume', cut.volume_ml, reads)),
      cut.thickness_mm === null ? '' : detailWords.thick(formatLength(cut.thickness_mm, units)),
    ]
      .filter(Boolean)
      .join(', '),
  );
</script>

<table class="parts-table">
  <thead>
    <tr>
      <th scope="col">{detailWords.piece}</th>
      <th scope="col" class="right">{detailWords.length}, {units}</th>
      <th scope="col" class="right">{detailWords.width}, {units}</th>
    </tr>
  </thead>
  <tbody>
    {#each cuts as cut, i (i)}
      <tr data-piece={cut.piece}>
        <th scope="row">{pieceText(cut.piece)}<span>{note(cut)}</span></th>
        <td class="figure right">{length(toMark(cut.length_mm, units))}</td>
        <td class="figure right">{length(toMark(cut.width_mm, units))}</td>
      </tr>
    {/each}
  </tbody>
</table>

<style>
  tbody th {
    font-weight: 500;
  }
  .right {
    white-space: nowrap;
  }
</style>
