<script module lang="ts">
  import type { Fit, LengthUnit } from '@hulvek/core';

  export interface ShimTableProps {
    fit: Fit;
    units: LengthUnit;
  }
</script>

<script lang="ts">
  import { measureWords } from '$words/measure.ts';
  import { formatLength } from '@hulvek/core';

  let { fit, units }: ShimTableProps = $props();
  const length = $derived((mm: number) => formatLength(mm, units));
  const bevel = $derived(Math.max(0, ...fit.shims.map((s) => s.bevel_mm)));
</script>

<h3>{measureWords.shims}</h3>
<table>
  <thead>
    <tr><th scope="col">{measureWords.at}</th><th scope="col" class="right">{measureWords.thickness}</th></tr>
  </thead>
  {#each ['sill', 'left', 'right'] as const as side (side)}
    <tbody>
      <tr
        ><th colspan="2" scope="rowgroup">{measureWords.shimSides[side]}, {measureWords.shimPlace[side]}</th
        ></tr
      >
      {#each fit.shims.filter((s) => s.side === side) as shim (shim.at_mm)}
        <tr>
          <td class="figure">{length(shim.at_mm)}</td>
          <td class="figure right"
            >{shim.thickness_mm < 0 ? measureWords.noShim : length(shim.thickness_mm)}</td
          >
        </tr>
      {/each}
    </tbody>
  {/each}
</table>
<p>{measureWords.seenOutside}</p>
{#if bevel > 0}<p>{measureWords.bevel(length(bevel))}</p>{/if}

<style>
  h3 {
    margin-top: var(--gap-5);
  }
  table {
    width: 100%;
    border-collapse: collapse;
    font-size: 0.95rem;
  }
  th,
  td {
    padding: 3px 0;
    text-align: left;
    border-bottom: 1px solid var(--sand-deep);
  }
  thead th {
    font-weight: 500;
    color: var(--ink-soft);
  }
  tbody th {
    padding-top: var(--gap-2);
  }
  .right {
    text-align: right;
  }
  p {
    margin-top: var(--gap-2);
    font-size: 0.9rem;
    color: var(--ink-soft);
  }
</style>
