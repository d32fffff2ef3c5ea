<script module lang="ts">
  import type { PracticeRound } from './practice-round.svelte.ts';
  import type { Given, Task } from '@hulvek/core';

  export interface TaskViewProps {
    round: PracticeRound;
    task: Task;
  }
</script>

<script lang="ts">
  import TermButton from '$lib/features/glossary/TermButton.svelte';
  import Button from '$lib/ui/Button.svelte';
  import { glossary } from '$words/glossary.ts';
  import {
    givenText,
    kindTexts,
    optionText,
    partText,
    practiceWords as t,
    questionText,
    termOf,
    weatherText,
  } from '$words/practice.ts';
  import { figuresIn, parseLength, systemOf, taskNumberText } from '@hulvek/core';
  import { untrack } from 'svelte';
  import OrderAnswer from './OrderAnswer.svelte';
  import PickAnswer from './PickAnswer.svelte';
  import TaskPicture from './TaskPicture.svelte';
  import TaskVerdict from './TaskVerdict.svelte';

  let { round, task }: TaskViewProps = $props();
  const { asked, question, number } = $derived(task);
  const system = $derived(systemOf(number));
  const f = $derived(figuresIn(system));
  const judged = $derived(round.judged);
  const text = (id: string) => optionText(task, id, f);
  const id = $props.id();

  let items = $state.raw<readonly string[]>(
    untrack(() => (task.asked.form === 'order' ? task.asked.items : [])),
  );
  let chosen = $state.raw<readonly string[]>([]);
  let length = $state('');
  let part = $state('');
  let problem = $state('');
  const parts = $derived(
    asked.form === 'place'
      ? asked.parts
          .map((one) => ({ id: one, name: partText(one) }))
          .sort((a, b) => a.name.localeCompare(b.name))
      : [],
  );

  let figures = $state<HTMLElement>();
  function answer(given: Given) {
    problem = '';
    round.answer(given);
  }

  function submit(event: SubmitEvent) {
    event.preventDefault();
    if (judged) return;
    switch (asked.form) {
      case 'order':
        return answer({ form: 'order', items });
      case 'one': {
        const [option] = chosen;
        if (option === undefined) return void (problem = t.pickFirst);
        return answer({ form: 'one', option });
      }
      case 'several':
        if (chosen.length === 0) return void (problem = t.pickFirst);
        return answer({ form: 'several', options: chosen });
      case 'length': {
        const read = parseLength(length, system);
        if (!read.ok) return void (problem = t.lengthFirst);
        return answer({ form: 'length', mm: read.value.mm });
      }
      case 'place':
        if (part === '') return void (problem = t.pickFirst);
        return answer({ form: 'part', part });
    }
  }

  const term = $derived(glossary.find((one) => one.id === termOf[number.kind]));
</script>

