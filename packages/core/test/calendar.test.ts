/** The calendar of a job: nothing left open to rain that need not be, checked by a checker of its own and by the water proof. */
import {
  calendarModel,
  calendarSchema,
  compareChains,
  contextOf,
  dayAndTime,
  daySheet,
  daysWithEntries,
  dryHours,
  dryingHours,
  dryingRate,
  eveningAfter,
  eveningsOf,
  exposedTo,
  keptOf,
  moveTo,
  openingsOf,
  openNights,
  planByList,
  planCalendar,
  planOpening,
  replan,
  resultOf,
  searchCalendar,
  SharedPlans,
  type SharedMade,
  skarvPoint,
  quinceCourt,
  readWeatherFile,
  sheetOf,
  sheetOver,
  SHEET_LAP_mm,
  SHEET_min,
  tanneryRow,
  visitsOf,
  whyThen,
  type Calendar,
  type CalendarModel,
  type CalendarResult,
  type ChainPlan,
  type Entry,
  type JobFile,
  type JudgedOpening,
} from '@hulvek/core';
import { describe, expect, it } from 'vitest';
import { BY_HAND, DRYING, EPW_HOURS, HUT } from './calendar.expected.ts';
import { broken } from './support/work-checker.ts';

const NOW = '2026-11-30T00:00:00Z';
const CALENDAR: Calendar = calendarSchema.parse({
  start: '2026-11-30',
  zone: 'UTC',
  site: { latitude: 60, longitude: 0 },
  hours: { from: '07:00', to: '15:30' },
  weekdays: [1, 2, 3, 4, 5],
  people: [
    { id: 'a', name: 'First', skills: ['look', 'set', 'seal'], off: [] },
    { id: 'b', name: 'Second', skills: ['set', 'seal'], off: [] },
    { id: 'c', name: 'Third', skills: ['seal'], off: [] },
  ],
  tools: { level: 2 },
  setup_min: 15,
  deliveries: [],
  others: [],
  weather: { source: 'invented', seed: 7 },
  pins: [],
  kept: [],
  covers: [],
});

const judged = (
  file: JobFile,
): { openings: JudgedOpening[]; exposed: Map<string, ReturnType<typeof exposedTo>> } => {
  const job = contextOf(file);
  const shared: SharedMade = new SharedPlans();
  const exposed = new Map<string, ReturnType<typeof exposedTo>>();
  const openings = openingsOf(file).flatMap((opening): JudgedOpening[] => {
    const { build, unit } = planOpening(opening, job, shared);
    if (!build) return [];
    exposed.set(opening.id, exposedTo({ opening, job, unit }));
    const evenings = eveningsOf(build, exposed.get(opening.id)!);
    return [{ id: opening.id, mark: opening.mark, facade: opening.facade, build, done: new Map(), evenings }];
  });
  return { openings, exposed };
};
const skarv = judged(skarvPoint());
const modelOf = (change: Partial<Calendar> = {}, openings = skarv.openings): CalendarModel =>
  calendarModel({ calendar: { ...CALENDAR, ...change }, openings, now: NOW });
const plan = (model: CalendarModel, plans = 12): ChainPlan =>
  planCalendar(model, { enough: (n) => n >= plans });
const asPlanned = ({ tasks }: CalendarResult, { work }: CalendarModel) =>
  tasks.map(({ id, from, to, people }) => ({
    id,
    start: from,
    end: to,
    people,
    tools: work.tasks.find((task) => task.id === id)?.tools ?? {},
  }));
const wrongIn = (model: CalendarModel, made: ChainPlan) => {
  const work = { ...model.work, people: model.work.people };
  return broken(work, asPlanned(resultOf(model, made, false), model), { unknownIsFair: true });
};

const model = modelOf();
const made = plan(model);

