<script lang="ts">
  import JobTabs from '$lib/components/stage/JobTabs.svelte';
  import LineChart from '$lib/components/stage/LineChart.svelte';
  import Button from '$lib/components/ui/Button.svelte';
  import VerdictMark from '$lib/components/ui/VerdictMark.svelte';
  import { freshId } from '$lib/offline/ids.ts';
  import { text } from '$lib/texts/en.ts';
  import { formatLength, lineUp, type LineDocument, type LineMember, type LineResult } from '@hulvek/core';
  import { SvelteSet } from 'svelte/reactivity';

  let { data } = $props();
  const store = $derived(data.store);
  const lines = $derived(store.context.job.lines ?? []);
  const length = $derived((mm: number) => formatLength(mm, store.context.job.units));
  const mayEdit = $derived(store.pack.rights.includes('settings'));
  const marks = $derived(new Map(store.rows.map((row) => [row.id, row.mark])));
  let name = $state('');
  let kind = $state<LineDocument['kind']>('sills');
  const chosen = new SvelteSet<string>();
  let problem = $state('');

  const resultOf = (line: LineDocument): LineResult =>
    lineUp(
      line.openings.flatMap((id) => store.plans.find((plan) => plan.opening.id === id) ?? []),
      line.kind,
    );

  async function save(next: readonly LineDocument[]) {
    problem = await store.put('site', { was: { lines: store.context.job.lines }, change: { lines: next } });
    return problem === '';
  }

  async function add(event: SubmitEvent) {
    event.preventDefault();
    if (name.trim() === '' || chosen.size < 2) {
      problem = text.lines.needed;
      return;
    }
    const line = { id: `line-${freshId()}`, name: name.trim(), kind, openings: [...chosen] } as LineDocument;
    if (await save([...lines, line])) {
      name = '';
      chosen.clear();
    }
  }

  function said(member: LineMember, line: LineDocument): string {
    if (member.missing) return text.lines.missing[member.missing];
    const by = member.shift_mm ?? 0;
    if (Math.abs(by) < 0.05) return text.lines.still;
    return line.kind === 'centres' ? text.lines.aside(length(Math.abs(by))) : text.lines.shift(length(by));
  }
</script>

<JobTabs {store} />
<main>
  <h1>{text.lines.title}</h1>
  <p class="lead">{text.lines.lead}</p>
  {#if problem}<p class="problem" role="alert">{problem}</p>{/if}
  {#if lines.length === 0}<p>{text.lines.none}</p>{/if}
  {#each lines as line (line.id)}
    {@const result = resultOf(line)}
    {@const cure = result.line && !result.line.ok ? result.line : null}
    <section aria-label={line.name}>
      <h2>
        <VerdictMark
          verdict={cure
            ? 'fails'
            : result.line && result.members.every((m) => m.span)
              ? 'holds'
              : 'not-checkable'}
        />
        {line.name} <span>{text.lines.kinds[line.kind]}</span>
      </h2>
      <LineChart {result} label={text.lines.drawing(line.name)} figure={length} />
      {#if result.line?.ok}
        <p>
          <b>{text.lines.at(length(result.at_mm ?? 0))}.</b>
          {text.lines.range(length(result.line.low_mm), length(result.line.high_mm))}
        </p>
      {:else if cure}
        <p class="problem">{text.lines.no}</p>
        <p>{text.lines.cure(length(cure.at_mm))}</p>
        <ul class="cure">
          {#each cure.moves as move (move.id)}
            <li>
              {text.lines.move(
                marks.get(move.id) ?? move.id,
                length(Math.abs(move.by_mm)),
                move.by_mm > 0,
                line.kind,
              )}
            </li>
          {/each}
        </ul>
        <p class="lead">
          {cure.clashes.map(([a, b]) => text.lines.clash(marks.get(a) ?? a, marks.get(b) ?? b)).join(' ')}
        </p>
      {/if}
      <ul>
        {#each result.members as member (member.id)}
          {#if !cure || member.missing || !cure.moves.some((m) => m.id === member.id)}
            <li><a href="/jobs/{store.id}/{member.id}/measure">{member.mark}</a>: {said(member, line)}</li>
          {/if}
        {/each}
      </ul>
      {#if mayEdit}
        <Button kind="quiet" onclick={() => save(lines.filter((l) => l.id !== line.id))}
          >{text.lines.remove}</Button
        >
      {/if}
    </section>
  {/each}
  {#if mayEdit}
    <form onsubmit={add}>
      <h2>{text.lines.add}</h2>
      <label>{text.lines.name}<input bind:value={name} maxlength="120" autocomplete="off" /></label>
      <label>
        {text.lines.kind}
        <select bind:value={kind}>
          {#each Object.entries(text.lines.kinds) as [value, word] (value)}<option {value}>{word}</option
            >{/each}
        </select>
      </label>
      <fieldset>
        <legend>{text.lines.openings}</legend>
        {#each store.rows as row (row.id)}
          <label class="choice">
            <input
              type="checkbox"
              checked={chosen.has(row.id)}
              onchange={() => {
                if (!chosen.delete(row.id)) chosen.add(row.id);
              }}
            />{row.mark}
          </label>
        {/each}
      </fieldset>
      <Button kind="main" type="submit">{text.lines.add}</Button>
    </form>
  {/if}
</main>

<style>
  main {
    display: grid;
    gap: var(--gap-5);
    max-width: 60rem;
    padding: var(--gap-3) var(--gap-4);
  }
  section,
  form {
    display: grid;
    gap: var(--gap-2);
    justify-items: start;
  }
  section > :global(div) {
    width: 100%;
  }
  h2 {
    font-size: 1.15rem;
  }
  h2 span {
    font-weight: 400;
    color: var(--ink-soft);
  }
  .lead {
    color: var(--ink-soft);
  }
  .problem,
  .cure {
    color: var(--bad);
    font-weight: 600;
  }
  form label {
    display: grid;
    gap: 2px;
    font-weight: 500;
  }
  fieldset {
    display: flex;
    flex-flow: row wrap;
    gap: var(--gap-1) var(--gap-4);
    padding: 0;
    border: 0;
  }
  form .choice {
    display: flex;
    align-items: center;
    gap: 6px;
    min-height: 32px;
    font-weight: 400;
  }
  .choice input {
    width: 18px;
    min-height: 18px;
    accent-color: var(--rust);
  }
</style>
