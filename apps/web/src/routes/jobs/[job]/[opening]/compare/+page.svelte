<script lang="ts">
  import ProofVerdicts from '$lib/features/prove/ProofVerdicts.svelte';
  import HeatFigures from '$lib/features/prove/heat/HeatFigures.svelte';
  import Paper from '$lib/drawing/Paper.svelte';
  import GradeMark from '$lib/ui/GradeMark.svelte';
  import { editorInContext } from '$lib/job/editor-context.ts';
  import { candidates, candidatePlan } from '$lib/features/compare/compare.ts';
  import { compareWords } from '$words/compare.ts';
  import { detailWords, fastenersWords } from '$words/detail.ts';
  import {
    axisIds,
    axisTexts,
    choiceText,
    cutDrawing,
    cutIds,
    faceDrawing,
    figuresIn,
    findingText,
    formatLength,
    formatCut,
    materialTexts,
    pieceText,
    stepText,
    type Choices,
    type Plan,
  } from '@hulvek/core';

  const editor = editorInContext();
  const units = $derived(editor.store.reads);
  const list = $derived(candidates(editor.opening, editor.context));
  let chosen = $state<readonly [string, string]>(['here', '']);
  const VIEWS = ['face', ...cutIds] as const;
  let view = $state<(typeof VIEWS)[number]>('sill');

  const second = $derived(
    chosen[1] === '' ? (list.find((c) => c.id !== chosen[0])?.id ?? 'here') : chosen[1],
  );
  const ids = $derived([chosen[0], second] as const);
  const plans = $derived(ids.map((id) => candidatePlan(id, editor.opening, editor.context)));
  const figure = $derived((mm: number) => formatLength(mm, editor.context.job.units, 'figure'));

  const minutes = (n: number): string =>
    n < 60 ? `${n} min` : `${Math.floor(n / 60)} h${n % 60 === 0 ? '' : ` ${n % 60} min`}`;
  const sum = (plan: Plan, key: 'work_min' | 'rest_min') =>
    (plan.build?.steps ?? []).reduce((total, step) => total + step[key], 0);

  /** Axes on which the two differ. */
  const differences = $derived.by(() => {
    const [a, b] = plans.map((plan) => plan.choices);
    if (!a || !b) return [];
    const word = (choices: Choices, axis: (typeof axisIds)[number]) => choiceText(axis, choices[axis]).name;
    return axisIds
      .filter((axis) => a[axis] !== b[axis])
      .map((axis) => ({ axis, words: [word(a, axis), word(b, axis)] }));
  });

  function draw(plan: Plan, size: { width: number; height: number }) {
    const { build } = plan;
    if (!build) throw new Error('nothing is built');
    const options = { ...size, step: build.steps.length, figure };
    return view === 'face'
      ? faceDrawing(build, options)
      : cutDrawing(build, { ...options, cut: view, name: pieceText });
  }

  function choose(i: 0 | 1, id: string) {
    chosen = i === 0 ? [id, second] : [chosen[0], id];
  }
</script>

