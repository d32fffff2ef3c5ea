<script lang="ts">
  import { enhance } from '$app/forms';
  import type { SubmitFunction } from '@sveltejs/kit';
  import Button from '$lib/ui/Button.svelte';
  import { dateTime } from '$lib/ui/time.ts';
  import { unsentAtSignOut } from '$lib/features/shell/sign-out.ts';
  import { browser } from '$app/environment';
  import KeptHere from '$lib/features/device/KeptHere.svelte';
  import UnitSwitch from '$lib/features/shell/UnitSwitch.svelte';
  import { device } from '$lib/device/device.svelte.ts';
  import { screen, setScreen } from '$lib/device/screen.svelte.ts';
  import { navWords, screenWords } from '$words/shell.ts';
  import { accountWords, signInWords } from '$words/people.ts';

  let { data, form } = $props();
  const t = accountWords;
  const reads = $derived((browser ? device().me?.reads : undefined) ?? data.person?.reads ?? null);
  const askUnsent = (event: SubmitEvent) => {
    if (!unsentAtSignOut()) event.preventDefault();
  };

  const askFirst: SubmitFunction = ({ cancel }) => {
    if (!confirm(t.askErase)) cancel();
  };
  const agentText = (agent: string): string =>
    agent === '' ? t.unknownAgent : /Mobi/.test(agent) ? t.phone : t.computer;
</script>

<main>
  <h1>{t.title}</h1>
  <p>{data.person?.name}, {data.person?.email}</p>
  <section class="device">
    <h2>{screenWords.title}</h2>
    <div class="line"><span>{navWords.units}</span><UnitSwitch {reads} /></div>
    <label class="line"
      ><input
        type="checkbox"
        checked={screen().sun}
        onchange={() => setScreen({ sun: !screen().sun })}
      />{screenWords.sun}</label
    >
    <label class="line"
      ><input
        type="checkbox"
        checked={screen().large}
        onchange={() => setScreen({ large: !screen().large })}
      />{screenWords.large}</label
    >
  </section>
  {#if browser}<KeptHere />{/if}
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
  <form method="POST" action="/sign-out" onsubmit={askUnsent}>
    <Button type="submit">{signInWords.out}</Button>
  </form>
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
  .line {
    display: flex;
    align-items: center;
    gap: var(--gap-3);
    min-height: var(--touch);
  }
  .line input {
    flex: none;
    width: 24px;
    height: 24px;
    min-height: 0;
  }
  .device :global([role='group']) {
    background: var(--ink);
    border-radius: var(--radius);
  }
  .quiet {
    color: var(--ink-soft);
  }
  label {
    font-weight: 600;
  }
</style>
