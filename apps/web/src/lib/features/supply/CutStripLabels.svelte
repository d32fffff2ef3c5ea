<!-- Labels for cut strips: opening, piece, length, the day. They print by themselves. -->
<script module lang="ts">
  import type { Strip } from '@hulvek/core';
  import type { SupplyDesk } from './supply-desk.svelte.ts';

  export interface CutStripLabelsProps {
    strips: readonly Strip[];
    desk: SupplyDesk;
    job: string;
  }
</script>

<script lang="ts">
  import { dayName } from '$lib/ui/time.ts';
  import { formatLength, pieceText } from '@hulvek/core';

  let { strips, desk, job }: CutStripLabelsProps = $props();
</script>

<ul>
  {#each strips as strip (strip.id)}
    {@const day = desk.dayOf(strip.need)}
    <li>
      <b>{desk.markOf(strip.need.opening)}</b>
      <span>{pieceText(strip.need.piece ?? '')}</span>
      <span class="figure">{formatLength(strip.length_mm, desk.store.context.job.units)}</span>
      <small>{job}{day ? `, ${dayName(day)}` : ''}</small>
    </li>
  {/each}
</ul>

<style>
  ul {
    display: grid;
    grid-template-columns: repeat(3, 1fr);
    gap: 0;
    margin: 0;
    padding: 0;
    list-style: none;
  }
  li {
    display: grid;
    padding: 4mm;
    border: 1px dashed var(--line);
    break-inside: avoid;
  }
  b {
    font-size: 1.4rem;
  }
</style>
