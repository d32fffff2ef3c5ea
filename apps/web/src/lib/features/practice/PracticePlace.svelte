<script module lang="ts">
  import type { Me } from '$lib/contract/pack.ts';

  export interface PracticePlaceProps {
    me: Me;
  }
</script>

<script lang="ts">
  import type { Round } from '$lib/contract/practice.ts';
  import Button from '$lib/ui/Button.svelte';
  import { kindTexts, practiceWords as t } from '$words/practice.ts';
  import {
    diceOf,
    nextTask,
    practiceKinds,
    readTaskNumber,
    taskNumberText,
    type PracticeAnswer,
    type PracticeKind,
  } from '@hulvek/core';
  import { onMount, tick, untrack } from 'svelte';
  import { SvelteSet } from 'svelte/reactivity';
  import { PracticeDesk } from './practice-desk.svelte.ts';
  import { PracticeRound, type RoundOf } from './practice-round.svelte.ts';
  import KindChoice from './KindChoice.svelte';
  import SkillTable from './SkillTable.svelte';
  import TaskView from './TaskView.svelte';
  import TryInstruments from './TryInstruments.svelte';
  import WhoSees from './WhoSees.svelte';
  import { wallsOfJob } from './walls-of-job.ts';

  let { me }: PracticePlaceProps = $props();
  const desk = untrack(() => new PracticeDesk(me.id, me.reads ?? null));
  let round = $state.raw<PracticeRound | null>(null);
  let ready = $state(false);
  let problem = $state('');
  let number = $state('');
  let making = $state(false);
  const kinds = new SvelteSet<PracticeKind>(practiceKinds);
  let top = $state<HTMLElement>();

  onMount(() => {
    void desk.open().then(async () => {
      ready = true;
      const asked = new URL(location.href).searchParams.get('task');
      if (asked) {
        number = asked;
        await openNumber();
      }
    });
    const again = () => void desk.refresh();
    addEventListener('online', again);
    return () => removeEventListener('online', again);
  });

  const randomSeed = () => crypto.getRandomValues(new Uint32Array(1))[0] ?? 1;

  async function begin(of: RoundOf) {
    problem = '';
    making = true;
    // What is made takes a moment: let the page say so first.
    await tick();
    await new Promise((done) => setTimeout(done, 0));
    round = new PracticeRound(desk, of, randomSeed());
    making = false;
    await tick();
    top?.scrollIntoView({ block: 'start' });
  }

  function start() {
    if (kinds.size === 0) return void (problem = t.noKinds);
    void begin(
      kinds.size === practiceKinds.length ? {} : { kinds: practiceKinds.filter((kind) => kinds.has(kind)) },
    );
  }

  async function openNumber() {
    const read = readTaskNumber(number);
    if (!read) return void (problem = t.wrongNumber);
    await begin({ tasks: [{ task: taskNumberText(read), opening: null }] });
  }

  async function openRound({ job, tasks }: Round) {
    const wallOf = await wallsOfJob(job);
    if (!wallOf) return void (problem = t.notKept);
    await begin({ tasks, wallOf });
  }

  /** Where a round on paper comes from: what would be asked now, with nothing answered in between. */
  const PRINTED = 10;
  const printed = () => {
    const dice = diceOf(randomSeed());
    const answers: PracticeAnswer[] = [...desk.answers];
    const tasks = Array.from({ length: PRINTED }, (_, i) => {
      const now_ms = Date.now() + i * 60_000;
      const next = nextTask({
        answers,
        now_ms,
        dice,
        system: desk.system,
        kinds: practiceKinds.filter((kind) => kinds.has(kind)),
      });
      answers.push({ kind: next.kind, level: next.level, right: true, at_ms: now_ms });
      return taskNumberText(next);
    });
    return `/practice/round.pdf?tasks=${tasks.join(',')}`;
  };

  const right = $derived(round?.results.filter((one) => one.right).length ?? 0);
</script>

