<script module lang="ts">
  import type { Verdict } from '@hulvek/core';

  export interface VerdictShapeProps {
    verdict: Verdict;
    /** Something is missing to say so for certain: the shape inside an open ring. */
    open?: boolean;
  }
</script>

<script lang="ts">
  let { verdict, open = false }: VerdictShapeProps = $props();
</script>

<!-- Inside an svg; 16 units wide round the origin. -->
<g data-verdict={verdict} transform={open ? 'translate(-5.2 -5.2) scale(0.65)' : 'translate(-8 -8)'}>
  {#if verdict === 'holds'}
    <circle cx="8" cy="8" r="6.5" fill="currentColor" />
  {:else if verdict === 'watch'}
    <circle cx="8" cy="8" r="6" fill="none" stroke="currentColor" stroke-width="1.6" />
    <path d="M8 2a6 6 0 0 1 0 12z" fill="currentColor" />
  {:else if verdict === 'fails'}
    <path d="M8 1.2 15.2 14.4H.8z" fill="currentColor" />
  {:else}
    <circle
      cx="8"
      cy="8"
      r="6"
      fill="none"
      stroke="currentColor"
      stroke-width="1.6"
      stroke-dasharray="2.6 2.1"
    />
  {/if}
</g>
{#if open}
  <circle
    class="ring"
    r="7.6"
    fill="none"
    stroke="currentColor"
    stroke-width="1.4"
    stroke-dasharray="2.6 2.1"
  />
{/if}

<style>
  .ring {
    color: var(--ink-soft);
  }
  g[data-verdict='holds'] {
    color: var(--good);
  }
  g[data-verdict='watch'] {
    color: var(--watch);
  }
  g[data-verdict='fails'] {
    color: var(--bad);
  }
  g[data-verdict='not-checkable'] {
    color: var(--ink-soft);
  }
</style>
