<script module lang="ts">
  import type { Term } from '$words/glossary.ts';
  import type { Snippet } from 'svelte';

  export interface TermButtonProps {
    term: Term;
    children: Snippet;
  }
</script>

<script lang="ts">
  import { glossaryWords } from '$words/glossary.ts';

  let { term, children }: TermButtonProps = $props();
  const id = $props.id();
  let open = $state(false);
</script>

<button type="button" class="term" popovertarget="{id}-says" aria-expanded={open} style:anchor-name="--{id}"
  >{@render children()}</button
><span
  id="{id}-says"
  popover="auto"
  role="note"
  style:position-anchor="--{id}"
  ontoggle={(event) => (open = event.newState === 'open')}
>
  {#if open}
    <b>{term.name}</b>
    <span class="says">{term.says}</span>
    {#if term.shows}
      {#await import('./TermDrawing.svelte') then { default: TermDrawing }}
        <TermDrawing {...term.shows} />
      {/await}
    {/if}
    <a href="/glossary#{term.id}">{glossaryWords.all}</a>
  {/if}
</span>

<style>
  .term {
    display: inline;
    padding: 0;
    border: 0;
    border-bottom: 1px dotted var(--ink-soft);
    background: none;
    color: inherit;
    font: inherit;
    text-align: inherit;
    cursor: help;
  }
  [popover] {
    position: fixed;
    inset: auto;
    top: 50%;
    left: 50%;
    translate: -50% -50%;
    display: none;
    gap: var(--gap-2);
    width: min(22rem, calc(100vw - 32px));
    margin: 0;
    padding: var(--gap-3);
    border: 1px solid var(--ink);
    border-radius: var(--radius);
    background: var(--paper);
    color: var(--ink);
    font-size: 1rem;
    font-weight: 400;
  }
  @supports (position-area: bottom) {
    [popover] {
      top: auto;
      left: auto;
      translate: none;
      position-area: bottom span-right;
      position-try-fallbacks: flip-block, flip-inline;
      margin-top: 4px;
    }
  }
  [popover]:popover-open {
    display: grid;
  }
</style>
