<!-- Tests of the house with a fan: the safety list first, then readings, what they say, and how two tests differ. -->
<script module lang="ts">
  import type { JobStore } from '$lib/job/job.svelte.ts';

  export interface HouseTestsProps {
    store: JobStore;
  }
</script>

<script lang="ts">
  import { pickParts } from '$lib/contract/site-parts.ts';
  import { save } from '$lib/device/download.ts';
  import { freshId } from '$lib/device/ids.ts';
  import JobPage from '$lib/features/shell/JobPage.svelte';
  import Button from '$lib/ui/Button.svelte';
  import MeasureField from '$lib/ui/MeasureField.svelte';
  import { dateTime } from '$lib/ui/time.ts';
  import { testsWords as t } from '$words/tests.ts';
  import {
    airPressure,
    fanConditions,
    fanConditionTexts,
    fanSafety,
    fanSafetyTexts,
    fanStages,
    fanStageTexts,
    fanTest,
    measureFigure,
    measureUnit,
    readMeasure,
    simulatedReadings,
    writeMeasure,
    writeSheet,
    type FanSafety,
    type HouseTest,
  } from '@hulvek/core';
  import OpeningTests from '$lib/features/opening-tests/OpeningTests.svelte';
  import FanResult from './FanResult.svelte';
  import { readTyped, type TypedTest } from './typed-test.ts';

  let { store }: HouseTestsProps = $props();
  const reads = $derived(store.reads);
  const job = $derived(store.context.job);
  const tests = $derived(job.houseTests ?? []);
  const mayTest = $derived(store.pack.rights.includes('settings'));
  let problem = $state('');
  let before = $state.raw<readonly HouseTest[] | null>(null);
  let open = $state<string | null>(null);
  let other = $state('');

  let drafting = $state(false);
  let seen = $state<Partial<Record<FanSafety, boolean>>>({});
  const isSafe = $derived(fanSafety.every((one) => seen[one]));
  let name = $state('');
  let stage = $state<HouseTest['stage']>('rough-in');
  let height = $state('');
  let wind = $state('');
  let note = $state('');
  let simulated = $state(false);
  let typed = $state<TypedTest>({
    mode: 'depressurise',
    volume: '',
    envelope: '',
    inside: '',
    outside: '',
    pressure: '',
    zeroBefore: '',
    zeroAfter: '',
    readings: '',
  });
  const read = $derived(readTyped(typed, reads));
  const live = $derived(read.ok && read.value.readings.length > 0 ? fanTest(read.value) : null);

  function begin() {
    drafting = true;
    seen = {};
    [name, height, wind, note, problem, simulated] = ['', '', '', '', '', false];
    typed = {
      ...typed,
      zeroBefore: '',
      zeroAfter: '',
      readings: '',
      pressure: String(Math.round(airPressure(job.altitude_m ?? 0))),
    };
  }

  function simulate() {
    const volume = readMeasure('space', typed.volume, reads) ?? 400;
    const made = simulatedReadings(tests.length + 1, { C: volume * 0.25, n: 0.65 });
    simulated = true;
    typed.zeroBefore = made.zero_before_Pa.join('; ');
    typed.zeroAfter = made.zero_after_Pa.join('; ');
    typed.readings = made.readings
      .map(({ pressure_Pa, flow_m3h }) => `${pressure_Pa}\t${measureFigure('flow', flow_m3h, reads, 1)}`)
      .join('\n');
  }

  async function put(next: readonly HouseTest[]): Promise<boolean> {
    const was = pickParts(job, ['houseTests']);
    const kept = tests;
    problem = await store.put('site', { was, change: { houseTests: next } });
    if (problem === '') before = kept;
    return problem === '';
  }

  async function keep(event: SubmitEvent) {
    event.preventDefault();
    problem = read.ok ? '' : read.problem;
    if (!read.ok || !isSafe) return;
    const answer = fanTest(read.value);
    // What gives no line is told beside the readings.
    if (!answer.ok) return;
    const optional = (kind: 'height' | 'speed', text: string) =>
      text.trim() === '' ? undefined : (readMeasure(kind, text, reads) ?? NaN);
    const [height_m, wind_ms] = [optional('height', height), optional('speed', wind)];
    if (Number.isNaN(height_m)) problem = t.wrong(t.height);
    if (Number.isNaN(wind_ms)) problem = t.wrong(t.wind);
    if (problem !== '') return;
    const own: HouseTest = {
      id: freshId(),
      name: name.trim(),
      stage,
      at: new Date().toISOString(),
      person: store.pack.me.name,
      account: store.pack.me.id,
      safety: [...fanSafety],
      ...(height_m !== undefined && { height_m }),
      ...(wind_ms !== undefined && { wind_ms }),
      ...(simulated && { simulated: true as const }),
      note: note.trim(),
      test: read.value,
    };
    if (await put([...tests, own])) {
      drafting = false;
      open = own.id;
    }
  }

  /** How one test differs from another at 50 Pa, and whether their bands tell them apart. */
  function differs(one: HouseTest, than: HouseTest): string {
    const [a, b] = [fanTest(one.test), fanTest(than.test)];
    if (!a.ok || !b.ok) return '';
    const share = a.value.q50_m3h / b.value.q50_m3h - 1;
    const percent = `${Math.abs(share * 100).toFixed(0)} %`;
    const sure = a.value.q50_high < b.value.q50_low || a.value.q50_low > b.value.q50_high;
    return share < 0 ? t.less(percent, sure) : t.more(percent, sure);
  }

  function saveCsv({ name: title, test }: HouseTest) {
    const answer = fanTest(test);
    const figures = answer.ok
      ? Object.entries(answer.value).flatMap(([key, value]) =>
          typeof value === 'number' ? [[key, String(value)]] : [],
        )
      : [];
    save({
      name: `${job.id}-${title.replace(/[^\p{L}\p{N}]+/gu, '-')}.csv`,
      type: 'text/csv',
      content: writeSheet([
        ['pressure_Pa', 'flow_m3h'],
        ...test.readings.map(({ pressure_Pa, flow_m3h }) => [String(pressure_Pa), String(flow_m3h)]),
        ...figures,
      ]),
    });
  }
