<script lang="ts">
  import type { JobStore } from '$lib/job/job.svelte.ts';
  import { navWords } from '$words/shell.ts';
  import type { LengthUnit } from '@hulvek/core';

  let { store }: { store: JobStore } = $props();
  const units = $derived(store.context.job.units);

  async function choose(next: LengthUnit) {
    if (next === units) return;
    try {
      await fetch(`/api/jobs/${store.id}/units`, {
        method: 'PUT',
        headers: { 'content-type': 'application/json' },
        body: JSON.stringify({ units: next }),
      });
    } finally {
      await store.refresh();
    }
  }
</script>

<div role="group" aria-label={navWords.units}>
  {#each ['mm', 'in'] as const as unit (unit)}
    <button type="button" aria-pressed={units === unit} onclick={() => choose(unit)}>{unit}</button>
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
