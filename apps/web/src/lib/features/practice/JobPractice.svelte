<script module lang="ts">
  import type { JobStore } from '$lib/job/job.svelte.ts';

  export interface JobPracticeProps {
    store: JobStore;
  }
</script>

<script lang="ts">
  import { jobPracticeSchema, MOST_TASKS, type JobPractice, type RoundTask } from '$lib/contract/practice.ts';
  import { answerOf } from '$lib/contract/read.ts';
  import { Asking } from '$lib/device/asking.svelte.ts';
  import JobPage from '$lib/features/shell/JobPage.svelte';
  import Button from '$lib/ui/Button.svelte';
  import ProgressBar from '$lib/ui/ProgressBar.svelte';
  import { jobPracticeWords as t, kindTexts, practiceWords } from '$words/practice.ts';
  import {
    composeTask,
    diceOf,
    practiceLevels,
    seedIn,
    taskNumberText,
    wallKinds,
    wallOfPlan,
    type PracticeLevel,
    type TaskNumber,
  } from '@hulvek/core';
  import { onMount } from 'svelte';
  import { SvelteSet } from 'svelte/reactivity';
  import JobSkills from './JobSkills.svelte';

  let { store }: JobPracticeProps = $props();
  const asking = new Asking();
  const leads = $derived(store.pack.rights.includes('settings'));
  let known = $state.raw<JobPractice | null>(null);
  let title = $state<string>(t.nameDefault);
  let level = $state<PracticeLevel>(2);
  let each = $state(1);
  const openings = new SvelteSet<string>();
  const kinds = new SvelteSet<(typeof wallKinds)[number]>(['order', 'cover', 'night']);
  let problem = $state('');
  let said = $state('');
  /** So much of the round is made, 0 to 1; `null` while none is. */
  let made = $state<number | null>(null);
  const built = $derived(store.plans.filter((plan) => plan.build !== null));
  const wanted = $derived(openings.size * kinds.size * each);

  async function load() {
    const response = await asking.ask(`/api/jobs/${store.id}/practice`);
    if (response) known = await answerOf(response, jobPracticeSchema);
  }
  onMount(() => void load());

  async function make(event: SubmitEvent) {
    event.preventDefault();
    [problem, said] = ['', ''];
    if (openings.size === 0) return void (problem = t.noOpenings);
    if (kinds.size === 0) return void (problem = t.noKinds);
    if (wanted > MOST_TASKS) return void (problem = t.tooMany(wanted, MOST_TASKS));
    const tasks: RoundTask[] = [];
    const dice = diceOf(crypto.getRandomValues(new Uint32Array(1))[0] ?? 1);
    made = 0;
    let tried = 0;
    for (const plan of built.filter(({ opening }) => openings.has(opening.id))) {
      const wall = wallOfPlan(plan);
      for (const kind of kinds)
        for (let i = 0; i < each; i++) {
          // Between two, the page may answer.
          await new Promise((done) => setTimeout(done, 0));
          const number: TaskNumber = { kind, level, seed: seedIn(store.reads, dice) };
          if (wall && composeTask(number, wall))
            tasks.push({ task: taskNumberText(number), opening: plan.opening.id });
          made = ++tried / wanted;
        }
    }
    made = null;
    if (tasks.length === 0) return void (problem = t.nothing);
    const response = await asking.ask(`/api/jobs/${store.id}/practice`, 'POST', {
      title: title.trim() || t.nameDefault,
      tasks: dice.shuffled(tasks),
    });
    if (!response) return;
    said = t.made(tasks.length);
    await load();
  }

  async function end(id: string) {
    if (await asking.ask(`/api/jobs/${store.id}/practice?round=${id}`, 'DELETE')) await load();
  }

  const toggle = <T,>(set: SvelteSet<T>, one: T, on: boolean) => (on ? set.add(one) : set.delete(one));
</script>

