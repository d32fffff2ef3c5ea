<script module lang="ts">
  import type { JobStore } from '$lib/job/job.svelte.ts';

  export interface JobTabsProps {
    store: JobStore;
  }
</script>

<script lang="ts">
  import { page } from '$app/state';
  import { jobWords, viewWords } from '$words/shell.ts';

  let { store }: JobTabsProps = $props();
  const tabs = $derived([
    { path: '', word: viewWords.openings },
    { path: '/board', word: viewWords.board },
    { path: '/survey', word: viewWords.survey },
    { path: '/lines', word: viewWords.lines },
    { path: '/units', word: viewWords.units },
    { path: '/sizes', word: viewWords.sizes },
    { path: '/cut-sheet', word: viewWords.cutSheet },
    { path: '/proofs', word: viewWords.proofs },
    { path: '/heat', word: viewWords.heat },
    { path: '/conditions', word: viewWords.conditions },
    { path: '/shelf', word: viewWords.shelf },
    ...(store.pack.rights.includes('people') ? [{ path: '/people', word: viewWords.people }] : []),
  ]);
</script>

<nav aria-label={jobWords.views}>
  {#each tabs as { path, word } (path)}
    {@const href = `/jobs/${store.id}${path}`}
    <a {href} aria-current={page.url.pathname === href ? 'page' : undefined}>{word}</a>
  {/each}
</nav>

<style>
  nav {
    display: flex;
    gap: var(--gap-2);
    padding: 0 var(--gap-4);
    border-bottom: 1px solid var(--line);
    overflow-x: auto;
  }
  a {
    display: flex;
    align-items: center;
    min-height: var(--touch);
    padding: 0 var(--gap-3);
    border-bottom: 4px solid transparent;
    color: var(--ink);
    font-weight: 500;
    text-decoration: none;
    white-space: nowrap;
  }
  a[aria-current='page'] {
    border-bottom-color: var(--rust);
    font-weight: 700;
  }
  a:hover {
    background: var(--sand);
  }
  @media print {
    nav {
      display: none;
    }
  }
</style>