</script>

<JobPage view="tests" lead={t.lead}>
  {#snippet tools()}
    {#if mayTest && !drafting}<Button kind="main" onclick={begin}>{t.begin}</Button>{/if}
    {#if before}<Button
        kind="quiet"
        onclick={() => {
          const was = before;
          if (was) void put(was).then((kept) => kept && (before = null));
        }}>{t.undo}</Button
      >{/if}
  {/snippet}
  {#if problem}<p class="problem" role="alert">{problem}</p>{/if}
  {#if drafting}
    <form onsubmit={(event) => void keep(event)} data-testid="fan-form">
      <fieldset>
        <legend>{t.safety}</legend>
        <p>{t.safetyLead}</p>
        {#each fanSafety as one (one)}
          <label class="check"
            ><input
              type="checkbox"
              checked={seen[one] ?? false}
              onchange={(event) => (seen = { ...seen, [one]: event.currentTarget.checked })}
            />{fanSafetyTexts[one]}</label
          >
        {/each}
        {#if !isSafe}<p class="caution">{t.blocked}</p>{/if}
      </fieldset>
      <fieldset disabled={!isSafe}>
        <div class="fields">
          <label>{t.name}<input required maxlength="120" autocomplete="off" bind:value={name} /></label>
          <label
            >{t.stage}<select bind:value={stage}
              >{#each fanStages as one (one)}<option value={one}>{fanStageTexts[one]}</option>{/each}</select
            ></label
          >
          <label
            >{t.mode}<select bind:value={typed.mode}
              ><option value="depressurise">{t.modes.depressurise}</option><option value="pressurise"
                >{t.modes.pressurise}</option
              ></select
            ></label
          >
          <MeasureField label={t.volume} kind="space" {reads} bind:value={typed.volume} />
          <MeasureField label={t.envelope} kind="area" {reads} bind:value={typed.envelope} />
          <MeasureField label={t.inside} kind="temperature" {reads} bind:value={typed.inside} />
          <MeasureField label={t.outside} kind="temperature" {reads} bind:value={typed.outside} />
          <label>{t.pressure}<input class="figure" inputmode="decimal" bind:value={typed.pressure} /></label>
          <MeasureField label={t.height} kind="height" {reads} bind:value={height} />
          <MeasureField label={t.wind} kind="speed" {reads} bind:value={wind} />
          <label>{t.zeroBefore}<input class="figure" bind:value={typed.zeroBefore} /></label>
          <label>{t.zeroAfter}<input class="figure" bind:value={typed.zeroAfter} /></label>
        </div>
        <label
          >{t.readings} <small>{t.readingsHint} {t.readingsUnits(measureUnit('flow', reads))}</small><textarea
            class="figure"
            rows="8"
            oninput={() => (simulated = false)}
            bind:value={typed.readings}></textarea></label
        >
        <label>{t.note}<input maxlength="2000" autocomplete="off" bind:value={note} /></label>
        {#if live}<FanResult answer={live} {reads} conditions={[]} />{/if}
        <div class="do">
          <Button kind="main" type="submit">{t.keep}</Button>
          <Button onclick={simulate}>{t.simulate}</Button>
        </div>
      </fieldset>
      <div><Button kind="quiet" onclick={() => (drafting = false)}>{t.cancel}</Button></div>
    </form>
  {/if}
  {#if tests.length === 0 && !drafting}<p>{t.none}</p>{/if}
  <ul data-testid="fan-tests">
    {#each tests.toReversed() as one (one.id)}
      {@const answer = fanTest(one.test)}
      {@const isOpen = open === one.id}
      <li>
        <button
          type="button"
          class="head"
          aria-expanded={isOpen}
          onclick={() => {
            open = isOpen ? null : one.id;
            other = '';
          }}
        >
          <b>{one.name}</b>
          <span
            >{fanStageTexts[one.stage]} · {t.said(one.person, dateTime(one.at))}{one.simulated
              ? ` · ${t.simulated}`
              : ''}</span
          >
          {#if answer.ok}<span class="figure"
              >{answer.value.ach50.toFixed(2)} /h · {writeMeasure(
                'flow',
                answer.value.q50_m3h,
                reads,
                0,
              )}</span
            >{/if}
        </button>
        {#if isOpen}
          <FanResult
            {answer}
            {reads}
            conditions={fanConditions(one).map((code) => fanConditionTexts[code])}
          />
          {#if one.note}<p>{one.note}</p>{/if}
          <div class="do">
            <label
              >{t.compare}<select bind:value={other}
                ><option value="">{t.nothing}</option
                >{#each tests.filter(({ id }) => id !== one.id) as than (than.id)}<option value={than.id}
                    >{than.name}</option
                  >{/each}</select
              ></label
            >
            <Button onclick={() => saveCsv(one)}>{t.csv}</Button>
            {#if mayTest}<Button
                kind="quiet"
                onclick={() => void put(tests.filter(({ id }) => id !== one.id))}>{t.remove}</Button
              >{/if}
          </div>
          {@const than = tests.find(({ id }) => id === other)}
          {#if than}<p data-testid="differs">{differs(one, than)}</p>{/if}
        {/if}
      </li>
    {/each}
  </ul>
  <p class="quiet">{t.limits}</p>
  <OpeningTests {store} />
</JobPage>

<style>
  form,
  fieldset {
    display: grid;
    gap: var(--gap-3);
    min-width: 0;
  }
  .fields {
    display: grid;
    grid-template-columns: repeat(auto-fill, minmax(12rem, 1fr));
    gap: var(--gap-3);
  }
  label {
    display: grid;
    gap: 2px;
  }
  .check {
    display: flex;
    gap: var(--gap-3);
    align-items: center;
    min-height: var(--touch);
  }
  .check input {
    width: 24px;
    height: 24px;
    min-height: 0;
    flex: none;
  }
  .do {
    display: flex;
    flex-flow: row wrap;
    gap: var(--gap-3);
    align-items: end;
  }
  ul {
    display: grid;
    margin: 0;
    padding: 0;
    list-style: none;
  }
  li {
    display: grid;
    gap: var(--gap-3);
    padding-bottom: var(--gap-2);
    border-bottom: 1px solid var(--line);
  }
  .head {
    display: flex;
    flex-flow: row wrap;
    gap: var(--gap-2) var(--gap-4);
    align-items: center;
    min-height: var(--touch);
    padding: 0;
    border: 0;
    background: none;
    color: var(--ink);
    font: inherit;
    text-align: left;
    cursor: pointer;
  }
  small {
    color: var(--ink-soft);
  }
</style>
