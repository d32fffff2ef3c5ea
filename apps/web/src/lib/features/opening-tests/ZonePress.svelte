<!-- Zones of an opening as one stands in the room before it, to press what was seen where. -->
<script module lang="ts">
  import type { WetZone } from '@hulvek/core';

  export interface ZonePressProps {
    label: string;
    chosen: readonly WetZone[];
    disabled?: boolean;
    onpress: (zone: WetZone) => void;
  }
</script>

<script lang="ts">
  import { zoneWords } from '$words/opening-tests.ts';

  let { label, chosen, disabled = false, onpress }: ZonePressProps = $props();
  /** From the room left and right change: what is right seen from outside stands on the left. */
  const ROWS: readonly (readonly WetZone[])[] = [
    ['head-right', 'head-middle', 'head-left'],
    ['jamb-right', 'unit', 'jamb-left'],
    ['sill-right', 'sill-middle', 'sill-left'],
  ];
</script>

<div class="zones" role="group" aria-label={label} data-testid="zones">
  <p>{label}</p>
  {#each ROWS as row, i (i)}
    {#each row as zone (zone)}
      <button
        type="button"
        class={zone === 'unit' ? 'unit' : 'edge'}
        aria-pressed={chosen.includes(zone)}
        {disabled}
        onclick={() => onpress(zone)}>{zoneWords[zone]}</button
      >
    {/each}
  {/each}
</div>

<style>
  .zones {
    display: grid;
    grid-template-columns: minmax(0, 1fr) minmax(0, 1.6fr) minmax(0, 1fr);
    gap: 4px;
    max-width: 30rem;
  }
  p {
    grid-column: 1 / -1;
    margin: 0;
    font-weight: 600;
  }
  button {
    min-height: 56px;
    padding: 4px;
    border: 1px solid var(--line);
    background: var(--paper);
    color: var(--ink);
    font: inherit;
    font-size: 0.9rem;
  }
  .unit {
    min-height: 96px;
    background: var(--sand);
  }
  button[aria-pressed='true'] {
    border: 2px solid var(--water);
    font-weight: 700;
  }
</style>