describe('drying', () => {
  it.each(DRYING)(
    'takes $least_h to $most_h hours in air of $air.temperature_C °C',
    ({ air, least_h, most_h }) => {
      expect(dryingHours(air)).toBeGreaterThan(least_h);
      expect(dryingHours(air)).toBeLessThan(most_h);
    },
  );

  it.each(BY_HAND)(
    'at $air.temperature_C °C lets go of $rate_kg_m2_h kg/(m² h), worked by hand',
    ({ air, rate_kg_m2_h }) => {
      expect(Math.abs(dryingRate(air) - rate_kg_m2_h)).toBeLessThan(0.02 * rate_kg_m2_h);
    },
  );

  it('faces are wet while it rains and until the film is gone', () => {
    const row = (hour: number, rain_mm: number) => ({
      at: new Date(Date.parse(NOW) + hour * 3_600_000).toISOString(),
      temperature_C: 15,
      dew_point_C: 7.3,
      wind_ms: 3,
      gust_ms: 5,
      rain_mm,
    });
    expect(dryHours([0, 2, 0, 0, 0, 0, 0].map((rain, h) => row(h, rain)))).toEqual([
      true,
      false,
      false,
      false,
      false,
      true,
      true,
    ]);
  });
});

describe('the calendar of a job', () => {
  it('places every step of all openings, and a checker of its own finds nothing wrong', () => {
    expect(resultOf(model, made).unplaced).toEqual([]);
    expect(wrongIn(model, made)).toEqual([]);
  });

  it.each([
    ['the pocket replacements', judged(quinceCourt()).openings],
    ['eight openings in masonry', judged(tanneryRow()).openings],
  ])('nor in the plan of %s', (_, openings) => {
    const own = modelOf({}, openings);
    expect(wrongIn(own, plan(own, 3))).toEqual([]);
  });

  it('leaves fewer nights open to rain than the order of the list, in the same weather', () => {
    const list = openNights(model, planByList(model).placed);
    const planned = openNights(model, made.placed);
    expect(list.nights).toBeGreaterThan(3);
    expect(planned).toEqual({ nights: 0, litres: 0 });
  });

  it('what it says is dry tonight is dry by the water proof, for every opening and every evening', () => {
    const { tonight, tasks } = resultOf(model, made);
    expect(tonight.length).toBeGreaterThan(3);
    for (const { night, drains, open } of tonight) {
      for (const { id, build } of skarv.openings) {
        const done = build.steps.filter(({ id: step }) =>
          tasks.some(
            (t) =>
              t.opening === id && t.step === step && !t.isLook && Date.parse(t.to) <= Date.parse(night.from),
          ),
        ).length;
        const begun = build.steps.slice(0, done).some(({ events }) => events.some(({ op }) => op !== 'look'));
        const evening = eveningAfter(build, skarv.exposed.get(id)!, done);
        const isDry = evening.state === 'drains' && evening.noStop === null;
        expect(drains.includes(id), `${id} ${night.day}`).toBe(begun && isDry && done < build.steps.length);
        expect(
          open.some(({ opening }) => opening === id),
          `${id} ${night.day}`,
        ).toBe(begun && !isDry);
      }
    }
  });

  it('nobody leaves a unit on a tack: setting and fastening are of one day, and in the same hands', () => {
    const { tasks } = resultOf(model, made);
    for (const { id, build } of skarv.openings) {
      const at = (role: string) => {
        const step = build.steps.filter((s) => s.role === role).at(-1)?.id;
        return tasks.find((t) => t.opening === id && t.step === step && !t.isLook);
      };
      const [set, fasten] = [at('set'), at('fasten')];
      if (!set || !fasten) continue;
      expect(dayAndTime('UTC', set.from).day).toBe(dayAndTime('UTC', fasten.to).day);
      for (const person of fasten.people) expect(set.people).toContain(person);
    }
  });

  it('after a day of absence at most a quarter of what nothing forces moves, and nothing is wrong', () => {
    const day = dayAndTime('UTC', resultOf(model, made).tasks[40]!.from).day;
    const absent = modelOf({ people: CALENDAR.people.map((p) => (p.id === 'b' ? { ...p, off: [day] } : p)) });
    const again = replan(absent, made.placed);
    expect(wrongIn(absent, again)).toEqual([]);
    const forced = new Set(
      absent.chainModel.chains
        .filter(({ tasks }) =>
          tasks.some((t) => {
            const one = made.placed[t]!;
            return one.crew.includes(1) && dayAndTime('UTC', at(one.start)).day === day;
          }),
        )
        .flatMap(({ tasks }) => tasks),
    );
    const free = made.placed.flatMap((_, t) => (forced.has(t) ? [] : [t]));
    const moved = free.filter((t) => again.placed[t]?.start !== made.placed[t]?.start);
    expect(free.length).toBeGreaterThan(50);
    expect(moved.length / free.length).toBeLessThanOrEqual(0.25);
  });

  it('when it rains instead and a unit does not come, what must moves and nothing is wrong', () => {
    const wet = modelOf({
      weather: {
        source: 'typed',
        note: '',
        rows: model.weather.map((row, h) => (h > 30 && h < 40 ? { ...row, rain_mm: 2 } : row)),
      },
      deliveries: [
        { opening: skarv.openings[2]!.id as Calendar['deliveries'][number]['opening'], on: '2026-12-09' },
      ],
    });
    const again = replan(wet, made.placed);
    expect(wrongIn(wet, again)).toEqual([]);
    const set = resultOf(wet, again).tasks.find(
      (t) => t.opening === skarv.openings[2]!.id && t.step === 'unpack',
    );
    expect(set!.from >= '2026-12-09').toBe(true);
  });

  it('a day that is kept stays as it was taken when all else is planned anew, and a pinned step begins no earlier', () => {
    const day = dayAndTime('UTC', resultOf(model, made).tasks[60]!.from).day;
    const kept = keptOf(model, made.placed, (m) => dayAndTime('UTC', at(m)).day === day);
    expect(kept.size).toBeGreaterThan(10);
    let again: ChainPlan | null = null;
    let plans = 0;
    for (const one of searchCalendar(model, kept)) {
      again = one;
      if (plans++ > 5) break;
    }
    for (const [task, one] of kept) expect(again!.placed[task]).toEqual(one);
    expect(wrongIn(model, again!)).toEqual([]);

    const { opening, step } = model.tasks[3]!;
    const pinned = modelOf({
      pins: [{ opening: opening as Calendar['pins'][number]['opening'], step, at: '2026-12-08T09:00:00Z' }],
    });
    const task = resultOf(pinned, plan(pinned, 2)).tasks.find(
      (t) => t.opening === opening && t.step === step,
    );
    expect(task!.from >= '2026-12-08T09:00').toBe(true);
  });

  it('a sheet over an opening makes its night no open one, and it is said that it is covered', () => {
    const list = planByList(model);
    const open = resultOf(model, list).tonight.flatMap(({ night, open: all }) =>
      all
        .filter(({ byPlan, litres }) => !byPlan && litres > 0)
        .map(({ opening }) => ({ opening, on: night.day })),
    )[0]!;
    const sheeted = modelOf({ covers: [open as Calendar['covers'][number]] });
    const same = { ...list, placed: list.placed };
    expect(openNights(sheeted, same.placed).nights).toBe(openNights(model, list.placed).nights - 1);
    const evening = resultOf(sheeted, same).tonight.find(({ night }) => night.day === open.on)!;
    expect(evening.open.find(({ opening }) => opening === open.opening)).toMatchObject({ covered: true });
  });

  it('a drag to where it may be keeps every rule, and is refused with its reason where it may not', () => {
    const { tasks } = resultOf(model, made);
    const bar = visitsOf(tasks, 'UTC').at(-1)!;
    const own = bar.tasks.map(({ id }) => model.tasks.findIndex((task) => task.id === id));
    const later = moveTo(model, made.placed, own, { start: minute(bar.from) + 2 * 1440 });
    if (later.ok) expect(wrongIn(model, later.plan)).toEqual([]);
    const night = moveTo(model, made.placed, own, { start: minute(bar.from) + 12 * 60 });
    expect(night).toMatchObject({ ok: false });
    const early = moveTo(model, made.placed, own, { start: 7 * 60 });
    expect(early).toMatchObject({ ok: false });
  });

  it('says of every step why it is then and not earlier', () => {
    const kinds = new Set(model.tasks.map((_, i) => whyThen(model, made.placed, i).kind));
    expect([...kinds].sort()).toEqual(expect.arrayContaining(['after', 'person']));
  });
});