<section aria-labelledby="compare-title">
  <header>
    <h2 id="compare-title">{compareWords.title}</h2>
    <div class="switch" role="group" aria-label={detailWords.viewLabel}>
      {#each VIEWS as name (name)}
        <button type="button" aria-pressed={view === name} onclick={() => (view = name)}
          >{detailWords.views[name]}</button
        >
      {/each}
    </div>
  </header>
  <div class="two">
    {#each plans as plan, i (i)}
      <article aria-label={compareWords.side(i + 1)}>
        <label>
          <span class="visually-hidden">{compareWords.side(i + 1)}</span>
          <select value={ids[i]} onchange={(event) => choose(i === 0 ? 0 : 1, event.currentTarget.value)}>
            {#each ['here', 'job', 'school'] as const as group (group)}
              <optgroup label={compareWords.groups[group]}>
                {#each list.filter((c) => c.group === group) as { id, name } (id)}<option value={id}
                    >{name}</option
                  >{/each}
              </optgroup>
            {/each}
          </select>
        </label>
        {#if plan.build}
          <div class="drawing">
            <Paper label={detailWords.labels[view]} draw={(size) => draw(plan, size)} />
          </div>
          <dl>
            <div>
              <dt>{compareWords.verdict}</dt>
              <dd><GradeMark grade={plan.judgement} word /></dd>
            </div>
            <div>
              <dt>{compareWords.steps}</dt>
              <dd>
                {compareWords.stepsOf(
                  plan.build.steps.length,
                  plan.build.steps.filter((s) => s.holdPoint).length,
                )}
              </dd>
            </div>
            <div>
              <dt>{compareWords.work}</dt>
              <dd>{minutes(sum(plan, 'work_min'))}</dd>
            </div>
            <div>
              <dt>{compareWords.rest}</dt>
              <dd>{minutes(sum(plan, 'rest_min'))}</dd>
            </div>
            <div>
              <dt>{compareWords.pieces}</dt>
              <dd>{plan.cuts.reduce((n, cut) => n + cut.count, 0)}</dd>
            </div>
            <div>
              <dt>{fastenersWords.title}</dt>
              <dd>
                {fastenersWords.screw(
                  plan.build.fastening.count,
                  formatLength(Math.ceil(plan.build.fastening.screw.length_mm), units),
                )}
              </dd>
            </div>
          </dl>
          <ProofVerdicts {plan} />
          {#if plan.findings.length > 0}
            <ul class="findings">
              {#each plan.findings as finding, j (j)}
                <li data-severity={finding.severity}>{findingText(finding, figuresIn(units)).title}</li>
              {/each}
            </ul>
          {:else}<p class="quiet">{compareWords.noFindings}</p>{/if}
          <HeatFigures {plan} reads={units} />
          <details>
            <summary>{compareWords.listPieces}</summary>
            <ul>
              {#each plan.cuts as cut, j (j)}
                <li>
                  {pieceText(cut.piece)}
                  <span class="figure">{formatCut(cut, editor.context.job.units)}</span>
                  <span class="quiet">{materialTexts[cut.material]}</span>
                </li>
              {/each}
            </ul>
          </details>
          <details>
            <summary>{compareWords.listSteps}</summary>
            <ol>
              {#each plan.build.steps as step (step.id)}<li>{stepText(step.id).title}</li>{/each}
            </ol>
          </details>
        {:else}<p>{compareWords.notPlanned}</p>{/if}
      </article>
    {/each}
  </div>
  {#if differences.length > 0}
    <h3>{compareWords.differ}</h3>
    <table>
      <tbody>
        {#each differences as { axis, words } (axis)}
          <tr>
            <th scope="row">{axisTexts[axis]}</th>
            {#each words as word, i (i)}<td>{word}</td>{/each}
          </tr>
        {/each}
      </tbody>
    </table>
  {/if}
  <p class="quiet">{compareWords.fitNote}</p>
</section>

<style>
  section {
    display: grid;
    gap: var(--gap-3);
    padding: var(--gap-3) var(--gap-4);
  }
  header {
    display: flex;
    flex-flow: row wrap;
    align-items: center;
    gap: var(--gap-2) var(--gap-3);
  }
  .two {
    display: grid;
    grid-template-columns: 1fr 1fr;
    gap: var(--gap-4);
  }
  article {
    display: grid;
    align-content: start;
    gap: var(--gap-2);
    min-width: 0;
  }
  select {
    width: 100%;
  }
  .drawing {
    height: 320px;
    background: var(--sand);
  }
  dl {
    display: grid;
    gap: 2px;
  }
  dl div {
    display: grid;
    grid-template-columns: 8rem 1fr;
  }
  dt {
    color: var(--ink-soft);
  }
  .findings li {
    padding-left: var(--gap-2);
    border-left: 4px solid var(--line);
    margin-bottom: 2px;
  }
  .findings li[data-severity='fails'] {
    border-left-color: var(--bad);
  }
  .findings li[data-severity='watch'] {
    border-left-color: var(--watch);
  }
  summary {
    min-height: 32px;
    cursor: pointer;
  }
  ol {
    padding-left: 1.6rem;
    list-style: decimal;
  }
  table {
    border-collapse: collapse;
  }
  th,
  td {
    padding: 4px var(--gap-3) 4px 0;
    text-align: left;
    border-bottom: 1px solid var(--sand-deep);
  }
  @media (max-width: 800px) {
    .two {
      grid-template-columns: 1fr;
    }
  }
</style>
