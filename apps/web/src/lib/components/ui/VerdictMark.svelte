<script module lang="ts">
  import type { Verdict } from '@hulvek/core';

  export interface VerdictMarkProps {
    verdict: Verdict;
    /** Show the word beside the shape; without it the word is still read out. */
    word?: boolean;
  }
</script>

<script lang="ts">
  import { text } from '$lib/texts/en.ts';

  let { verdict, word = false }: VerdictMarkProps = $props();
</script>

<span class="mark" data-verdict={verdict}>
  <svg viewBox="0 0 16 16" width="15" height="15" aria-hidden="true">
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
  </svg>
  <span class:visually-hidden={!word}>{text.verdicts[verdict]}</span>
</span>

<style>
  .mark {
    position: relative;
    font-weight: 600;
    white-space: nowrap;
  }
  svg {
    vertical-align: -2px;
  }
  svg + span:not(.visually-hidden) {
    margin-left: 6px;
  }
  .mark[data-verdict='holds'] {
    color: var(--good);
  }
  .mark[data-verdict='watch'] {
    color: var(--watch);
  }
  .mark[data-verdict='fails'] {
    color: var(--bad);
  }
  .mark[data-verdict='not-checkable'] {
    color: var(--ink-soft);
  }
</style>