const at = (m: number) => new Date(model.chainModel.model.start_ms + m * 60_000).toISOString();
const minute = (text: string) => (Date.parse(text) - model.chainModel.model.start_ms) / 60_000;

describe('what a job asks besides the order of its steps', () => {
  const openings = skarv.openings.slice(0, 4);
  const people = CALENDAR.people.map((person) => ({
    ...person,
    skills: person.id === 'c' ? person.skills : [...person.skills, 'look' as const],
  }));
  const looked = ({ tasks }: CalendarResult) =>
    tasks
      .filter(({ isLook }) => isLook)
      .map((look) => ({ look, did: tasks.find(({ id }) => `${id}?look` === look.id) }));

  it('whoever did it does not look at it, also where somebody ticked it before; alone nobody may', () => {
    expect(HUT.looks).toBe('not-the-doer');
    const calendar = { ...CALENDAR, people };
    const own = calendarModel({ calendar, openings, looksApart: true, now: NOW });
    const shown = resultOf(own, plan(own));
    const pairs = looked(shown);
    expect(pairs.length).toBeGreaterThan(3);
    for (const { look, did } of pairs)
      expect(did?.people.some((person) => look.people.includes(person)) ?? false).toBe(false);
    expect(shown.unplaced).toEqual([]);
    // The same without the rule: somebody looks at his own work.
    const free = calendarModel({ calendar: { ...CALENDAR, people: people.slice(0, 1) }, openings, now: NOW });
    expect(free.tasks.length).toBe(own.tasks.length);

    const [first] = openings;
    const step = first?.build.steps.find(({ holdPoint }) => holdPoint);
    if (!first || !step) throw new Error('nothing is looked at');
    const steps = first.build.steps.slice(0, first.build.steps.indexOf(step) + 1);
    const at = '2026-11-29T10:00:00.000Z';
    const done = new Map(steps.map(({ id }) => [id, { at, looked: id !== step.id, by: 'a' }]));
    const ticked = calendarModel({ calendar, openings: [{ ...first, done }], looksApart: true, now: NOW });
    const look = looked(resultOf(ticked, plan(ticked)))[0]?.look;
    expect(look?.people).toEqual(['b']);
    const alone = {
      ...CALENDAR,
      people: CALENDAR.people.map((p) => ({ ...p, skills: p.id === 'a' ? p.skills : [] })),
    };
    const none = calendarModel({
      calendar: alone,
      openings: [{ ...first, done }],
      looksApart: true,
      now: NOW,
    });
    expect(resultOf(none, plan(none)).unplaced.find(({ isLook }) => isLook)?.why).toBe('did-it');
  });

  it('a sheet takes its minutes in the evening and in the morning, and nobody works under it', () => {
    const [first] = openings;
    if (!first) throw new Error('no opening');
    const covers = [{ opening: first.id as never, on: '2026-12-01' }];
    const own = modelOf({ covers }, openings);
    const shown = resultOf(own, plan(own));
    const sheets = shown.tasks.filter(({ opening }) => sheetOver(opening) === first.id);
    const { up, down } = HUT.sheet_min;
    expect(SHEET_min).toEqual({ up, down });
    expect(sheets.map(({ step, from, to }) => [step, from, to])).toEqual([
      ['sheet-up@2026-12-01', '2026-12-01T15:10:00.000Z', '2026-12-01T15:30:00.000Z'],
      ['sheet-down@2026-12-01', '2026-12-02T07:00:00.000Z', '2026-12-02T07:10:00.000Z'],
    ]);
    const under = shown.tasks.filter(
      ({ opening, from, to }) =>
        opening === first.id && to > '2026-12-01T15:10:00.000Z' && from < '2026-12-02T07:10:00.000Z',
    );
    expect(under).toEqual([]);
    expect(wrongIn(own, plan(own))).toEqual([]);
    const { width, height } = first.build.context.opening;
    expect(SHEET_LAP_mm).toBe(HUT.sheetLap_mm);
    expect(sheetOf(first.build)).toEqual({ width_mm: width + 600, height_mm: height + 600 });
  });

  it('what waits for an errand of the job begins after it, of its façade only; what is done is not waited for', () => {
    const [first] = openings;
    const errand = {
      id: 'scaffold',
      name: 'Scaffold moved',
      minutes: 120,
      people: 2,
      facade: first?.facade ?? '',
      on: '2026-12-02',
      holds: 'outside' as const,
    };
    const own = modelOf({ errands: [errand] }, openings);
    const shown = resultOf(own, plan(own));
    const moved = shown.tasks.find(({ step }) => step === 'errand');
    expect(moved).toMatchObject({ from: '2026-12-02T07:00:00.000Z', people: expect.arrayContaining(['a']) });
    const begins = (facade: string) =>
      Math.min(
        ...shown.tasks
          .filter(({ opening, place }) => place === facade && openings.some(({ id }) => id === opening))
          .map(({ from }) => Date.parse(from)),
      );
    expect(begins(errand.facade)).toBeGreaterThanOrEqual(Date.parse(moved?.to ?? ''));
    const other = openings.find(({ facade }) => facade !== errand.facade);
    if (other) expect(begins(other.facade)).toBeLessThan(Date.parse(moved?.from ?? ''));
    const after = modelOf({ errands: [{ ...errand, done: true }] }, openings);
    expect(after.tasks.some(({ step }) => step === 'errand')).toBe(false);
  });

  it('goals in another order, or weighed, make another plan the better one', () => {
    const order = ['finish', 'nights', 'late', 'moves', 'idle'] as const;
    const [usual, hurried] = [modelOf({}, openings), modelOf({ goals: [...order] }, openings)];
    const finish = (m: CalendarModel) => plan(m, 40).score[3];
    expect(finish(hurried)).toBeLessThanOrEqual(finish(usual));
    const a = [0, 5, 0, 900, 3, 60, 1] as const;
    const b = [0, 0, 0, 1000, 3, 0, 1] as const;
    const better = (m: CalendarModel, x: typeof a | typeof b, y: typeof a | typeof b) =>
      compareChains(x, y, m.chainModel.rank) < 0;
    expect(better(usual, b, a)).toBe(true);
    expect(better(hurried, a, b)).toBe(true);
    expect(better(modelOf({ weights: { nights: 10, finish: 1 } }, openings), a, b)).toBe(true);
    expect(better(modelOf({ weights: { nights: 30, finish: 1 } }, openings), b, a)).toBe(true);
  });

  it('wood that stood in rain is read before anything is stuck to it', () => {
    const [first] = openings;
    if (!first) throw new Error('no opening');
    const open = first.evenings.findIndex(
      ({ state }, k) =>
        k > 0 && state.startsWith('wets') && first.build.steps[k - 1]?.events.some(({ op }) => op !== 'look'),
    );
    const at = '2026-11-30T08:00:00.000Z';
    const steps = first.build.steps.slice(0, open);
    const done = new Map(steps.map(({ id }) => [id, { at, looked: true }]));
    const row = (hour: number, rain_mm: number) => ({
      at: `2026-11-30T${String(hour).padStart(2, '0')}:00:00.000Z`,
      temperature_C: 12,
      dew_point_C: 4,
      rain_mm,
      wind_ms: 3,
      gust_ms: 5,
    });
    const weather = (wet: number) => ({
      source: 'typed' as const,
      note: '',
      rows: [7, 8, 9, 10, 11, 12, 13].map((hour) => row(hour, hour === 9 ? wet : 0)),
    });
    const readings = (wet: number) => {
      const own = calendarModel({
        calendar: { ...CALENDAR, weather: weather(wet) },
        openings: [{ ...first, done }],
        now: '2026-11-30T12:00:00.000Z',
      });
      return resultOf(own, plan(own)).readings;
    };
    expect(readings(0)).toEqual([]);
    const [asked] = readings(4);
    const step = first.build.steps.find(({ id }) => asked === `${first.id}/${id}`);
    expect(step?.needs).toContain('dry');
  });
});

