<script lang="ts">
  import { enhance } from '$app/forms';
  import type { SubmitFunction } from '@sveltejs/kit';
  import Button from '$lib/ui/Button.svelte';
  import { peopleWords } from '$words/people.ts';

  let { data, form } = $props();
  const t = peopleWords;

  /** Asks once before somebody loses access. */
  const askFirst =
    (name: string): SubmitFunction =>
    ({ cancel }) => {
      if (!confirm(t.askRemove(name))) cancel();
    };
</script>

<main>
  <h1>{t.title} <span>{data.job.name}</span></h1>
  {#if form && 'problem' in form && form.problem}<p class="problem" role="alert">{form.problem}</p>{/if}
  {#if form && 'saved' in form && form.saved}<p role="status">{t.saved}</p>{/if}
  <ul>
    {#each data.members as member (member.userId)}
      <li>
        <p><b>{member.name}</b> <span class="quiet">{member.email}</span></p>
        <form
          method="POST"
          action="?/role"
          use:enhance={() =>
            ({ update }) =>
              update({ reset: false })}
        >
          <input type="hidden" name="user" value={member.userId} />
          <select name="role" value={member.role} aria-label="{t.role}, {member.name}">
            {#each data.roles as role (role)}<option value={role}>{t.roles[role]}</option>{/each}
          </select>
          <Button type="submit">{t.change}<span class="visually-hidden">, {member.name}</span></Button>
        </form>
        <form method="POST" action="?/remove" use:enhance={askFirst(member.name)}>
          <input type="hidden" name="user" value={member.userId} />
          <Button kind="quiet" type="submit"
            >{t.remove}<span class="visually-hidden">, {member.name}</span></Button
          >
        </form>
      </li>
    {/each}
  </ul>

  <section>
    <h2>{t.invite}</h2>
    <form method="POST" action="?/invite" use:enhance>
      <label for="invite-role">{t.role}</label>
      <select id="invite-role" name="role">
        {#each data.roles.toReversed() as role (role)}<option value={role}
            >{t.roles[role]}: {t.roleNotes[role]}</option
          >{/each}
      </select>
      <Button kind="main" type="submit">{t.inviteSubmit}</Button>
    </form>
    {#if form && 'link' in form && form.link}
      <p role="status">{t.inviteLink} <a class="figure" href={form.link}>{form.link}</a></p>
    {/if}
  </section>

  <section>
    <h2 id="look-rule">{t.look}</h2>
    <form
      method="POST"
      action="?/look"
      use:enhance={() =>
        ({ update }) =>
          update({ reset: false })}
    >
      <select name="rule" value={data.lookRule} aria-labelledby="look-rule">
        {#each data.lookRules as rule (rule)}<option value={rule}>{t.lookRules[rule]}</option>{/each}
      </select>
      <Button type="submit">{t.save}</Button>
    </form>
  </section>
</main>

<style>
  main {
    display: grid;
    grid-template-columns: minmax(0, 1fr);
    gap: var(--gap-5);
    max-width: 54rem;
    margin: 0 auto;
    padding: var(--gap-5) var(--gap-4);
  }
  h1 span,
  .quiet {
    font-weight: 400;
    color: var(--ink-soft);
  }
  li {
    display: flex;
    flex-flow: row wrap;
    align-items: center;
    gap: var(--gap-3);
    padding: var(--gap-3) 0;
    border-top: 1px solid var(--line);
  }
  li p {
    flex: 1;
    min-width: 16rem;
  }
  form {
    display: flex;
    flex-flow: row wrap;
    align-items: center;
    gap: var(--gap-2);
  }
  select {
    width: auto;
    max-width: 100%;
  }
  section {
    display: grid;
    grid-template-columns: minmax(0, 1fr);
    gap: var(--gap-3);
  }
  section a {
    overflow-wrap: anywhere;
  }
</style>
