<script lang="ts">
  import JobPage from '$lib/features/shell/JobPage.svelte';
  import LineChart from '$lib/features/lines/LineChart.svelte';
  import Button from '$lib/ui/Button.svelte';
  import VerdictMark from '$lib/ui/VerdictMark.svelte';
  import { freshId } from '$lib/device/ids.ts';
  import { linesWords } from '$words/lines.ts';
  import { formatLength, lineUp, type LineDocument, type LineMember, type LineResult } from '@hulvek/core';
  import { SvelteSet } from 'svelte/reactivity';

  let { data } = $props();
  const store = $derived(data.store);
  const lines = $derived(store.context.job.lines ?? []);
  const length = $derived((mm: number) => formatLength(mm, store.reads));
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
      problem = linesWords.needed;
      return;
    }
    const line = { id: `line-${freshId()}`, name: name.trim(), kind, openings: [...chosen] } as LineDocument;
    if (await save([...lines, line])) {
      name = '';
      chosen.clear();
    }
  }

  function said(member: LineMember, line: LineDocument): string {
    if (member.missing) return linesWords.missing[member.missing];
    const by = member.shift_mm ?? 0;
    if (Math.abs(by) < 0.05) return linesWords.still;
    return line.kind === 'centres' ? linesWords.aside(length(Math.abs(by))) : linesWords.shift(length(by));
  }
</script>

<JobPage view="lines" lead={linesWords.lead}>
  {#if problem}<p class="problem" role="alert">{problem}</p>{/if}
  {#if lines.length === 0}<p>{linesWords.none}</p>{/if}
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
        {line.name} <span>{linesWords.kinds[line.kind]}</span>
      </h2>
      <LineChart {result} label={linesWords.drawing(line.name)} figure={length} />
      {#if result.line?.ok}
        <p>
          <b>{linesWords.at(length(result.at_mm ?? 0))}.</b>
          {linesWords.range(length(result.line.low_mm), length(result.line.high_mm))}
        </p>
      {:else if cure}
        <p class="problem">{linesWords.no}</p>
        <p>{linesWords.cure(length(cure.at_mm))}</p>
        <ul class="cure">
          {#each cure.moves as move (move.id)}
            <li>
              {linesWords.move(
                marks.get(move.id) ?? move.id,
                length(Math.abs(move.by_mm)),
                move.by_mm > 0,
                line.kind,
              )}
            </li>
          {/each}
        </ul>
        <p class="lead">
          {cure.clashes.map(([a, b]) => linesWords.clash(marks.get(a) ?? a, marks.get(b) ?? b)).join(' ')}
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
          >{linesWords.remove}</Button
        >
      {/if}
    </section>
  {/each}
  {#if mayEdit}
    <form onsubmit={add}>
      <h2>{linesWords.add}</h2>
      <label>{linesWords.name}<input bind:value={name} maxlength="120" autocomplete="off" /></label>
      <label>
        {linesWords.kind}
        <select bind:value={kind}>
          {#each Object.entries(linesWords.kinds) as [value, word] (value)}<option {value}>{word}</option
            >{/each}
        </select>
      </label>
      <fieldset>
        <legend>{linesWords.openings}</legend>
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
      <Button kind="main" type="submit">{linesWords.add}</Button>
    </form>
  {/if}
</JobPage>

<style>
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
