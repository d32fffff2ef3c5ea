<script module lang="ts">
  import type { Calendar } from '@hulvek/core';
  import type { JobStore } from '$lib/job/job.svelte.ts';

  export interface CalendarSettingsProps {
    store: JobStore;
    calendar: Calendar;
    onsaved: () => void;
  }
</script>

<script lang="ts">
  import Button from '$lib/ui/Button.svelte';
  import { wrongPlaces } from '$lib/contract/site-parts.ts';
  import { dayName } from '$lib/ui/time.ts';
  import { calendarWords, holdTexts, skillTexts, weatherFileText } from '$words/calendar.ts';
  import {
    crewSkills,
    dayAndTime,
    planGoals,
    readWeatherFile,
    stepTools,
    tradeHolds,
    type PlanGoal,
    type StepTool,
    type WeatherRow,
  } from '@hulvek/core';
  import { untrack } from 'svelte';
  import ErrandSettings from './ErrandSettings.svelte';
  import GoalSettings from './GoalSettings.svelte';
  import { daysOfRows, rowsOfDays, type TypedDay } from './settings.ts';

  let { store, calendar, onsaved }: CalendarSettingsProps = $props();
  const t = calendarWords.settings;
  const openings = $derived([...store.views.values()].map(({ opening }) => opening));
  type Draft = ReturnType<typeof draftOf>;
  const draftOf = (c: Calendar) => ({
    ...structuredClone($state.snapshot(c) as Calendar),
    latitude: c.site ? String(c.site.latitude) : '',
    longitude: c.site ? String(c.site.longitude) : '',
    setup: String(c.setup_min),
    tools: Object.fromEntries(stepTools.map((tool) => [tool, String(c.tools[tool] ?? '')])) as Record<
      StepTool,
      string
    >,
    people: c.people.map((person) => ({ ...person, skills: [...person.skills], off: person.off.join(', ') })),
    seed: c.weather.source === 'invented' ? String(c.weather.seed) : '1',
    source: c.weather.source as 'invented' | 'typed' | 'file',
    typed:
      c.weather.source === 'typed'
        ? daysOfRows(c.weather.rows, (at) => dayAndTime(c.zone, at))
        : ([] as TypedDay[]),
    file:
      c.weather.source === 'file'
        ? { note: c.weather.note, rows: c.weather.rows }
        : { note: '', rows: [] as WeatherRow[] },
    errands: c.errands ?? [],
    goals: (c.goals ?? planGoals) as readonly PlanGoal[],
    weights: c.weights
      ? (Object.fromEntries(planGoals.map((goal) => [goal, String(c.weights?.[goal] ?? 0)])) as Record<
          PlanGoal,
          string
        >)
      : null,
  });
  let draft = $state<Draft>(untrack(() => draftOf(calendar)));
  let problem = $state('');
  let saved = $state(false);

  const freshId = (taken: readonly { id: string }[], letter: string) => {
    let n = taken.length + 1;
    while (taken.some(({ id }) => id === `${letter}${n}`)) n++;
    return `${letter}${n}`;
  };
  const addPerson = () =>
    draft.people.push({ id: freshId(draft.people, 'p'), name: '', skills: ['set', 'seal'], off: '' });
  function addDay() {
    const last = draft.typed.at(-1);
    const day = last
      ? new Date(Date.parse(`${last.day}T12:00:00Z`) + 86_400_000).toISOString().slice(0, 10)
      : draft.start;
    draft.typed.push({
      rain_mm: '0',
      rainFrom: '',
      rainTo: '',
      low_C: '5',
      high_C: '10',
      wind_ms: '4',
      gust_ms: '7',
      ...(last ?? {}),
      day,
    });
  }

  function read(): Calendar {
    const { latitude, longitude, setup, seed, source, typed, file, tools, errands, goals, weights, ...rest } =
      $state.snapshot(draft) as Draft;
    const { site: _site, ...others } = rest;
    const number = (text: string) => Number(text.trim().replace(',', '.'));
    return {
      ...others,
      ...(latitude.trim() !== '' && { site: { latitude: number(latitude), longitude: number(longitude) } }),
      setup_min: number(setup),
      tools: Object.fromEntries(
        stepTools.flatMap((tool) => (tools[tool].trim() === '' ? [] : [[tool, number(tools[tool])]])),
      ),
      people: rest.people.map((person) => ({
        ...person,
        off: person.off.split(/[,;\s]+/).filter((day) => day !== ''),
      })),
      weekdays: rest.weekdays.toSorted((a, b) => a - b),
      weather:
        source === 'invented'
          ? { source: 'invented', seed: number(seed) }
          : source === 'file'
            ? { source: 'file', ...file }
            : { source: 'typed', note: '', rows: rowsOfDays(typed, rest.zone) },
      ...(errands.length > 0 && { errands }),
      ...(String(goals) !== String(planGoals) && { goals: [...goals] }),
      ...(weights && {
        weights: Object.fromEntries(planGoals.map((goal) => [goal, number(weights[goal])])),
      }),
    };
  }

  let fileProblem = $state('');
  async function readFile(event: Event & { currentTarget: HTMLInputElement }) {
    const [file] = event.currentTarget.files ?? [];
    if (!file) return;
    fileProblem = file.size > MOST_bytes ? t.fileTooLarge : '';
    if (fileProblem) return;
    const today = dayAndTime(draft.zone, new Date().toISOString()).day;
    const from = today > draft.start ? today : draft.start;
    const read = readWeatherFile(await file.text(), { zone: draft.zone, from });
    if (!read.ok) {
      fileProblem = weatherFileText(read.error);
      return;
    }
    const note = read.typicalYear ? `${file.name}, ${t.typicalYear}` : file.name;
    draft.file = { note: note.slice(0, 200), rows: [...read.rows] };
  }
  const fileSpan = (rows: readonly WeatherRow[]) => {
    const day = (row: WeatherRow | undefined) => dayName(dayAndTime(draft.zone, row?.at ?? draft.start).day);
    return t.fileRows(rows.length, day(rows[0]), day(rows.at(-1)));
  };
  /** A year by the hour has less than two. */
  const MOST_bytes = 5_000_000;

  async function save(event: SubmitEvent) {
    event.preventDefault();
    saved = false;
    const change = read();
    const [wrong] = wrongPlaces({ calendar: change });
    if (wrong) {
      problem = t.wrong(wrong.slice(1).join(' '));
      return;
    }
    const was = store.context.job.calendar;
    problem = await store.put('site', { was: was ? { calendar: was } : {}, change: { calendar: change } });
    saved = problem === '';
    if (saved) onsaved();
  }
  const toggle = <T,>(list: T[], one: T) =>
    list.includes(one) ? list.filter((other) => other !== one) : [...list, one];
