<script lang="ts">
  import { page } from '$app/state';
  import { glossary, glossaryWords } from '$words/glossary.ts';
  import { tick, onMount } from 'svelte';

  let find = $state('');
  const shown = $derived(
    glossary.filter(({ name, says }) => `${name} ${says}`.toLowerCase().includes(find.trim().toLowerCase())),
  );

  onMount(async () => {
    await tick();
    document.getElementById(page.url.hash.slice(1))?.scrollIntoView();
  });
</script>

<main>
  <h1>{glossaryWords.title}</h1>
  <p class="quiet">{glossaryWords.lead}</p>
  <label>{glossaryWords.find}<input type="search" bind:value={find} /></label>
  <dl>
    {#each shown as term (term.id)}
      <div id={term.id}>
        <dt>{term.name}</dt>
        <dd>
          <p>{term.says}</p>
          {#if term.shows}
            {#await import('$lib/features/glossary/TermDrawing.svelte') then { default: TermDrawing }}
              <TermDrawing {...term.shows} />
            {/await}
          {/if}
        </dd>
      </div>
    {:else}<p>{glossaryWords.none}</p>{/each}
  </dl>
</main>

<style>
  main {
    display: grid;
    gap: var(--gap-3);
    max-width: 60rem;
    margin: 0 auto;
    padding: var(--gap-5) var(--gap-4);
  }
  label {
    display: grid;
    gap: var(--gap-1);
    max-width: 20rem;
    font-weight: 500;
  }
  dl {
    display: grid;
    grid-template-columns: repeat(auto-fill, minmax(min(100%, 20rem), 1fr));
    gap: var(--gap-4);
  }
  dl > div {
    padding-top: var(--gap-2);
    border-top: 1px solid var(--line);
  }
  dl > div:target {
    border-top: 4px solid var(--rust);
  }
  dt {
    font-weight: 700;
  }
  dd {
    margin: 0;
  }
</style>
