<script lang="ts">
  import PageHelp from '$lib/features/shell/PageHelp.svelte';
  import NoOpenings from '$lib/features/shell/NoOpenings.svelte';
  import { beforeNavigate } from '$app/navigation';
  import SurveyTable from '$lib/features/survey/SurveyTable.svelte';
  import Button from '$lib/ui/Button.svelte';
  import { SurveyGrid } from '$lib/features/survey/survey-grid.svelte.ts';
  import { tableWords } from '$words/survey.ts';
  import { saveWords, viewWords } from '$words/shell.ts';
  import { untrack } from 'svelte';

  let { data } = $props();
  const store = $derived(data.store);
  const grid = untrack(() => new SurveyGrid(data.store));
  const mayEdit = $derived(store.pack.rights.includes('measure'));

  beforeNavigate(({ cancel }) => {
    // A cell that does not read is shown with its reason rather than lost.
    if (!grid.commit()) cancel();
    void grid.editor.flush();
  });

  async function load(event: Event & { currentTarget: HTMLInputElement }) {
    const field = event.currentTarget;
    const [file] = field.files ?? [];
    if (file) await grid.load(await file.text());
    field.value = '';
  }

  function save() {
    const link = document.createElement('a');
    link.href = URL.createObjectURL(new Blob([grid.csv()], { type: 'text/csv' }));
    link.download = `${store.id}-survey.csv`;
    link.click();
    URL.revokeObjectURL(link.href);
  }
</script>

<main>
  <div class="head">
    <h1>{viewWords.survey}</h1>
    <PageHelp of={{ view: 'survey' }} />
    <Button kind="quiet" disabled={!grid.editor.canUndo} onclick={() => grid.editor.undo()}
      >{saveWords.undo}</Button
    >
    <Button kind="quiet" disabled={!grid.editor.canRedo} onclick={() => grid.editor.redo()}
      >{saveWords.redo}</Button
    >
    <Button onclick={save}>{tableWords.save}</Button>
    {#if mayEdit}
      <label class="load">
        {tableWords.load}
        <input type="file" accept=".csv,text/csv,text/plain" onchange={load} />
      </label>
    {/if}
  </div>
  <p class="lead">{tableWords.lead}</p>
  <p role="status" data-bad={grid.bad}>
    {grid.progress ? tableWords.progress(grid.progress.done, grid.progress.all) : grid.message}
  </p>
  {#if grid.problems.length > 0}
    <ul class="problems">
      {#each grid.problems.slice(0, 30) as problem (problem)}<li>{problem}</li>{/each}
    </ul>
  {/if}
  {#if grid.openings.length === 0}<NoOpenings {store} />{:else}<SurveyTable {grid} {mayEdit} />{/if}
</main>

<style>
  main {
    display: grid;
    gap: var(--gap-2);
    padding: var(--gap-3) var(--gap-4);
  }
  .load {
    display: flex;
    flex-flow: row wrap;
    align-items: center;
    gap: var(--gap-2);
    font-weight: 500;
  }
  .lead {
    color: var(--ink-soft);
  }
  [role='status'] {
    min-height: 1.4em;
    font-weight: 600;
  }
  [data-bad='true'],
  .problems {
    color: var(--bad);
  }
</style>
