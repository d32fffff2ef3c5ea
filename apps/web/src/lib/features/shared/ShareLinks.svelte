<!-- A job shared by link: made, ended, and what those ask who were given one. -->
<script module lang="ts">
  import type { JobStore } from '$lib/job/job.svelte.ts';

  export interface ShareLinksProps {
    store: JobStore;
  }
</script>

<script lang="ts">
  import { answerOf } from '$lib/contract/read.ts';
  import { shareDays, shareMade, sharesAnswer, type Shares } from '$lib/contract/shared.ts';
  import { Asking } from '$lib/device/asking.svelte.ts';
  import Button from '$lib/ui/Button.svelte';
  import LinkCode from '$lib/ui/LinkCode.svelte';
  import { dateTime } from '$lib/ui/time.ts';
  import { sharedWords as t } from '$words/shared.ts';
  import { onMount } from 'svelte';

  let { store }: ShareLinksProps = $props();
  const path = $derived(`/api/jobs/${store.id}/shares`);
  const openings = $derived([...store.views.values()].map(({ opening }) => opening));
  let known = $state<Shares>({ links: [], questions: [] });
  const asking = new Asking();
  let [to, names, pictures, days, which] = $state<[string, boolean, boolean, number, string]>([
    '',
    false,
    true,
    30,
    '',
  ]);
  let made = $state<{ to: string; link: string }[]>([]);
  /** By question, what is typed for an answer. */
  let answers = $state<Record<number, string>>({});
  const markOf = (id: string | null) => openings.find((one) => one.id === id)?.mark ?? '';

  async function load() {
    const response = await asking.ask(path, 'GET');
    if (response) known = await answerOf(response, sharesAnswer);
  }
  onMount(() => void load());

  async function make(event: SubmitEvent) {
    event.preventDefault();
    if (to.trim() === '') return void (asking.problem = t.toNeeded);
    const scope = { to: to.trim(), names, pictures, openings: which === '' ? null : [which] };
    const response = await asking.ask(path, 'POST', { scope, days });
    if (!response) return;
    const { path: link } = await answerOf(response, shareMade);
    made = [...made, { to: to.trim(), link: new URL(link, location.href).href }];
    to = '';
    await load();
  }
  async function end(id: string) {
    if (await asking.ask(`${path}?link=${id}`, 'DELETE')) await load();
  }
  async function answer(event: SubmitEvent, question: number) {
    event.preventDefault();
    const text = (answers[question] ?? '').trim();
    if (text === '') return;
    if (await asking.ask(path, 'PUT', { question, answer: text })) {
      delete answers[question];
      await load();
    }
  }
</script>

<section data-testid="share">
  <h2>{t.share}</h2>
  <p>{t.shareLead}</p>
  {#if asking.problem}<p class="problem" role="alert">{asking.problem}</p>{/if}
  <form class="make" onsubmit={(event) => void make(event)}>
    <label>{t.to} <input bind:value={to} maxlength="120" autocomplete="off" /></label>
    <label
      >{t.which}
      <select bind:value={which}>
        <option value="">{t.all}</option>
        {#each openings as { id, mark, name } (id)}<option value={id}>{mark} {name}</option>{/each}
      </select>
    </label>
    <label
      >{t.days}
      <select bind:value={days}>
        {#each shareDays as n (n)}<option value={n}>{t.inDays(n)}</option>{/each}
      </select>
    </label>
    <label class="tick"><input type="checkbox" bind:checked={names} /> {t.names}</label>
    <label class="tick"><input type="checkbox" bind:checked={pictures} /> {t.pictures}</label>
    <Button type="submit">{t.make}</Button>
  </form>
  {#each made as { to: receiver, link } (link)}
    <h3>{receiver}</h3>
    <LinkCode {link} label={t.label(receiver)} />
  {/each}
  {#if known.links.length > 0}
    <h3>{t.links}</h3>
    <ul>
      {#each known.links as { id, to: receiver, until, visits, last } (id)}
        <li>
          {t.link(receiver, dateTime(until))} <small>{t.visits(visits, last ? dateTime(last) : '')}</small>
          <Button kind="quiet" onclick={() => void end(id)}
            >{t.end}<span class="visually-hidden">, {receiver}</span></Button
          >
        </li>
      {/each}
    </ul>
  {/if}
  <h3>{t.questions}</h3>
  {#if known.questions.length === 0}<p>{t.noQuestions}</p>{/if}
  <ul data-testid="questions">
    {#each known.questions as { id, opening, to: from, question, at, answer: given, answeredAt } (id)}
      <li class="question">
        <small>{[markOf(opening), t.by(from, dateTime(at))].filter(Boolean).join(' · ')}</small>
        <p>{question}</p>
        {#if given !== null}
          <p class="answer"><small>{t.answered(dateTime(answeredAt ?? ''))}</small><br />{given}</p>
        {:else}
          <form class="give" onsubmit={(event) => void answer(event, id)}>
            <label
              >{t.answer}
              <textarea rows="2" maxlength="2000" bind:value={answers[id]}></textarea>
            </label>
            <div><Button type="submit">{t.give}</Button></div>
          </form>
        {/if}
      </li>
    {/each}
  </ul>
</section>

<style>
  section,
  ul,
  .question,
  .give {
    display: grid;
    gap: var(--gap-2);
  }
  h2,
  h3,
  p,
  ul {
    margin: 0;
  }
  ul {
    padding: 0;
    list-style: none;
  }
  .make {
    display: flex;
    flex-flow: row wrap;
    gap: var(--gap-3);
    align-items: end;
  }
  label {
    display: grid;
    gap: var(--gap-1);
    font-weight: 500;
  }
  .tick {
    grid-template-columns: auto 1fr;
    align-items: center;
    min-height: var(--touch);
    font-weight: 400;
  }
  .tick input {
    width: 24px;
    height: 24px;
  }
  .question {
    max-width: 42rem;
    padding: var(--gap-2) 0;
    border-top: 1px solid var(--line);
    overflow-wrap: anywhere;
  }
  .question p {
    white-space: pre-line;
  }
  .answer {
    padding-left: var(--gap-3);
    border-left: 3px solid var(--line);
  }
  small {
    color: var(--ink-soft);
  }
  @media print {
    section {
      display: none;
    }
  }
</style>
