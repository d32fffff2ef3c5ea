<script module lang="ts">
  import type { JobStore } from '$lib/job/job.svelte.ts';

  export interface PaletteProps {
    store: JobStore;
    onclose: () => void;
  }
</script>

<script lang="ts">
  import { goto } from '$app/navigation';
  import { page } from '$app/state';
  import { groupWords, paletteWords, stagesWords, viewWords } from '$words/shell.ts';
  import { Command } from 'bits-ui';
  import { jobPages } from './job-pages.ts';

  let { store, onclose }: PaletteProps = $props();
  const groups = $derived(jobPages(store.pack.rights));
  /** An opening is opened where the last one was. */
  const stage = $derived(page.params.stage ?? 'measure');
  const here = $derived(page.params.opening ?? null);
  const STAGES = ['measure', 'detail', 'prove', 'order', 'install', 'test', 'hand-over'] as const;

  /** Of very many openings as many as anybody reads: the next letter finds the others. */
  const MOST = 40;
  let asked = $state('');
  const words = $derived(asked.trim().toLowerCase().split(/\s+/));
  const isMeant = (text: string) => words.every((word) => text.toLowerCase().includes(word));
  /** Whoever types a whole mark means that one. */
  const openings = $derived(
    store.names
      .filter(({ mark, name }) => isMeant(`${mark} ${name}`))
      .sort((a, b) => Number(b.mark.toLowerCase() === words[0]) - Number(a.mark.toLowerCase() === words[0]))
      .slice(0, MOST),
  );
  const stages = $derived(here ? STAGES.filter((one) => isMeant(stagesWords[one])) : []);
  const found = $derived(
    groups
      .map(({ group, pages }) => ({ group, pages: pages.filter(({ view }) => isMeant(viewWords[view])) }))
      .filter(({ pages }) => pages.length > 0),
  );
  const valueOf = {
    opening: (id: string) => `opening ${id}`,
    stage: (one: string) => `stage ${one}`,
    page: (view: string) => `page ${view}`,
  };
  const first = $derived(
    (openings[0] && valueOf.opening(openings[0].id)) ??
      (stages[0] && valueOf.stage(stages[0])) ??
      (found[0]?.pages[0] && valueOf.page(found[0].pages[0].view)) ??
      '',
  );
  /** The one that Enter goes to: the first of what is found, until another one is chosen by arrows or pointer. */
  let chosen = $derived(first);

  function go(path: string) {
    onclose();
    void goto(`/jobs/${store.id}${path}`);
  }
</script>

<dialog
  {@attach (dialog) => dialog.showModal()}
  {onclose}
  aria-label={paletteWords.title}
  onclick={(event) => {
    if (event.target === event.currentTarget) onclose();
  }}
>
  <Command.Root label={paletteWords.title} shouldFilter={false} bind:value={chosen} loop>
    <Command.Input
      class="palette-input"
      bind:value={asked}
      placeholder={paletteWords.hint}
      aria-label={paletteWords.title}
      autofocus
    />
    <Command.List class="palette-list">
      {#if first === ''}<p class="none">{paletteWords.none}</p>{/if}
      {#if openings.length > 0}
        <Command.Group>
          <Command.GroupHeading class="palette-heading">{paletteWords.openings}</Command.GroupHeading>
          <Command.GroupItems>
            {#each openings as { id, mark, name } (id)}
              <Command.Item
                class="palette-item"
                value={valueOf.opening(id)}
                onSelect={() => go(`/${id}/${stage}`)}><b>{mark}</b> {name}</Command.Item
              >
            {/each}
          </Command.GroupItems>
        </Command.Group>
      {/if}
      {#if stages.length > 0}
        <Command.Group>
          <Command.GroupHeading class="palette-heading">{stagesWords.label}</Command.GroupHeading>
          <Command.GroupItems>
            {#each stages as one (one)}
              <Command.Item
                class="palette-item"
                value={valueOf.stage(one)}
                onSelect={() => go(`/${here}/${one}`)}>{stagesWords[one]}</Command.Item
              >
            {/each}
          </Command.GroupItems>
        </Command.Group>
      {/if}
      {#each found as { group, pages } (group)}
        <Command.Group>
          <Command.GroupHeading class="palette-heading">{groupWords[group]}</Command.GroupHeading>
          <Command.GroupItems>
            {#each pages as { view, path } (path)}
              <Command.Item class="palette-item" value={valueOf.page(view)} onSelect={() => go(path)}
                >{viewWords[view]}</Command.Item
              >
            {/each}
          </Command.GroupItems>
        </Command.Group>
      {/each}
    </Command.List>
  </Command.Root>
</dialog>

<style>
  dialog {
    width: min(34rem, calc(100vw - 2rem));
    margin: 10vh auto auto;
    padding: 0;
    border: 2px solid var(--ink);
    border-radius: var(--radius);
    background: var(--paper);
    color: var(--ink);
  }
  dialog::backdrop {
    background: rgb(0 0 0 / 35%);
  }
  dialog :global(.palette-input) {
    width: 100%;
    min-height: var(--touch);
    padding: 0 var(--gap-4);
    border: 0;
    border-bottom: 1px solid var(--line);
    font: inherit;
    font-size: 1.1rem;
  }
  dialog :global(.palette-list) {
    max-height: 55vh;
    padding-bottom: var(--gap-2);
    overflow-y: auto;
  }
  dialog :global(.palette-heading) {
    padding: var(--gap-2) var(--gap-4) 0;
    color: var(--ink-soft);
    font-size: 0.85rem;
  }
  dialog :global(.palette-item) {
    display: flex;
    gap: var(--gap-2);
    align-items: center;
    min-height: 40px;
    padding: 0 var(--gap-4);
    border-left: 4px solid transparent;
    overflow-wrap: anywhere;
    cursor: pointer;
  }
  dialog :global(.palette-item[data-selected]) {
    border-left-color: var(--rust);
    background: var(--sand);
  }
  .none {
    padding: var(--gap-3) var(--gap-4);
  }
</style>
