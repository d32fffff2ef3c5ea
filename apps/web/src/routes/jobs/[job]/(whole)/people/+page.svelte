<script lang="ts">
  import { enhance } from '$app/forms';
  import type { SubmitFunction } from '@sveltejs/kit';
  import PageHelp from '$lib/features/shell/PageHelp.svelte';
  import LinkCode from '$lib/ui/LinkCode.svelte';
  import Button from '$lib/ui/Button.svelte';
  import { dateTime } from '$lib/ui/time.ts';
  import { peopleWords } from '$words/people.ts';

  let { data, form } = $props();
  const t = peopleWords;

  /** A role or a rule in words; a name as it is. */
  const named = (about: string): string =>
    new Map<string, string>([...Object.entries(t.roles), ...Object.entries(t.lookRules)]).get(about) ?? about;

  /** Asks once before somebody loses access. */
  const askFirst =
    (name: string): SubmitFunction =>
    ({ cancel }) => {
      if (!confirm(t.askRemove(name))) cancel();
    };
</script>

<main>
  <div class="head">
    <h1>{t.title} <span>{data.job.name}</span></h1>
    <PageHelp of={{ view: 'people' }} />
  </div>
  {#if form && 'problem' in form && form.problem}<p class="problem" role="alert">{form.problem}</p>{/if}
  {#if form && 'revoked' in form}<p role="status">{t.revoked}</p>{/if}
  {#if form && 'password' in form && form.password}
    <div role="status">
      <p>{t.passwordLink(form.name)}</p>
      <LinkCode link={form.password} label={t.passwordOf(form.name)} />
    </div>
  {/if}
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
        {#if member.userId !== data.person?.id}
          <form method="POST" action="?/password" use:enhance>
            <input type="hidden" name="user" value={member.userId} />
            <Button kind="quiet" type="submit"
              >{t.password}<span class="visually-hidden">, {member.name}</span></Button
            >
          </form>
        {/if}
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
      <div role="status">
        <p>{t.inviteLink} {t.roles[form.role]}: {t.roleNotes[form.role]}</p>
        <LinkCode link={form.link} label={t.invitation(t.roles[form.role])} />
      </div>
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

  {#if data.links.length > 0}
    <section>
      <h2>{t.links}</h2>
      <ul>
        {#each data.links as link (link.id)}
          {@const what =
            link.kind === 'password' ? t.passwordOf(link.of) : t.invitation(t.roles[link.role ?? 'viewer'])}
          <li>
            <p>{t.linkOf(what, link.by || t.unknown, dateTime(link.expiresAt.toISOString()))}</p>
            <form method="POST" action="?/revoke" use:enhance>
              <input type="hidden" name="link" value={link.id} />
              <Button kind="quiet" type="submit"
                >{t.revoke}<span class="visually-hidden">, {what}</span></Button
              >
            </form>
          </li>
        {/each}
      </ul>
    </section>
  {/if}

  <section>
    <h2>{t.audit}</h2>
    {#if data.audit.length === 0}<p>{t.auditEmpty}</p>{/if}
    <ul class="audit">
      {#each data.audit as { id, at, action, person, about } (id)}
        <li>
          <span class="figure">{dateTime(at.toISOString())}</span>
          <span>{person || t.unknown}: {t.audited[action]} {named(about)}</span>
        </li>
      {/each}
    </ul>
  </section>

  <section>
    <h2>{t.deleteJob}</h2>
    <p>{t.deleteNote(data.keepDays)}</p>
    <form method="POST" action="?/delete" use:enhance>
      <label for="delete-name">{t.deleteName}</label>
      <input id="delete-name" name="name" autocomplete="off" required />
      <Button kind="quiet" type="submit">{t.deleteSubmit}</Button>
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
  .audit li {
    padding: var(--gap-1) 0;
    font-size: 0.95rem;
  }
  .head {
    display: flex;
    align-items: center;
    gap: var(--gap-2);
  }
</style>