</script>

<form onsubmit={save} data-testid="calendar-settings">
  <div class="parts">
    <fieldset>
      <legend>{t.from} … {t.to}</legend>
      <label>{t.first} <input type="date" required bind:value={draft.start} /></label>
      <label>{t.from} <input type="time" required bind:value={draft.hours.from} /></label>
      <label>{t.to} <input type="time" required bind:value={draft.hours.to} /></label>
      <div class="days" role="group" aria-label={t.weekdays}>
        {#each t.days as day, i (day)}
          <label class="check"
            ><input
              type="checkbox"
              checked={draft.weekdays.includes(i + 1)}
              onchange={() => (draft.weekdays = toggle(draft.weekdays, i + 1))}
            />{day}</label
          >
        {/each}
      </div>
      <label>{t.zone} <input required bind:value={draft.zone} /></label>
      <label>{t.setup} <input inputmode="numeric" class="figure" bind:value={draft.setup} /></label>
      <div class="pair" role="group" aria-label={t.tools}>
        <span>{t.tools}</span>
        {#each stepTools as tool (tool)}
          <label class="check"
            >{t.toolNames[tool]}
            <input inputmode="numeric" class="few" bind:value={draft.tools[tool]} /></label
          >
        {/each}
      </div>
      <div class="pair" role="group" aria-label={t.site}>
        <span>{t.site}</span>
        <label>{t.latitude} <input inputmode="decimal" class="figure" bind:value={draft.latitude} /></label>
        <label>{t.longitude} <input inputmode="decimal" class="figure" bind:value={draft.longitude} /></label>
      </div>
    </fieldset>
    <fieldset>
      <legend>{t.people}</legend>
      {#each draft.people as person, i (person.id)}
        <div class="entry">
          <label>{t.person} <input required bind:value={person.name} /></label>
          <div class="skills" role="group" aria-label={person.name}>
            {#each crewSkills as skill (skill)}
              <label class="check"
                ><input
                  type="checkbox"
                  checked={person.skills.includes(skill)}
                  onchange={() => (person.skills = toggle(person.skills, skill))}
                />{skillTexts[skill]}</label
              >
            {/each}
          </div>
          <label>{t.off} <input placeholder={t.offHint} bind:value={person.off} /></label>
          <Button kind="quiet" onclick={() => draft.people.splice(i, 1)}>{t.remove}</Button>
        </div>
      {/each}
      <Button onclick={addPerson}>{t.addPerson}</Button>
    </fieldset>
    <fieldset>
      <legend>{t.deliveries}</legend>
      {#each draft.deliveries as delivery, i (i)}
        <div class="entry line">
          <label
            >{t.delivery}
            <select bind:value={delivery.opening}>
              {#each openings as { id, mark } (id)}<option value={id}>{mark}</option>{/each}
            </select></label
          >
          <label>{t.on} <input type="date" required bind:value={delivery.on} /></label>
          <Button kind="quiet" onclick={() => draft.deliveries.splice(i, 1)}>{t.remove}</Button>
        </div>
      {/each}
      <Button
        disabled={openings.length === 0}
        onclick={() => openings[0] && draft.deliveries.push({ opening: openings[0].id, on: draft.start })}
        >{t.addDelivery}</Button
      >
      <b>{t.others}</b>
      {#each draft.others as other, i (other.id)}
        <div class="entry line">
          <label>{t.other} <input required bind:value={other.name} /></label>
          <label>{t.on} <input type="date" required bind:value={other.on} /></label>
          <label
            >{t.holds}
            <select bind:value={other.holds}>
              {#each tradeHolds as hold (hold)}<option value={hold}>{holdTexts[hold]}</option>{/each}
            </select></label
          >
          <Button kind="quiet" onclick={() => draft.others.splice(i, 1)}>{t.remove}</Button>
        </div>
      {/each}
      <Button
        onclick={() =>
          draft.others.push({ id: freshId(draft.others, 'o'), name: '', on: draft.start, holds: 'inside' })}
        >{t.addOther}</Button
      >
      <ErrandSettings
        errands={draft.errands}
        facades={[...new Set(openings.map(({ facade }) => facade))].filter((facade) => facade !== '')}
        onchange={(errands) => (draft.errands = errands)}
      />
    </fieldset>
    <GoalSettings
      goals={draft.goals}
      weights={draft.weights}
      onchange={(goals, weights) => {
        draft.goals = goals;
        draft.weights = weights;
      }}
    />
    <fieldset>
      <legend>{t.weather}</legend>
      <div class="days">
        <label class="check"
          ><input type="radio" bind:group={draft.source} value="invented" />{t.invented}</label
        >
        <label class="check"><input type="radio" bind:group={draft.source} value="typed" />{t.typed}</label>
        <label class="check"><input type="radio" bind:group={draft.source} value="file" />{t.fromFile}</label>
      </div>
      {#if draft.source === 'invented'}
        <label>{t.seed} <input inputmode="numeric" class="figure" bind:value={draft.seed} /></label>
      {:else if draft.source === 'file'}
        <label>{t.file} <input type="file" accept=".epw,.csv,.txt" onchange={readFile} /></label>
        {#if draft.file.rows.length > 0}
          <p>{draft.file.note}: {fileSpan(draft.file.rows)}</p>
        {/if}
        {#if fileProblem}<p class="bad" role="alert">{fileProblem}</p>{/if}
      {:else}
        <div class="scroll">
          <table>
            <thead>
              <tr>
                {#each [t.day, t.mm, t.rainFrom, t.rainTo, t.low, t.high, t.wind, t.gust] as head (head)}<th
                    scope="col">{head}</th
                  >{/each}
                <th></th>
              </tr>
            </thead>
            <tbody>
              {#each draft.typed as day, i (i)}
                <tr>
                  <td><input type="date" required aria-label={t.day} bind:value={day.day} /></td>
                  <td><input class="figure" aria-label={t.mm} bind:value={day.rain_mm} /></td>
                  <td><input class="figure" aria-label="{t.mm} {t.rainFrom}" bind:value={day.rainFrom} /></td>
                  <td><input class="figure" aria-label="{t.mm} {t.rainTo}" bind:value={day.rainTo} /></td>
                  <td><input class="figure" aria-label={t.low} bind:value={day.low_C} /></td>
                  <td><input class="figure" aria-label={t.high} bind:value={day.high_C} /></td>
                  <td><input class="figure" aria-label={t.wind} bind:value={day.wind_ms} /></td>
                  <td><input class="figure" aria-label={t.gust} bind:value={day.gust_ms} /></td>
                  <td><Button kind="quiet" onclick={() => draft.typed.splice(i, 1)}>{t.remove}</Button></td>
                </tr>
              {/each}
            </tbody>
          </table>
        </div>
        <Button onclick={addDay}>{t.addDay}</Button>
      {/if}
    </fieldset>
  </div>
  <div class="end">
    <Button kind="main" type="submit">{t.save}</Button>
    {#if problem}<p class="bad" role="alert">{problem}</p>{/if}
    {#if saved}<p role="status">{t.saved}</p>{/if}
  </div>
</form>

<style>
  form {
    display: grid;
    gap: var(--gap-4);
    padding: var(--gap-3) 0;
  }
  .parts {
    display: grid;
    grid-template-columns: repeat(auto-fit, minmax(min(100%, 24rem), 1fr));
    gap: var(--gap-5);
    align-items: start;
  }
  fieldset {
    display: grid;
    gap: var(--gap-2);
    min-width: 0;
    justify-items: start;
  }
  .entry {
    display: grid;
    gap: var(--gap-2);
    padding: var(--gap-2) 0;
    border-bottom: 1px solid var(--line);
  }
  .line,
  .days,
  .pair,
  .skills,
  .end {
    display: flex;
    flex-flow: row wrap;
    gap: var(--gap-2) var(--gap-3);
    align-items: center;
  }
  .check {
    display: inline-flex;
    align-items: center;
    gap: var(--gap-1);
    min-height: 32px;
    font-weight: 400;
  }
  .check .few {
    width: 4rem;
    height: auto;
  }
  .check input:not(.few) {
    flex: none;
    width: 18px;
    min-width: 0;
    height: 18px;
    min-height: 0;
  }
  legend,
  b {
    font-size: 1.05rem;
    font-weight: 600;
  }
  label .figure {
    width: 7rem;
  }
  .scroll {
    max-width: 100%;
    overflow-x: auto;
  }
  td .figure {
    width: 4.5rem;
  }
  .bad {
    color: var(--bad);
    font-weight: 600;
  }
</style>