describe('weather from a file', () => {
  const line = (fields: readonly number[]) => {
    const cells = Array.from({ length: 35 }, () => '0');
    const [month, day, hour, dry, dew, from, wind, rain] = fields;
    for (const [at, value] of [
      [0, 1999],
      [1, month],
      [2, day],
      [3, hour],
      [6, dry],
      [7, dew],
      [20, from],
      [21, wind],
      [33, rain],
    ] as const)
      cells[at] = String(value);
    return cells.join(',');
  };
  const head = ['LOCATION,Somewhere', ...Array.from({ length: 7 }, (_, i) => `HEADER ${i}`)];
  const epw = [...head, ...EPW_HOURS.map(({ file }) => line(file))].join('\n');

  it('of a typical year is taken by month, day and hour', () => {
    const read = readWeatherFile(epw, { zone: 'UTC', from: '2026-11-30' });
    if (!read.ok) throw new Error(read.error.code);
    expect(read.typicalYear).toBe(true);
    expect(read.rows).toEqual(
      EPW_HOURS.map(
        ({ file: [, , , temperature_C, dew_point_C, from_deg, wind_ms, rain_mm], day, at, gust_ms }) => ({
          at: `${day}T${at}:00.000Z`,
          temperature_C,
          dew_point_C,
          rain_mm,
          wind_ms,
          from_deg,
          gust_ms,
        }),
      ),
    );
  });

  it('with headings is converted by the unit each names, in the job’s own time', () => {
    const table = [
      'Time;Temp (°F);Rain (in);Wind (mph);Gusts (km/h);Chance (%)',
      '2026-11-30 08:00;50;0.1;10;36;40',
      '2026-11-30T09:00+02:00;41;0;0;18;0',
    ].join('\n');
    const read = readWeatherFile(table, { zone: 'Etc/GMT-1', from: '2026-11-30' });
    expect(read).toMatchObject({
      ok: false,
      error: { code: 'order', line: 3 },
    });
    const good = readWeatherFile(table.replace('+02:00', '+01:00'), {
      zone: 'Etc/GMT-1',
      from: '2026-11-30',
    });
    if (!good.ok) throw new Error(good.error.code);
    expect(good.rows[0]).toEqual({
      at: '2026-11-30T07:00:00.000Z',
      temperature_C: 10,
      rain_mm: 2.54,
      wind_ms: 4.47,
      gust_ms: 10,
      chance: 0.4,
    });
  });

  it.each([
    ['', { code: 'empty' }],
    ['time,temperature (°C),wind (m/s)\n', { code: 'heading', what: 'rain' }],
    ['time,temperature,rain (mm),wind (m/s)\n', { code: 'unit', heading: 'temperature' }],
    ['time,temp (C),rain (mm),wind (m/s)\nyesterday,1,0,2\n', { code: 'time', line: 2, found: 'yesterday' }],
    [
      'time,temp (C),rain (mm),wind (m/s)\n2026-11-30 08:00,warm,0,2\n',
      { code: 'figure', line: 2, found: 'warm' },
    ],
    ['time,temp (C),rain (mm),wind (m/s)\n2026-11-30 08:00,1,,2\n', { code: 'no-rain', line: 2 }],
    ['time,temp (C),rain (mm),wind (m/s)\n2020-11-30 08:00,1,0,2\n', { code: 'other-days' }],
    [[...head, line([11, 30, 1, 4, 2, 200, 3, 999])].join('\n'), { code: 'no-rain', line: 9 }],
  ])('refuses %j by its line', (text, error) =>
    expect(readWeatherFile(text, { zone: 'UTC', from: '2026-11-30' })).toEqual({ ok: false, error }),
  );
});

