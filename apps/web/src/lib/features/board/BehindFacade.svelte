<!-- What is drawn behind a façade: an outline from a drawing, or points of a total station and the openings that they are. -->
<script module lang="ts">
  import type { JobStore } from '$lib/job/job.svelte.ts';
  import type { OpeningsEditor } from '$lib/job/openings.svelte.ts';

  export interface BehindFacadeProps {
    store: JobStore;
    editor: OpeningsEditor;
    facade: string;
  }
</script>

<script lang="ts">
  import Button from '$lib/ui/Button.svelte';
  import LengthField from '$lib/ui/LengthField.svelte';
  import { boardWords as t } from '$words/board.ts';
  import {
    asTyped,
    formatLength,
    formatSize,
    onFacade,
    readStation,
    sameMark,
    stationUnits,
    surveyedOpenings,
    type Opening,
    type Outline,
    type StationPoint,
    type StationUnit,
    type TypedLength,
  } from '@hulvek/core';
  import { readDxf } from './read-dxf.ts';

  let { store, editor, facade }: BehindFacadeProps = $props();
  const LARGEST_bytes = 20 * 1024 * 1024;
  const job = $derived(store.context.job);
  const mine = $derived(job.outlines?.find((one) => one.facade === facade) ?? null);
  let unit = $state<StationUnit | null>(null);
  let problem = $state('');
  /** A list that was read, while its ends are not chosen. */
  let points = $state.raw<readonly StationPoint[]>([]);
  let file = $state('');
  let [left, right, zero] = $state(['', '', '']);
  const length = $derived((mm: number) => formatLength(mm, store.reads));
  const named = (name: string) => points.find((one) => one.name === name);
  const ends = $derived.by(() => {
    const [l, r, z] = [named(left), named(right), named(zero)];
    return l && r && z ? { left: l.at, right: r.at, zero_mm: z.at[2] } : null;
  });
  const surveyed = $derived(ends ? surveyedOpenings(points, ends) : []);
  const openingOf = (mark: string) =>
    store.pack.openings.find(({ document }) => sameMark(document.mark) === sameMark(mark))?.document.id;

  /** What stood here before the last change of file, to be put back. */
  let before = $state.raw<Outline | null>(null);

  async function keep(next: Outline | null): Promise<boolean> {
    const was = mine;
    const others = (job.outlines ?? []).filter((one) => one.facade !== facade);
    problem = await store.put('site', {
      was: job.outlines ? { outlines: job.outlines } : {},
      change: { outlines: next ? [...others, next] : others },
    });
    if (problem === '' && was !== null && was.file !== next?.file) before = was;
    return problem === '';
  }

  async function choose(event: Event & { currentTarget: HTMLInputElement }) {
    const field = event.currentTarget;
    const [chosen] = field.files ?? [];
    field.value = '';
    problem = '';
    points = [];
    if (!chosen) return;
    if (chosen.size > LARGEST_bytes) return void (problem = t.outlineProblems.tooLarge);
    file = chosen.name.slice(0, 200);
    const text = await chosen.text();
    if (/\.dxf$/i.test(file)) {
      const read = await readDxf(text, unit);
      if (!read.ok) return void (problem = t.outlineProblems[read.because]);
      await keep({ facade, file, lines: read.lines.map((line) => line.map(([x, y]) => [x, y])), at: [0, 0] });
      return;
    }
    const read = readStation(text, unit);
    if (!read.ok)
      return void (problem =
        t.outlineProblems[read.problem.code] + ('line' in read.problem ? t.inLine(read.problem.line) : ''));
    points = read.points;
    // Which of them are the ends nobody but the surveyor knows.
    [left, right, zero] = ['', '', ''];
  }

  async function place() {
    if (!ends) return;
    const of = points.flatMap(({ name, at }) => {
      const on = onFacade(ends, at);
      return on ? [{ name: name.slice(0, 60), ...on }] : [];
    });
    if (of.length === 0) return void (problem = t.samePoint);
    if (!(await keep({ facade, file, lines: [], points: of, at: [0, 0] }))) return;
    const typed = (mm: number) => asTyped(mm, store.reads);
    const by = new Map(surveyed.flatMap((one) => (openingOf(one.mark) ? [[openingOf(one.mark), one]] : [])));
    editor.change(
      [...by.keys()].map(String),
      (opening): Opening => {
        const one = by.get(opening.id);
        if (!one) return opening;
        const { widthBottom, widthTop, heightLeft, heightRight } = one;
        const sizes = Object.entries({ widthBottom, widthTop, heightLeft, heightRight }).flatMap(
          ([point, mm]): [string, TypedLength][] => (mm !== null && mm > 0 ? [[point, typed(mm)]] : []),
        );
        return {
          ...opening,
          facade,
          position: { u: typed(one.u), v: typed(one.v) },
          survey: { ...opening.survey, values: { ...opening.survey.values, ...Object.fromEntries(sizes) } },
        };
      },
      'total-station',
    );
    points = [];
  }

  function shift(axis: 0 | 1, value: TypedLength | null) {
    if (!mine) return;
    const at: [number, number] = [...mine.at];
    at[axis] = value?.mm ?? 0;
    void keep({ ...mine, at });
  }
