<script module lang="ts">
  import type { ProofId } from '$words/prove.ts';

  export interface ProofMarkProps {
    id: ProofId;
  }
</script>

<script lang="ts">
  let { id }: ProofMarkProps = $props();
</script>

<svg viewBox="0 0 28 28" width="28" height="28" aria-hidden="true" data-id={id}>
  {#if id === 'water'}
    {#each [8, 14, 20] as y (y)}<path d="M3 {y} q4 -5 8 0 t8 0 t6 -2" />{/each}
  {:else if id === 'air'}
    <rect x="5" y="5" width="18" height="18" stroke-dasharray="5 3.4" />
  {:else if id === 'heat'}
    {#each [[5, 22, 1.6], [10, 18.5, 2.2], [15.5, 14, 2.9], [21.5, 8, 3.7]] as const as [cx, cy, r] (cx)}
      <circle {cx} {cy} {r} />
    {/each}
  {:else if id === 'joint'}
    <path d="M6 4 v20 M22 4 v20" />
    <path d="M9 14 h10 m-7 -3 l-3 3 l3 3 m4 -6 l3 3 l-3 3" />
  {:else if id === 'moisture'}
    <path d="M5 4 v20 M12 4 v20" />
    <path d="M20 9 c4 6 5 7 5 9 a5 5 0 0 1 -10 0 c0 -2 1 -3 5 -9 z" />
  {:else}
    <path d="M14 4 v14 m-5 -5 l5 5 l5 -5 M5 23 h18" />
  {/if}
</svg>

<style>
  svg {
    fill: none;
    stroke: var(--ink);
    stroke-width: 2.2;
    stroke-linecap: round;
    stroke-linejoin: round;
  }
  [data-id='water'] {
    stroke: var(--water);
  }
  [data-id='air'] {
    stroke: var(--air);
    stroke-linecap: butt;
  }
  [data-id='heat'] {
    stroke: none;
    fill: var(--rust);
  }
</style>
