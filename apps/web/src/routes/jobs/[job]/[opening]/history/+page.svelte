<script lang="ts">
  import HistoryTable from '$lib/features/history/HistoryTable.svelte';
  import { editorInContext } from '$lib/job/editor-context.ts';
  import type { Version } from '$lib/contract/answers.ts';
  import { loadVersions, openingHistory } from '$lib/features/history/history.ts';
  import { historyWords } from '$words/history.ts';

  const editor = editorInContext();
  /** `null` where the server could not be asked. */
  let versions = $state.raw<readonly Version[] | null>([]);
  const lines = $derived(openingHistory(editor.view, versions ?? [], editor.context));

  $effect(() => {
    // Asked anew whenever somebody saved another version.
    void editor.view.version;
    void loadVersions(editor.store.id, editor.id).then((answer) => (versions = answer));
  });
</script>

<section aria-labelledby="history-title">
  <h2 id="history-title">{historyWords.title}</h2>
  <p>{historyWords.lead} {versions === null ? historyWords.choicesOffline : ''}</p>
  <HistoryTable {lines} />
</section>

<style>
  section {
    display: grid;
    gap: var(--gap-3);
    align-content: start;
    padding: var(--gap-4);
    max-width: 64rem;
  }
  p {
    color: var(--ink-soft);
  }
</style>
