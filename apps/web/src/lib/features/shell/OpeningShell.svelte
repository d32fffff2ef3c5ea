<script module lang="ts">
  import type { JobStore } from '$lib/job/job.svelte.ts';
  import type { Snippet } from 'svelte';

  export interface OpeningShellProps {
    store: JobStore;
    opening: string;
    children: Snippet;
  }
</script>

<script lang="ts">
  import { beforeNavigate } from '$app/navigation';
  import { page } from '$app/state';
  import { inSight } from '$lib/ui/scroll-to.ts';
  import JudgementMark from '$lib/ui/JudgementMark.svelte';
  import { setEditor } from '$lib/job/editor-context.ts';
  import { OpeningEditor } from '$lib/job/opening.svelte.ts';
  import { navWords } from '$words/shell.ts';
  import { onMount, untrack } from 'svelte';
  import FindButton from './FindButton.svelte';
  import SaveBar from './SaveBar.svelte';
  import StageRail from './StageRail.svelte';

  let { store, opening, children }: OpeningShellProps = $props();
  const editor = setEditor(untrack(() => new OpeningEditor(store, opening)));

  /** Of very many openings those round this one are listed; any other is found by its mark. */
  const MOST = 150;
  const MORE = 100;
  let shown = $state(60);
  const near = $derived.by(() => {
    const { names } = store;
    if (names.length <= MOST) return { list: names, from: 0, after: 0 };
    const here = names.findIndex(({ id }) => id === opening);
    const from = Math.max(0, here - shown / 2);
    const list = names.slice(from, from + shown);
    return { list, from, after: names.length - from - list.length };
  });

  onMount(() => editor.restore());
  // Whatever is not judged as it stands here is, once the page has nothing better to do.
  $effect(() => {
    if (store.names.some(({ judgement }) => judgement === null)) void store.judgeRest();
  });
  beforeNavigate(() => void editor.flush());

  function keydown(event: KeyboardEvent) {
    if (!(event.ctrlKey || event.metaKey) || event.key.toLowerCase() !== 'z') return;
    const field = event.target instanceof HTMLInputElement ? event.target : null;
    // While a figure is half typed, the browser's own undo belongs to it.
    if (field && field.dataset.editing === 'true') return;
    event.preventDefault();
    if (event.shiftKey) editor.redo();
    else editor.undo();
  }
</script>

<svelte:window onkeydown={keydown} />

<div class="shell" data-stage={page.params.stage}>
  <nav class="openings" aria-label={navWords.openings}>
    <FindButton />
    <ul>
      {#if near.from > 0}<li class="more">
          <button type="button" class="as-link" onclick={() => (shown += MORE)}
            >{navWords.before(near.from)}</button
          >
        </li>{/if}
      {#each near.list as row (row.id)}
        <li>
          <a
            href="/jobs/{store.id}/{row.id}/{page.params.stage}"
            aria-current={row.id === opening ? 'page' : undefined}
            {@attach inSight(row.id === opening)}
          >
            <span class="mark">{row.mark}</span>
            <span class="name">{row.name}</span>
            <JudgementMark judgement={row.judgement} />
          </a>
        </li>
      {/each}
      {#if near.after > 0}<li class="more">
          <button type="button" class="as-link" onclick={() => (shown += MORE)}
            >{navWords.after(near.after)}</button
          >
        </li>{/if}
    </ul>
  </nav>
  <main class="work">
    {#if editor.removed}
      <p class="removed" role="alert">
        {navWords.gone} <a href="/jobs/{store.id}">{navWords.toJob}</a>
      </p>
    {/if}
    <StageRail job={store.id} opening={editor.opening} judgement={store.judgementOf(opening)} />
    <SaveBar {editor} editing={['measure', 'detail', 'prove', 'order'].includes(page.params.stage ?? '')} />
    {@render children()}
  </main>
</div>

<style>
  .removed {
    padding: var(--gap-2) var(--gap-4);
    border-left: 4px solid var(--watch);
  }
  .shell {
    display: grid;
    grid-template-columns: 208px minmax(0, 1fr);
    min-height: calc(100vh - 52px);
  }
  .openings {
    padding: var(--gap-3) 0;
    background: var(--sand);
    border-right: 1px solid var(--line);
  }
  .openings a {
    display: grid;
    grid-template-columns: 3.2rem 1fr auto;
    align-items: center;
    gap: var(--gap-2);
    min-height: 40px;
    padding: 4px 10px 4px 12px;
    border-left: 4px solid transparent;
    color: var(--ink);
    text-decoration: none;
  }
  .openings a:hover {
    background: var(--sand-deep);
  }
  .openings a[aria-current='page'] {
    border-left-color: var(--rust);
    background: var(--paper);
  }
  .more {
    padding: 0 12px;
    white-space: nowrap;
  }
  .mark {
    font-weight: 700;
    white-space: nowrap;
  }
  .name {
    overflow: hidden;
    text-overflow: ellipsis;
    white-space: nowrap;
    font-size: 0.9rem;
    color: var(--ink-soft);
  }
  .work {
    display: flex;
    flex-direction: column;
    min-width: 0;
  }
  @media (max-width: 900px) {
    .shell {
      grid-template-columns: minmax(0, 1fr);
      align-content: start;
    }
    .openings {
      padding: 0;
      border-right: 0;
      border-bottom: 1px solid var(--line);
      overflow-x: auto;
    }
    .openings ul {
      display: flex;
    }
    .openings > :global(button) {
      display: none;
    }
    .openings a {
      grid-template-columns: auto auto;
      min-height: var(--touch);
      border-left: 0;
      border-bottom: 4px solid transparent;
    }
    .openings a[aria-current='page'] {
      border-bottom-color: var(--rust);
    }
    .name {
      display: none;
    }
  }
  @media (max-width: 640px) {
    /* With the work in hand the screen belongs to the card. */
    .shell[data-stage='install'] .openings {
      display: none;
    }
  }
  @media print {
    .shell {
      display: block;
    }
    .openings {
      display: none;
    }
  }
</style>