describe('the sheet of a day', () => {
  const at = (time: string) => `2026-12-01T${time}:00.000Z`;
  const entry = (
    n: number,
    kind: Entry['kind'],
    step: string,
    time: string,
    more: Partial<Entry> = {},
  ): Entry =>
    ({
      id: `00000000-0000-4000-8000-${String(n).padStart(12, '0')}`,
      opening: 'o1',
      issue: 1,
      kind,
      step,
      undoes: null,
      person: 'Tove Aas',
      at: time.length > 5 ? time : at(time),
      note: '',
      photo: null,
      ...more,
    }) as Entry;
  const entries = [
    entry(1, 'tick', 'pan', '08:10'),
    entry(2, 'look', 'pan', '08:40', { person: 'Jonas Lind' }),
    entry(3, 'tick', 'bead', '09:00'),
    entry(4, 'undo', 'bead', '09:01', { undoes: '00000000-0000-4000-8000-000000000003' as never }),
    entry(5, 'note', 'pan', '2026-11-30T23:30:00.000Z', { note: 'late in the evening' }),
    entry(6, 'tick', 'set', '2026-12-02T08:00:00.000Z'),
  ];
  const task = (step: string, from = at('07:00')) => ({
    opening: 'o1',
    step,
    from,
    to: at('09:00'),
    people: ['p1'],
  });
  const sheet = daySheet({
    day: '2026-12-01',
    zone: 'Etc/GMT-1',
    parts: [{ opening: 'o1', entries }],
    plan: {
      at: at('06:00'),
      person: 'x',
      tasks: [task('pan'), task('bead'), task('pan?look'), task('set', at('23:30'))],
    } as never,
    weather: [
      { at: at('08:00'), temperature_C: 3, rain_mm: 0.4, wind_ms: 3, gust_ms: 7 },
      { at: '2026-12-03T08:00:00.000Z', temperature_C: -9, rain_mm: 9, wind_ms: 3, gust_ms: 30 },
    ],
  });

  it('tells what was entered on it in the job’s own time, and nothing that was taken back', () => {
    const [one] = sheet.openings;
    expect(one?.done.map(({ step }) => step)).toEqual(['pan']);
    expect(one).toMatchObject({ looks: 1, pictures: 0 });
    // Half past eleven in the evening is the next day there.
    expect(one?.notes.map(({ note }) => note)).toEqual(['late in the evening']);
    expect(sheet.people.map(({ person, entries: n }) => [person, n])).toEqual([
      ['Tove Aas', 2],
      ['Jonas Lind', 1],
    ]);
    expect(sheet.weather).toEqual({ rain_mm: 0.4, low_C: 3, high_C: 3, gust_ms: 7 });
    expect(daysWithEntries('Etc/GMT-1', [{ entries }])).toEqual(['2026-12-02', '2026-12-01']);
  });

  it('holds what was promised against what was done', () => {
    expect(sheet.promised.map(({ step, done }) => [step, done])).toEqual([
      ['pan', true],
      ['bead', false],
    ]);
    expect(sheet.unplanned).toEqual([]);
    const other = daySheet({
      day: '2026-12-02',
      zone: 'UTC',
      parts: [{ opening: 'o1', entries }],
      plan: { tasks: [] } as never,
    });
    expect(other.unplanned).toEqual([{ opening: 'o1', step: 'set' }]);
  });
});
