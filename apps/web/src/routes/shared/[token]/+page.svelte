<script lang="ts">
  import Button from '$lib/ui/Button.svelte';
  import { sharedWords as t } from '$words/shared.ts';

  let { data } = $props();
</script>

<svelte:head><meta name="robots" content="noindex" /></svelte:head>
<main>
  <h1>{t.title}</h1>
  {#if data.to === null}
    <p class="problem" role="alert">{t.gone}</p>
  {:else}
    <p>{t.lead(data.to)}</p>
    <form method="POST"><Button kind="main" type="submit" large>{t.open}</Button></form>
  {/if}
</main>

<style>
  main {
    display: grid;
    gap: var(--gap-3);
    max-width: 36rem;
    margin: 8vh auto;
    padding: var(--gap-4);
  }
</style>
