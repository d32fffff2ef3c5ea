<script module lang="ts">
  import type { OpeningEditor } from '$lib/job/opening.svelte.ts';

  export interface SaveConflictProps {
    editor: OpeningEditor;
  }
</script>

<script lang="ts">
  import Button from '$lib/ui/Button.svelte';
  import { fieldLabel, fieldValue } from '$lib/features/history/history.ts';
  import { saveWords } from '$words/shell.ts';

  let { editor }: SaveConflictProps = $props();

  /** Choices that both changed, in words. */
  const differences = $derived.by(() => {
    const theirs = editor.theirs?.document;
    if (!theirs) return [];
    const { context, opening } = editor;
    return editor.differences.map((field) => ({
      label: fieldLabel(field),
      mine: fieldValue(opening, field, context),
      theirs: fieldValue(theirs, field, context),
    }));
  });
</script>

<section aria-label={saveWords.conflict}>
  <p>{saveWords.conflictText}</p>
  <ul>
    {#each differences as d (d.label)}
      <li>
        {d.label}{#if d.mine || d.theirs}: {saveWords.mineValue} <b class="figure">{d.mine}</b>, {saveWords.theirsValue}
          <b class="figure">{d.theirs}</b>{/if}
      </li>
    {/each}
  </ul>
  <Button kind="main" onclick={() => editor.resolve('mine')}>{saveWords.mine}</Button>
  <Button onclick={() => editor.resolve('theirs')}>{saveWords.theirs}</Button>
</section>

<style>
  section {
    display: flex;
    flex-flow: row wrap;
    align-items: center;
    gap: var(--gap-3);
    padding: var(--gap-3) var(--gap-4);
    background: var(--bad-soft);
  }
  ul {
    width: 100%;
  }
</style>
