<script lang="ts">
  import { enhance } from '$app/forms';
  import Button from '$lib/ui/Button.svelte';
  import { accountWords } from '$words/people.ts';

  let { data, form } = $props();
  const t = accountWords;
</script>

<main>
  <h1>{t.title}</h1>
  <p>{data.person?.name}, {data.person?.email}</p>
  <form method="POST" action="?/password" use:enhance>
    <label for="old">{t.old}</label>
    <input id="old" name="old" type="password" autocomplete="current-password" required />
    <label for="next">{t.next}</label>
    <input id="next" name="next" type="password" autocomplete="new-password" required />
    {#if form && 'problem' in form}<p class="problem" role="alert">{form.problem}</p>{/if}
    {#if form && 'changed' in form}<p role="status">{t.changed}</p>{/if}
    <Button kind="main" type="submit">{t.change}</Button>
  </form>
  <form method="POST" action="?/everywhere">
    <p>{t.everywhereNote}</p>
    <Button type="submit">{t.everywhere}</Button>
  </form>
</main>

<style>
  main {
    display: grid;
    gap: var(--gap-5);
    max-width: 30rem;
    margin: 0 auto;
    padding: var(--gap-5) var(--gap-4);
  }
  form {
    display: grid;
    gap: var(--gap-2);
    justify-items: start;
  }
  label {
    font-weight: 600;
  }
</style>
