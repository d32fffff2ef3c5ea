<script module lang="ts">
  import type { Snippet } from 'svelte';
  import type { viewWords } from '$words/shell.ts';

  export interface JobPageProps {
    view: keyof typeof viewWords;
    /** What the page is for, in a sentence or two. */
    lead?: string;
    /** Beside the title. */
    tools?: Snippet;
    children: Snippet;
  }
</script>

<script lang="ts">
  import PageHelp from './PageHelp.svelte';
  import { viewWords as titles } from '$words/shell.ts';

  let { view, lead = '', tools, children }: JobPageProps = $props();
</script>

<main>
  <div class="head">
    <h1>{titles[view]}</h1>
    <PageHelp of={{ view }} />
    {@render tools?.()}
  </div>
  {#if lead}<p class="lead">{lead}</p>{/if}
  {@render children()}
</main>

<style>
  main {
    display: grid;
    grid-template-columns: minmax(0, 1fr);
    gap: var(--gap-4);
    align-content: start;
    padding: var(--gap-3) var(--gap-4);
  }
  .head {
    display: flex;
    flex-flow: row wrap;
    align-items: center;
    gap: var(--gap-3);
  }
  .lead {
    max-width: 70ch;
    color: var(--ink-soft);
  }
</style>
