<script module lang="ts">
  import type { Judgement } from '@hulvek/core';

  export interface JudgementMarkProps {
    /** `null` for the moment until the opening is judged. */
    judgement: Judgement | null;
    /** Show the words beside the shapes. */
    word?: boolean;
  }
</script>

<script lang="ts">
  import { gradeWords } from '$words/ui.ts';
  import GradeMark from './GradeMark.svelte';

  let { judgement, word = false }: JudgementMarkProps = $props();
</script>

{#if judgement}
  <GradeMark grade={judgement} {word} working={judgement.working} />
{:else}
  <span class="working" data-grade="judging" title={gradeWords.judging}>
    {#if word}{gradeWords.judging}{:else}<span aria-hidden="true">…</span><span class="visually-hidden"
        >{gradeWords.judging}</span
      >{/if}
  </span>
{/if}

<style>
  .working {
    /* Its hidden words must not widen a list that scrolls. */
    position: relative;
    color: var(--ink-soft);
  }
</style>