<main bind:this={top}>
  {#if round?.task}
    <div class="strip">
      <h1>{t.title}</h1>
      <span>
        {round.many === null
          ? t.left(round.left_min)
          : t.of(round.results.length + (round.judged ? 0 : 1), round.many)}
      </span>
      {#if desk.offline}<span class="quiet">{t.offline}</span>{/if}
    </div>
    {#key round.task}<TaskView {round} task={round.task} />{/key}
  {:else}
    <h1>{t.title}</h1>
    {#if round?.ended}
      <div class="sum" role="status" data-testid="round-sum">
        <p><b>{round.results.length === 0 ? t.doneNone : t.done(right, round.results.length)}</b></p>
        <ul>
          {#each round.results as one, i (i)}
            <li>
              {kindTexts[one.number.kind].name}: {one.right ? t.right : t.notYet}
              <a href="?task={taskNumberText(one.number)}" data-sveltekit-reload class="figure"
                >{taskNumberText(one.number)}</a
              >
            </li>
          {/each}
        </ul>
        {#if round.lost > 0}<p class="quiet">{t.noTask}</p>{/if}
      </div>
    {:else}<p class="lead">{t.lead}</p>{/if}
    {#if desk.unkept}<p class="problem" role="alert">{t.notSaved}</p>{/if}
    {#if desk.offline}<p class="quiet">
        {t.offline}
        {desk.waiting.length > 0 ? t.unsent(desk.waiting.length) : ''}
      </p>{/if}
    <p class="start">
      <Button kind="main" large disabled={!ready || making} onclick={start}
        >{making ? t.loading : round ? t.again : t.start}</Button
      >
    </p>
    {#if problem}<p class="problem" role="alert">{problem}</p>{/if}
    <div class="two">
      <KindChoice {kinds} {desk} />
      <div class="side">
        <section aria-labelledby="rounds">
          <h2 id="rounds">{t.rounds}</h2>
          {#if desk.state.rounds.length === 0}<p class="quiet">{t.noRounds}</p>{/if}
          <ul>
            {#each desk.state.rounds as one (one.id)}
              <li class="round">
                <button type="button" class="as-link" onclick={() => void openRound(one)}>{one.title}</button>
                <span class="quiet">{t.roundOf(one.jobName, one.by)}, {t.tasks(one.tasks.length)}</span>
              </li>
            {/each}
          </ul>
        </section>
        <section aria-labelledby="by-number">
          <h2 id="by-number">{t.byNumber}</h2>
          <form
            onsubmit={(event) => {
              event.preventDefault();
              void openNumber();
            }}
          >
            <input
              type="text"
              aria-labelledby="by-number"
              placeholder={t.numberHint}
              autocapitalize="off"
              bind:value={number}
            />
            <Button type="submit">{t.open}</Button>
          </form>
          <p class="paper">
            <a href="/practice/round.pdf" onclick={(event) => (event.currentTarget.href = printed())}
              >{t.print}</a
            >
          </p>
        </section>
        <TryInstruments reads={desk.system ?? me.reads ?? 'mm'} />
      </div>
    </div>
    {#if ready}<SkillTable answers={desk.answers} />{/if}
    <WhoSees {desk} />
  {/if}
</main>

<style>
  main {
    display: grid;
    gap: var(--gap-4);
    max-width: 76rem;
    margin: 0 auto;
    padding: var(--gap-4);
  }
  h1,
  .lead,
  .start,
  .strip {
    margin: 0;
  }
  .strip h1 {
    font-size: 1.05rem;
  }
  .strip {
    display: flex;
    align-items: baseline;
    flex-flow: row wrap;
    gap: 0 var(--gap-4);
  }
  .two {
    display: grid;
    gap: var(--gap-5);
    align-items: start;
  }
  @media (min-width: 900px) {
    .two {
      grid-template-columns: 1.2fr 1fr;
    }
  }
  .side {
    display: grid;
    gap: var(--gap-4);
    min-width: 0;
  }
  ul {
    margin: 0;
    padding: 0;
    list-style: none;
  }
  form input {
    min-height: 44px;
  }
  form {
    display: flex;
    gap: var(--gap-2);
  }
  .round {
    display: grid;
    padding: var(--gap-2) 0;
    border-bottom: 1px solid var(--sand-deep);
  }
  .as-link {
    min-height: 32px;
    text-align: left;
  }
  .paper {
    margin: var(--gap-2) 0 0;
  }
  .paper a {
    display: inline-block;
    padding: 6px 0;
  }
  .sum {
    padding: var(--gap-3);
    background: var(--sand);
  }
</style>
