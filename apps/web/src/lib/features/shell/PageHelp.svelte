<script module lang="ts">
  import type { Help } from '$words/help.ts';

  export interface PageHelpProps {
    /** Of which page. */
    of: { readonly view: string } | { readonly stage: string };
  }
</script>

<script lang="ts">
  import Sheet from '$lib/ui/Sheet.svelte';
  import { helpWords } from '$words/help-open.ts';
  import CircleQuestionMark from '@lucide/svelte/icons/circle-question-mark';

  let { of }: PageHelpProps = $props();
  let open = $state(false);

  async function help(): Promise<Help | undefined> {
    const { stageHelp, viewHelp } = await import('$words/help.ts');
    return 'view' in of
      ? viewHelp[of.view as keyof typeof viewHelp]
      : stageHelp[of.stage as keyof typeof stageHelp];
  }
</script>

<button
  type="button"
  class="open"
  aria-label={helpWords.open}
  title={helpWords.open}
  onclick={() => (open = true)}><CircleQuestionMark size={20} aria-hidden="true" /></button
>
{#if open}
  <Sheet label={helpWords.title} done={helpWords.close} onclose={() => (open = false)}>
    {#await help() then said}
      {#if said}
        <p class="is">{said.is}</p>
        <h2>{helpWords.todo}</h2>
        <ol>
          {#each said.todo as one (one)}<li>{one}</li>{/each}
        </ol>
        {#if said.keys}
          <h2>{helpWords.keys}</h2>
          <dl>
            {#each said.keys as [key, does] (key)}
              <dt><kbd>{key}</kbd></dt>
              <dd>{does}</dd>
            {/each}
          </dl>
        {/if}
      {/if}
    {/await}
    {#snippet foot()}<a href="/glossary">{helpWords.words}</a>{/snippet}
  </Sheet>
{/if}

<style>
  .open {
    display: inline-grid;
    place-items: center;
    width: 40px;
    height: 40px;
    border: 0;
    background: none;
    color: var(--ink-soft);
    cursor: pointer;
  }
  .is {
    font-size: 1.1rem;
    font-weight: 600;
  }
  ol {
    display: grid;
    gap: var(--gap-1);
    padding-left: 1.4rem;
  }
  dl {
    display: grid;
    grid-template-columns: auto 1fr;
    gap: var(--gap-1) var(--gap-3);
  }
  dd {
    margin: 0;
  }
  @media (pointer: coarse) {
    .open {
      width: 48px;
      height: 48px;
    }
  }
  @media print {
    .open {
      display: none;
    }
  }
</style>
