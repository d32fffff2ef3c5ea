<script module lang="ts">
  import type { OpeningsSet } from '$lib/job/openings-set.svelte.ts';

  export interface SetBarProps {
    set: OpeningsSet;
  }
</script>

<script lang="ts">
  import Button from '$lib/ui/Button.svelte';
  import { openingsWords } from '$words/openings.ts';

  let { set }: SetBarProps = $props();
</script>

<div class="bar" class:none={!set.busy && set.said === '' && !set.canUndo} role="status">
  {#if set.busy}<span>{openingsWords.working}</span>{:else if set.said}<span>{set.said}</span>{/if}
  {#if set.canUndo}<Button kind="quiet" onclick={() => void set.undo()}>{openingsWords.undo}</Button>{/if}
</div>
{#if set.problem}<p class="problem" role="alert">{set.problem}</p>{/if}

<style>
  .bar {
    display: flex;
    align-items: center;
    gap: var(--gap-3);
    font-weight: 600;
  }
  .none {
    display: none;
  }
</style>
