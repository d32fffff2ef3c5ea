<script module lang="ts">
  import type { JobStore } from '$lib/job/job.svelte.ts';

  export interface JobNavProps {
    store: JobStore;
  }
</script>

<script lang="ts">
  import { afterNavigate } from '$app/navigation';
  import { page } from '$app/state';
  import { groupWords, jobWords, viewWords } from '$words/shell.ts';
  import FindButton from './FindButton.svelte';
  import { jobPages } from './job-pages.ts';

  let { store }: JobNavProps = $props();
  const groups = $derived(jobPages(store.pack.rights));
  const hrefOf = (path: string) => `/jobs/${store.id}${path}`;
  const here = $derived(
    groups.flatMap(({ pages }) => pages).find(({ path }) => page.url.pathname === hrefOf(path)),
  );
  /** On a narrow page the list opens under its own button. */
  let open = $state(false);
  afterNavigate(() => (open = false));
</script>

<div class="side">
  <FindButton />
  <button
    type="button"
    class="menu"
    aria-expanded={open}
    aria-controls="job-pages"
    onclick={() => (open = !open)}
    >{here ? viewWords[here.view] : jobWords.views}<span aria-hidden="true">▾</span></button
  >
  <nav id="job-pages" class:open aria-label={jobWords.views}>
    {#each groups as { group, pages } (group)}
      <div class="group">
        <h2 id="group-{group}">{groupWords[group]}</h2>
        <ul aria-labelledby="group-{group}">
          {#each pages as { view, path } (path)}
            <li>
              <a href={hrefOf(path)} aria-current={page.url.pathname === hrefOf(path) ? 'page' : undefined}
                >{viewWords[view]}</a
              >
            </li>
          {/each}
        </ul>
      </div>
    {/each}
  </nav>
</div>

<style>
  .side {
    border-right: 1px solid var(--line);
  }
  .menu {
    display: none;
  }
  nav {
    display: grid;
    gap: var(--gap-3);
    position: sticky;
    top: 0;
    padding: var(--gap-3) 0 var(--gap-4);
  }
  h2 {
    padding: 0 var(--gap-3);
    color: var(--ink-soft);
    font-size: 0.8rem;
    font-weight: 600;
  }
  a {
    display: flex;
    align-items: center;
    min-height: 34px;
    padding: 0 var(--gap-3);
    border-left: 4px solid transparent;
    color: var(--ink);
    font-weight: 500;
    text-decoration: none;
  }
  a[aria-current='page'] {
    border-left-color: var(--rust);
    font-weight: 700;
  }
  a:hover {
    background: var(--sand);
  }
  @media (max-width: 900px), (pointer: coarse) {
    a {
      min-height: var(--touch);
    }
  }
  @media (max-width: 900px) {
    .side {
      border-right: 0;
      border-bottom: 1px solid var(--line);
    }
    .menu {
      display: flex;
      justify-content: space-between;
      align-items: center;
      width: 100%;
      min-height: var(--touch);
      padding: 0 var(--gap-4);
      border: 0;
      background: none;
      color: var(--ink);
      font: inherit;
      font-weight: 700;
      cursor: pointer;
    }
    nav {
      display: none;
      position: static;
      grid-template-columns: repeat(auto-fit, minmax(9rem, 1fr));
      padding: 0 0 var(--gap-3);
    }
    nav.open {
      display: grid;
    }
  }
  @media print {
    .side {
      display: none;
    }
  }
</style>
