<script module lang="ts">
  import type { JobStore } from '$lib/state/job.svelte.ts';

  export interface JobTabsProps {
    store: JobStore;
  }
</script>

<script lang="ts">
  import { page } from '$app/state';
  import { text } from '$lib/texts/en.ts';
  import { conditionText } from '$lib/texts/conditions.ts';
  import { heatText } from '$lib/texts/heat.ts';
  import { proveText } from '$lib/texts/prove.ts';

  let { store }: JobTabsProps = $props();
  const tabs = $derived([
    { path: '', word: text.job.openings },
    { path: '/board', word: text.board.title },
    { path: '/survey', word: text.table.title },
    { path: '/lines', word: text.lines.title },
    { path: '/units', word: text.units.title },
    { path: '/sizes', word: text.sizes.title },
    { path: '/cut-sheet', word: text.cutSheet.title },
    { path: '/proofs', word: proveText.job.title },
    { path: '/heat', word: heatText.job.title },
    { path: '/conditions', word: conditionText.title },
    { path: '/shelf', word: text.shelf.title },
    ...(store.pack.rights.includes('people') ? [{ path: '/people', word: text.people.open }] : []),
  ]);
</script>

<nav aria-label={text.job.views}>
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
</style>
