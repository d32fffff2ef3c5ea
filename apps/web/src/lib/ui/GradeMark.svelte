<script module lang="ts">
  import type { Grade } from '@hulvek/core';

  export interface GradeMarkProps {
    grade: Pick<Grade, 'grade' | 'checked'> & { readonly looks?: number; readonly assumed?: boolean };
    /** Show the words beside the shapes; without them they are still read out. */
    word?: boolean;
    /** Only the grade, where what could be checked is not known. */
    alone?: boolean;
    /** Heat is being solved: what is shown is without it. */
    working?: boolean;
  }
</script>

<script lang="ts">
  import { assumedText, looksText, toldBeside } from '@hulvek/core';
  import { gradeWords } from '$words/ui.ts';
  import VerdictMark from './VerdictMark.svelte';

  let { grade, word = false, alone = false, working = false }: GradeMarkProps = $props();
  const beside = $derived(alone ? null : toldBeside(grade));
  const looks = $derived(grade.grade === 'holds' ? (grade.looks ?? 0) : 0);
</script>

<span
  class="grade"
  data-word={word}
  data-grade={grade.grade}
  data-checked={grade.checked}
  data-working={working}
>
  <VerdictMark verdict={grade.grade} {word} />
  {#if looks > 0}
    <span class="checked" class:visually-hidden={!word} title={looksText(looks)}>{looksText(looks)}</span>
  {/if}
  {#if beside}
    <span class="checked" title={gradeWords.checked}>
      <span class="visually-hidden">{gradeWords.checked}</span>
      <VerdictMark verdict={beside} {word} />
    </span>
  {/if}
  {#if grade.assumed}
    <span class="checked" class:visually-hidden={!word} title={assumedText}>({assumedText})</span>
  {/if}
  {#if working}
    <span class="working" title={gradeWords.working}>
      {#if word}{gradeWords.working}{:else}<span aria-hidden="true">…</span><span class="visually-hidden"
          >{gradeWords.working}</span
        >{/if}
    </span>
  {/if}
</span>

<style>
  .grade {
    display: inline-flex;
    flex-flow: row wrap;
    align-items: baseline;
    gap: 0 4px;
  }
  .grade[data-word='false'] {
    flex-flow: row nowrap;
  }
  .checked {
    position: relative;
    font-weight: 400;
    color: var(--ink-soft);
  }
  .working {
    /* Its hidden words must not widen a list that scrolls. */
    position: relative;
    margin-left: var(--gap-1);
    font-size: 0.85em;
    color: var(--ink-soft);
  }
</style>
