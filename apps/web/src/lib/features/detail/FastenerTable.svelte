<script module lang="ts">
  import type { Fastening, LengthUnit } from '@hulvek/core';

  export interface FastenerTableProps {
    fastening: Fastening;
    units: LengthUnit;
  }
</script>

<script lang="ts">
  import { fastenersWords } from '$words/detail.ts';
  import { formatLength, sideTexts } from '@hulvek/core';

  let { fastening, units }: FastenerTableProps = $props();
  const figure = $derived((mm: number) => formatLength(mm, units, 'figure'));
  const length = $derived((mm: number) => formatLength(mm, units));
</script>

<p>
  {fastenersWords.screw(fastening.count, length(Math.ceil(fastening.screw.length_mm)))}
  {#if fastening.screw.angle_deg > 0}{fastenersWords.angle(fastening.screw.angle_deg)}{/if}
</p>
<p class="quiet">
  {fastenersWords.through(
    fastening.screw.through.map((t) => `${fastenersWords.layers[t.what]} ${length(t.mm)}`).join(' + '),
  )}
</p>
<table class="parts-table">
  <thead>
    <tr>
      <th scope="col">{fastenersWords.side}</th>
      <th scope="col" class="right">{fastenersWords.number}</th>
      <th scope="col">{fastenersWords.at}, {units}</th>
    </tr>
  </thead>
  <tbody>
    {#each fastening.sides as side (side.side)}
      <tr>
        <th scope="row"
          >{sideTexts[side.side]}{#if side.edge_mm !== null}<span
              >{fastenersWords.edge(length(side.edge_mm))}</span
            >{/if}</th
        >
        <td class="figure right">{side.at_mm.length}</td>
        <td class="figure">{side.at_mm.map(figure).join(', ')}</td>
      </tr>
    {/each}
  </tbody>
</table>
{#each fastening.open as { side } (side)}<p>{fastenersWords.open(sideTexts[side])}</p>{/each}
<p class="quiet">{fastenersWords.caution}</p>

<style>
  table {
    margin: var(--gap-2) 0;
  }
</style>