</script>

<details>
  <summary>{t.behind(facade)}</summary>
  <p>{t.behindLead}</p>
  <div class="row">
    <label
      >{t.unit}
      <select bind:value={unit}>
        <option value={null}>{t.unitChoose}</option>
        {#each stationUnits as one (one)}<option value={one}>{t.stationUnits[one]}</option>{/each}
      </select>
    </label>
    <label>{t.outline} <input type="file" accept=".dxf,.csv,.txt" onchange={choose} /></label>
  </div>
  {#if problem}<p class="problem" role="alert">{problem}</p>{/if}
  {#if points.length > 0}
    <div class="row">
      <label
        >{t.ends.left}
        <select bind:value={left}
          ><option value="">{t.unitChoose}</option>{#each points as { name } (name)}<option>{name}</option
            >{/each}</select
        ></label
      >
      <label
        >{t.ends.right}
        <select bind:value={right}
          ><option value="">{t.unitChoose}</option>{#each points as { name } (name)}<option>{name}</option
            >{/each}</select
        ></label
      >
      <label
        >{t.ends.zero}
        <select bind:value={zero}
          ><option value="">{t.unitChoose}</option>{#each points as { name } (name)}<option>{name}</option
            >{/each}</select
        ></label
      >
    </div>
    <p>{t.surveyed(surveyed.length)}</p>
    <ul data-testid="surveyed">
      {#each surveyed as { mark, u, v, widthBottom, heightLeft, twist_mm } (mark)}
        <li>
          <b>{mark}</b>
          {t.at(length(u), length(v))}{widthBottom !== null && heightLeft !== null
            ? `, ${formatSize({ width: widthBottom, height: heightLeft }, store.reads)}`
            : ''}{t.twist(length(twist_mm))}
          {#if !openingOf(mark)}<small>{t.notHere}</small>{/if}
        </li>
      {/each}
    </ul>
    <div><Button disabled={!ends} onclick={() => void place()}>{t.place}</Button></div>
  {/if}
  {#if mine}
    <p>{t.lines(mine.file, mine.lines.length, mine.points?.length ?? 0)}</p>
    <div class="row">
      <LengthField
        id="outline-u-{facade}"
        keep="{store.id}:outline:{facade}:u"
        label={t.fromLeftOf}
        value={asTyped(mine.at[0], store.reads)}
        unit={store.reads}
        least_mm={-200_000}
        most_mm={200_000}
        onchange={(value) => shift(0, value)}
      />
      <LengthField
        id="outline-v-{facade}"
        keep="{store.id}:outline:{facade}:v"
        label={t.aboveZeroOf}
        value={asTyped(mine.at[1], store.reads)}
        unit={store.reads}
        least_mm={-200_000}
        most_mm={200_000}
        onchange={(value) => shift(1, value)}
      />
      <Button onclick={() => void keep(null)}>{t.takeOut}</Button>
    </div>
  {/if}
  {#if before && before.file !== mine?.file}
    {@const back = before}
    <div><Button kind="quiet" onclick={() => void keep(back)}>{t.putBack(back.file)}</Button></div>
  {/if}
</details>

<style>
  details {
    display: grid;
    gap: var(--gap-2);
  }
  summary {
    min-height: 44px;
    align-content: center;
    cursor: pointer;
  }
  .row {
    display: flex;
    flex-flow: row wrap;
    gap: var(--gap-3);
    align-items: end;
    margin: var(--gap-2) 0;
  }
  label {
    display: grid;
    gap: var(--gap-1);
    font-weight: 500;
  }
  p,
  ul {
    margin: var(--gap-1) 0;
  }
  small {
    color: var(--ink-soft);
  }
</style>
