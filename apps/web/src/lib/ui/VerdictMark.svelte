<script module lang="ts">
  import type { Verdict } from '@hulvek/core';

  export interface VerdictMarkProps {
    verdict: Verdict;
    /** Show the word beside the shape; without it the word is still read out. */
    word?: boolean;
  }
</script>

<script lang="ts">
  import { verdictTexts } from '@hulvek/core';
  import VerdictShape from './VerdictShape.svelte';

  let { verdict, word = false }: VerdictMarkProps = $props();
</script>

<span class="mark" data-verdict={verdict}>
  <svg viewBox="-8 -8 16 16" width="15" height="15" aria-hidden="true"><VerdictShape {verdict} /></svg>
  <span class:visually-hidden={!word}>{verdictTexts[verdict]}</span>
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
