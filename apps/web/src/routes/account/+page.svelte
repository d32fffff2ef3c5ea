<script lang="ts">
  import { enhance } from '$app/forms';
  import type { SubmitFunction } from '@sveltejs/kit';
  import Button from '$lib/ui/Button.svelte';
  import { dateTime } from '$lib/ui/time.ts';
  import { accountWords } from '$words/people.ts';

  let { data, form } = $props();
  const t = accountWords;

  const askFirst: SubmitFunction = ({ cancel }) => {
    if (!confirm(t.askErase)) cancel();
  };
  const agentText = (agent: string): string =>
    agent === '' ? t.unknownAgent : /Mobi/.test(agent) ? t.phone : t.computer;
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
  <section>
    <h2>{t.sessions}</h2>
    <ul>
      {#each data.sessions as session (session.id)}
        <li>
          <span>{agentText(session.agent)}, {t.since(dateTime(session.createdAt.toISOString()))}</span>
          {#if session.own}<span class="quiet">{t.own}</span>
          {:else}
            <form method="POST" action="?/end" use:enhance>
              <input type="hidden" name="session" value={session.id} />
              <Button kind="quiet" type="submit">{t.end}</Button>
            </form>
          {/if}
        </li>
      {/each}
    </ul>
  </section>
  <form method="POST" action="?/everywhere">
    <p>{t.everywhereNote}</p>
    <Button type="submit">{t.everywhere}</Button>
  </form>
  <form method="POST" action="/account/data">
    <Button type="submit">{t.data}</Button>
  </form>
  <form method="POST" action="?/erase" use:enhance={askFirst}>
    <h2>{t.erase}</h2>
    <p>{t.eraseNote}</p>
    <label for="erase-password">{t.old}</label>
    <input id="erase-password" name="password" type="password" autocomplete="current-password" required />
    <Button kind="quiet" type="submit">{t.eraseSubmit}</Button>
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
  li {
    display: flex;
    flex-flow: row wrap;
    align-items: center;
    justify-content: space-between;
    gap: var(--gap-2);
    padding: var(--gap-2) 0;
    border-top: 1px solid var(--line);
  }
  .quiet {
    color: var(--ink-soft);
  }
  label {
    font-weight: 600;
  }
</style>