<JobPage view="practice" lead={t.lead}>
  <p><a href="/practice">{t.go}</a></p>
  {#if leads}
    <form onsubmit={make}>
      <fieldset>
        <legend>{t.openings}</legend>
        {#if built.length === 0}<p class="quiet">{t.noOpenings}</p>{/if}
        <ul>
          {#each built as { opening } (opening.id)}
            <li>
              <label
                ><input
                  type="checkbox"
                  checked={openings.has(opening.id)}
                  onchange={(event) => toggle(openings, opening.id, event.currentTarget.checked)}
                />
                {opening.mark} <span class="quiet">{opening.name}</span></label
              >
            </li>
          {/each}
        </ul>
      </fieldset>
      <fieldset>
        <legend>{t.kinds}</legend>
        <ul>
          {#each wallKinds as kind (kind)}
            <li>
              <label
                ><input
                  type="checkbox"
                  checked={kinds.has(kind)}
                  onchange={(event) => toggle(kinds, kind, event.currentTarget.checked)}
                />
                {kindTexts[kind].name}</label
              >
            </li>
          {/each}
        </ul>
      </fieldset>
      <div class="fields">
        <label>{t.name}<input type="text" maxlength="120" bind:value={title} /></label>
        <label
          >{t.level}
          <select bind:value={level}>
            {#each practiceLevels as one (one)}<option value={one}>{t.levels[one]}</option>{/each}
          </select></label
        >
        <label
          >{t.each}
          <select bind:value={each}>
            {#each [1, 2, 3] as one (one)}<option value={one}>{one}</option>{/each}
          </select></label
        >
      </div>
      <p class="go">
        <Button kind="main" type="submit" disabled={made !== null}>{t.make}</Button>
        {#if made !== null}<ProgressBar label={practiceWords.loading} share={made} />{/if}
        <span role="status">{said}</span>
      </p>
      {#if problem || asking.problem}<p class="problem" role="alert">{problem || asking.problem}</p>{/if}
    </form>
  {:else if asking.problem}<p class="problem" role="alert">{asking.problem}</p>{/if}
  <section aria-labelledby="job-rounds">
    <h2 id="job-rounds">{t.rounds}</h2>
    {#if known && known.rounds.length === 0}<p class="quiet">{t.none}</p>{/if}
    <ul class="rounds">
      {#each known?.rounds ?? [] as round (round.id)}
        <li>
          <b>{round.title}</b>
          <span class="quiet">{practiceWords.tasks(round.tasks.length)}{round.by ? `, ${round.by}` : ''}</span
          >
          <span class="links">
            <a href="/jobs/{store.id}/practice.pdf?round={round.id}">{t.paper}</a>
            {#if leads}
              <button type="button" class="as-link" onclick={() => void end(round.id)}
                >{t.end}<span class="visually-hidden">, {round.title}</span></button
              >
            {/if}
          </span>
        </li>
      {/each}
    </ul>
  </section>
  {#if known?.people}<JobSkills people={known.people} others={known.others} />{/if}
</JobPage>

<style>
  form {
    display: grid;
    gap: var(--gap-3);
    padding-bottom: var(--gap-3);
    border-bottom: 1px solid var(--line);
  }
  fieldset {
    min-width: 0;
    margin: 0;
    padding: 0;
    border: 0;
  }
  legend {
    font-weight: 600;
  }
  ul {
    margin: 0;
    padding: 0;
    list-style: none;
  }
  fieldset ul {
    display: grid;
    grid-template-columns: repeat(auto-fill, minmax(min(100%, 13rem), 1fr));
    gap: 0 var(--gap-3);
  }
  fieldset label {
    display: flex;
    align-items: center;
    gap: var(--gap-2);
    min-height: 44px;
  }
  input[type='checkbox'] {
    width: 20px;
    height: 20px;
  }
  .fields {
    display: flex;
    flex-flow: row wrap;
    gap: var(--gap-3);
  }
  .fields label {
    display: grid;
    gap: var(--gap-1);
    font-weight: 500;
  }
  .go,
  .links {
    display: flex;
    flex-flow: row wrap;
    align-items: center;
    gap: var(--gap-3);
    margin: 0;
  }
  .rounds li {
    display: flex;
    flex-flow: row wrap;
    align-items: baseline;
    gap: 0 var(--gap-3);
    padding: var(--gap-2) 0;
    border-bottom: 1px solid var(--sand-deep);
  }
  .links {
    margin-left: auto;
  }
</style>
