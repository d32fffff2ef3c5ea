<script module lang="ts">
  import type { Fastening, LengthUnit } from '@hulvek/core';

  export interface FastenerTableProps {
    fastening: Fastening;
    units: LengthUnit;
  }
</script>

<script lang="ts">
  import { text } from '$lib/texts/en.ts';
  import { formatLength, sideTexts } from '@hulvek/core';

  let { fastening, units }: FastenerTableProps = $props();
  const figure = $derived((mm: number) => formatLength(mm, units, 'figure'));
  const length = $derived((mm: number) => formatLength(mm, units));
</script>

<p>
  {text.fasteners.screw(fastening.count, length(Math.ceil(fastening.screw.length_mm)))}
  {#if fastening.screw.angle_deg > 0}{text.fasteners.angle(fastening.screw.angle_deg)}{/if}
</p>
<p class="quiet">
  {text.fasteners.through(
    fastening.screw.through.map((t) => `${text.fasteners.layers[t.what]} ${figure(t.mm)}`).join(' + '),
  )}
</p>
<table class="parts-table">
  <thead>
    <tr>
      <th scope="col">{text.fasteners.side}</th>
      <th scope="col" class="right">{text.fasteners.number}</th>
      <th scope="col">{text.fasteners.at}, {units}</th>
    </tr>
  </thead>
  <tbody>
    {#each fastening.sides as side (side.side)}
      <tr>
        <th scope="row"
          >{sideTexts[side.side]}{#if side.edge_mm !== null}<span
              >{text.fasteners.edge(length(side.edge_mm))}</span
            >{/if}</th
        >
        <td class="figure right">{side.at_mm.length}</td>
        <td class="figure">{side.at_mm.map(figure).join(', ')}</td>
      </tr>
    {/each}
  </tbody>
</table>
{#each fastening.open as { side } (side)}<p>{text.fasteners.open(sideTexts[side])}</p>{/each}
<p class="quiet">{text.fasteners.caution}</p>

<style>
  table {
    margin: var(--gap-2) 0;
  }
</style>
