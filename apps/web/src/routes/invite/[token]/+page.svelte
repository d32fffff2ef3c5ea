<script lang="ts">
  import { enhance } from '$app/forms';
  import { page } from '$app/state';
  import Button from '$lib/ui/Button.svelte';
  import { inviteWords, peopleWords, signInWords } from '$words/people.ts';

  let { data, form } = $props();
  const t = inviteWords;
</script>

<main>
  {#if data.invite}
    <h1>{t.title(data.invite.jobName)}</h1>
    <p>{t.role(peopleWords.roles[data.invite.role])}</p>
    {#if form?.problem}<p class="problem" role="alert">{form.problem}</p>{/if}
    {#if form && 'job' in form}<p><a href="/jobs/{form.job}">{t.open}</a></p>{/if}
    {#if data.person}
      <form method="POST" action="?/join" use:enhance>
        <Button kind="main" type="submit" large>{t.join}</Button>
      </form>
    {:else}
      <form method="POST" action="?/register" use:enhance>
        <label for="name">{t.name}</label>
        <input id="name" name="name" autocomplete="name" required maxlength="120" />
        <label for="email">{signInWords.email}</label>
        <input id="email" name="email" type="email" autocomplete="username" required />
        <label for="password">{signInWords.password}</label>
        <input id="password" name="password" type="password" autocomplete="new-password" required />
        <Button kind="main" type="submit" large>{t.register}</Button>
      </form>
      <p><a href="/sign-in?next={encodeURIComponent(page.url.pathname)}">{t.have}</a></p>
    {/if}
  {:else}
    <h1>{peopleWords.invite}</h1>
    <p class="problem" role="alert">{t.gone}</p>
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
  form :global(button) {
    margin-top: var(--gap-2);
  }
  label {
    font-weight: 600;
  }
</style>