<div class="task" data-testid="task">
  <header>
    <h2>{kindTexts[number.kind].name}</h2>
    <p class="quiet">
      {t.level(number.level)} · <span class="figure">{t.numberOf(taskNumberText(number))}</span>
      {#if term}· <TermButton {term}>{term.name}</TermButton>{/if}
    </p>
  </header>
  <p class="question" id="{id}-question">{questionText(question, f)}</p>
  <div class="pictures" data-many={task.views.length} bind:this={figures}>
    {#each task.views as view, at (at)}
      <TaskPicture
        {view}
        {at}
        onpress={asked.form === 'place' && !judged ? answer : undefined}
        pressed={round.given?.form === 'press' && round.given.view === at ? round.given : null}
        play={judged?.play ?? null}
        place={judged?.place ?? null}
      />
    {/each}
  </div>
  <form onsubmit={submit}>
    {#if question.kind === 'cut'}
      <dl>
        {#each question.lengths as { what, mm } (what)}
          <div>
            <dt>{givenText(what)}</dt>
            <dd class="figure">{f.length(mm)}</dd>
          </div>
        {/each}
      </dl>
    {/if}
    {#if question.kind === 'day'}<p class="visually-hidden">{weatherText(question, f)}</p>{/if}
    {#if asked.form === 'order'}
      <OrderAnswer {items} {text} disabled={judged !== null} onorder={(next) => (items = next)} />
    {:else if asked.form === 'one' || asked.form === 'several'}
      <PickAnswer
        options={asked.options}
        several={asked.form === 'several'}
        {chosen}
        {text}
        legend={questionText(question, f)}
        disabled={judged !== null}
        onchoose={(next) => (chosen = next)}
      />
    {:else if asked.form === 'length'}
      <label class="length">
        {t.your}
        <span>
          <input
            type="text"
            inputmode={system === 'mm' ? 'decimal' : 'text'}
            autocomplete="off"
            aria-describedby="{id}-question"
            disabled={judged !== null}
            bind:value={length}
          />
          <span class="unit">{system === 'mm' ? 'mm' : 'in'}</span>
        </span>
      </label>
    {:else}
      <label class="part">
        {t.name}
        <select bind:value={part} disabled={judged !== null}>
          <option value="">{t.choosePart}</option>
          {#each parts as one (one.id)}<option value={one.id}>{one.name}</option>{/each}
        </select>
      </label>
    {/if}
    {#if problem}<p class="problem" role="alert">{problem}</p>{/if}
    {#if judged}<TaskVerdict {task} {judged} />{/if}
    <p class="go">
      {#if judged?.play || judged?.place}
        <span class="narrow"
          ><Button onclick={() => figures?.scrollIntoView({ block: 'start', behavior: 'smooth' })}
            >{t.look}</Button
          ></span
        >
      {/if}
      {#if judged}
        <Button kind="main" large onclick={() => round.next()}>{round.isLast ? t.finish : t.next}</Button>
      {:else}
        <Button kind="main" large type="submit">{t.answer}</Button>
      {/if}
      {#if !judged || !round.isLast}
        <Button kind="quiet" onclick={() => round.end()}>{t.finish}</Button>
      {/if}
    </p>
  </form>
</div>

<style>
  .task {
    display: grid;
    gap: var(--gap-3);
  }
  header {
    display: flex;
    flex-flow: row wrap;
    align-items: baseline;
    gap: 0 var(--gap-3);
  }
  h2,
  header p {
    margin: 0;
  }
  .pictures {
    display: grid;
    align-content: start;
    gap: var(--gap-3);
    min-width: 0;
  }
  form {
    display: grid;
    align-content: start;
    gap: var(--gap-3);
    min-width: 0;
  }
  .question {
    margin: 0;
    font-size: 1.1rem;
    font-weight: 600;
    text-wrap: pretty;
  }
  @media (min-width: 900px) {
    .narrow {
      display: none;
    }
    .task {
      grid-template:
        'head head' auto
        'pictures question' auto
        'pictures form' 1fr / minmax(0, 1.2fr) minmax(20rem, 1fr);
    }
    header {
      grid-area: head;
    }
    .question {
      grid-area: question;
    }
    .pictures {
      grid-area: pictures;
    }
    form {
      grid-area: form;
    }
    .task:has([data-many='0']) {
      grid-template: 'head' auto 'question' auto 'form' 1fr / minmax(0, 44rem);
    }
    .pictures[data-many='0'] {
      display: none;
    }
    .pictures[data-many='1'] {
      --picture: clamp(300px, 66vh, 620px);
    }
    .pictures:is([data-many='2'], [data-many='3'], [data-many='4'], [data-many='5']) {
      --picture: clamp(240px, 42vh, 440px);
      grid-template-columns: 1fr 1fr;
    }
  }
  dl {
    display: grid;
    gap: 2px;
    margin: 0;
  }
  dl div {
    display: flex;
    justify-content: space-between;
    gap: var(--gap-3);
    padding: 4px 0;
    border-bottom: 1px solid var(--sand-deep);
  }
  dd {
    margin: 0;
  }
  label.length,
  label.part {
    display: grid;
    gap: var(--gap-1);
    max-width: 24rem;
    font-weight: 500;
  }
  label.length > span {
    display: flex;
    align-items: center;
    gap: var(--gap-2);
  }
  label input {
    width: 100%;
    min-height: 52px;
    font-size: 1.3rem;
  }
  select {
    min-height: 48px;
  }
  .go {
    display: flex;
    flex-flow: row wrap;
    align-items: center;
    gap: var(--gap-3);
    margin: 0;
  }
</style>
