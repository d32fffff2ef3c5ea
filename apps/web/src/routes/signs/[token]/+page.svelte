<!-- What a sign at an opening leads to: facts only, no names, nothing to press. -->
<script lang="ts">
  import ToldList from '$lib/features/notices/ToldList.svelte';
  import { toldWords as t } from '$words/notices.ts';

  let { data } = $props();
</script>

<svelte:head><meta name="robots" content="noindex" /></svelte:head>
<main>
  {#if data.told === null}
    <h1>{t.title}</h1>
    <p>{t.gone}</p>
  {:else}<ToldList told={data.told} />{/if}
</main>

<style>
  main {
    display: grid;
    gap: var(--gap-3);
    max-width: 44rem;
    margin: 4vh auto;
    padding: var(--gap-4);
  }
</style>
