<script lang="ts">
  import { enhance } from '$app/forms';
  import Button from '$lib/ui/Button.svelte';
  import { newPasswordWords, signInWords } from '$words/people.ts';

  let { data, form } = $props();
  const t = newPasswordWords;
</script>

<main>
  <h1>{t.title}</h1>
  {#if data.name === null}
    <p class="problem" role="alert">{t.gone}</p>
  {:else}
    <p>{t.lead(data.name)}</p>
    {#if form?.problem}<p class="problem" role="alert">{form.problem}</p>{/if}
    <form method="POST" use:enhance>
      <label for="password">{signInWords.password}</label>
      <input id="password" name="password" type="password" autocomplete="new-password" required />
      <Button kind="main" type="submit" large>{t.submit}</Button>
    </form>
  {/if}
</main>

<style>
  main {
    display: grid;
    gap: var(--gap-3);
    max-width: 30rem;
    margin: 8vh auto;
    padding: var(--gap-4);
  }
  form {
    display: grid;
    gap: var(--gap-2);
  }
  label {
    font-weight: 600;
  }
</style>
