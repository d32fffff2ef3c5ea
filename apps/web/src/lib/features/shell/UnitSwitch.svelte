<script lang="ts">
  import { device } from '$lib/device/device.svelte.ts';
  import { navWords } from '$words/shell.ts';
  import type { LengthUnit } from '@hulvek/core';

  /** What whoever sits here reads and types figures in; `null` while neither they nor a job say. */
  let { reads }: { reads: LengthUnit | null } = $props();
</script>

<div role="group" aria-label={navWords.units}>
  {#each ['mm', 'in'] as const as unit (unit)}
    <button
      type="button"
      aria-pressed={reads === unit}
      title={navWords.reads[unit]}
      onclick={() => void device().read(unit)}>{unit}</button
    >
  {/each}
</div>

<style>
  div {
    display: flex;
  }
  button {
    min-height: 34px;
    min-width: 40px;
    border: 1px solid #64757a;
    background: none;
    color: var(--on-ink-soft);
    cursor: pointer;
  }
  button:first-child {
    border-radius: var(--radius) 0 0 var(--radius);
    border-right: 0;
  }
  button:last-child {
    border-radius: 0 var(--radius) var(--radius) 0;
  }
  button[aria-pressed='true'] {
    background: var(--on-ink);
    color: var(--ink);
    font-weight: 700;
  }
</style>
