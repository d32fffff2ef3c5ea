<script lang="ts">
  import { enhance } from '$app/forms';
  import ToldList from '$lib/features/notices/ToldList.svelte';
  import Button from '$lib/ui/Button.svelte';
  import { toldWords as t } from '$words/notices.ts';

  let { data, form } = $props();
</script>

<svelte:head><meta name="robots" content="noindex" /></svelte:head>
<main>
  {#if data.told === null}
    <h1>{t.title}</h1>
    <p class="problem" role="alert">{t.gone}</p>
  {:else}
    <ToldList told={data.told} />
    {#if form?.said}
      <p role="status">{t.said(form.said)}</p>
    {:else}
      {#if form?.problem}<p class="problem" role="alert">{form.problem}</p>{/if}
      <form method="POST" use:enhance>
        <label for="name">{t.name}</label>
        <input id="name" name="name" maxlength="80" autocomplete="name" required />
        <Button kind="main" type="submit" large>{t.read}</Button>
        <p class="quiet">{t.means}</p>
      </form>
    {/if}
  {/if}
</main>

<style>
  main {
    display: grid;
    gap: var(--gap-3);
    max-width: 44rem;
    margin: 4vh auto;
    padding: var(--gap-4);
  }
  form {
    display: grid;
    gap: var(--gap-2);
    max-width: 26rem;
  }
</style>
