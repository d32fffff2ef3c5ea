<script module lang="ts">
  import type { ItemDesk, ItemKind } from './item-desk.svelte.ts';
  import type { Snippet } from 'svelte';

  export interface ItemListProps {
    desk: ItemDesk<ItemKind>;
    view: 'walls' | 'units' | 'methods';
    none: string;
    add: string;
    /** What is open; `null` while a new one is made. */
    open: string | null;
    onopen: (id: string | null) => void;
    /** One line on what it is. */
    about: (id: string) => string;
    /** The one that is open. */
    children: Snippet;
  }
</script>

<script lang="ts">
  import PageHelp from '$lib/features/shell/PageHelp.svelte';
  import Button from '$lib/ui/Button.svelte';
  import { viewWords } from '$words/shell.ts';
  import { itemWords } from '$words/items.ts';

  let { desk, view, none, add, open, onopen, about, children }: ItemListProps = $props();
  const usual = $derived(Object.values(desk.store.context.job.usual ?? {}) as string[]);
  const used = $derived((id: string) => {
    const marks = desk.usedBy(id).map(({ mark }) => mark);
    return marks.length > 6 ? `${marks.slice(0, 6).join(', ')} … (${marks.length})` : marks.join(', ');
  });
</script>

<main>
  <nav aria-label={viewWords[view]}>
    <div class="head">
      <h1>{viewWords[view]}</h1>
      <PageHelp of={{ view }} />
    </div>
    <ul>
      {#each desk.list as item (item.id)}
        <li>
          <button type="button" aria-pressed={item.id === open} onclick={() => onopen(item.id)}>
            <b>{item.name}</b>
            <span>{about(item.id)}</span>
            <span class="used"
              >{[usual.includes(item.id) ? itemWords.usual : '', used(item.id) || itemWords.usedByNone]
                .filter(Boolean)
                .join(' · ')}</span
            >
          </button>
        </li>
      {:else}<li>{none}</li>{/each}
    </ul>
    <p class="buttons">
      {#if desk.mayEdit}<Button onclick={() => onopen(null)}>{add}</Button>{/if}
      {#if desk.canUndo}<Button kind="quiet" onclick={() => void desk.undo()}>{itemWords.undo}</Button>{/if}
    </p>
    {#if desk.problem}<p class="problem" role="alert">{desk.problem}</p>{/if}
    <p role="status">{desk.said}</p>
  </nav>
  <div class="open">{@render children()}</div>
</main>

<style>
  main {
    display: grid;
    grid-template-columns: 270px minmax(0, 1fr);
    gap: var(--gap-5);
    padding: var(--gap-3) var(--gap-4);
  }
  nav {
    display: grid;
    gap: var(--gap-3);
    align-content: start;
    justify-items: start;
    min-width: 0;
  }
  .head {
    display: flex;
    align-items: center;
    gap: var(--gap-2);
  }
  ul {
    width: 100%;
  }
  li button {
    display: grid;
    width: 100%;
    min-height: var(--touch);
    padding: var(--gap-2) var(--gap-3);
    border: 0;
    border-left: 4px solid transparent;
    border-bottom: 1px solid var(--line);
    background: none;
    color: var(--ink);
    font: inherit;
    text-align: left;
    overflow-wrap: anywhere;
    cursor: pointer;
  }
  li button[aria-pressed='true'] {
    border-left-color: var(--rust);
    background: var(--sand);
  }
  .used {
    font-size: 0.9rem;
    color: var(--ink-soft);
  }
  .buttons {
    display: flex;
    flex-flow: row wrap;
    gap: var(--gap-2);
  }
  [role='status']:empty {
    display: none;
  }
  .open {
    display: grid;
    gap: var(--gap-3);
    align-content: start;
    min-width: 0;
    max-width: 60rem;
  }
  @media (max-width: 900px) {
    main {
      grid-template-columns: minmax(0, 1fr);
    }
  }
  @media print {
    nav {
      display: none;
    }
  }
</style>
