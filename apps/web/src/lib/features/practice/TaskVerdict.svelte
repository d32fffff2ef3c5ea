<script module lang="ts">
  import type { Judged, Task } from '@hulvek/core';

  export interface TaskVerdictProps {
    task: Task;
    judged: Judged;
  }
</script>

<script lang="ts">
  import { answerText, practiceWords as t, whyText } from '$words/practice.ts';
  import { figuresIn, systemOf } from '@hulvek/core';
  import Check from '@lucide/svelte/icons/check';
  import RotateCcw from '@lucide/svelte/icons/rotate-ccw';
  import { onMount } from 'svelte';

  let { task, judged }: TaskVerdictProps = $props();
  const { asked, number } = $derived(task);
  const f = $derived(figuresIn(systemOf(number)));
  let verdict = $state<HTMLElement>();
  onMount(() => {
    verdict?.focus();
    verdict?.scrollIntoView({ block: 'nearest' });
  });
</script>

<div
  class="verdict"
  data-right={judged.right}
  data-testid="verdict"
  tabindex="-1"
  bind:this={verdict}
  role="status"
>
  <p class="said">
    {#if judged.right}<Check size={20} aria-hidden="true" />{:else}<RotateCcw
        size={18}
        aria-hidden="true"
      />{/if}
    <b>{judged.right ? t.right : t.notYet}</b>
  </p>
  <p>{whyText(judged.why, f)}</p>
  <!-- Where the water ends is said already. -->
  {#if !judged.right && number.kind !== 'drop' && number.kind !== 'night'}
    {@const right = answerText(task, judged.answer, f)}
    <p>
      <b>{t.isRight}:</b>
      {#if right.length === 1}{right[0]}{/if}
    </p>
    {#if right.length > 1}
      {#if asked.form === 'order'}
        <ol>
          {#each right as one, i (i)}<li>{one}</li>{/each}
        </ol>
      {:else}
        <ul>
          {#each right as one, i (i)}<li>{one}</li>{/each}
        </ul>
      {/if}
    {/if}
  {/if}
</div>

<style>
  .verdict {
    padding: var(--gap-3);
    border-left: 4px solid var(--watch);
    background: var(--sand);
  }
  .verdict[data-right='true'] {
    border-left-color: var(--good);
  }
  .verdict p {
    margin: 0 0 var(--gap-1);
  }
  .verdict .said {
    display: flex;
    align-items: center;
    gap: var(--gap-2);
    font-size: 1.1rem;
  }
  .verdict :is(ol, ul) {
    margin: 0;
    padding-left: 1.6rem;
  }
  .verdict ol {
    list-style: decimal;
  }
  .verdict ul {
    list-style: disc;
  }
</style>
