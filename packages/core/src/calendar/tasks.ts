/** What there is to do in a job and not yet done, as tasks: the steps of its openings in their own order, and looks. */
import type { Build, PlannedStep } from '../build/build.ts';
import type { Calendar, WeatherRow } from '../documents/calendar.ts';
import type { Work, WorkTask } from '../work/document.ts';
import { noStopAfter } from '../order/timeline.ts';
import type { TradeHold } from '../vocabulary/crew.ts';
import { dayAndTime, daysFrom, hoursOf, momentIn, weekdayOf } from './days.ts';
import { errandsOf, SHEET_min, waitsFor } from './errands.ts';

/** An opening as it stands: the build it is worked by, and what of it is done. */
export interface CalendarOpening {
  readonly id: string;
  readonly mark: string;
  readonly facade: string;
  readonly build: Build;
  /** When each step was done; looked at where somebody looked since. */
  readonly done: ReadonlyMap<
    string,
    {
      readonly at: string;
      readonly looked: boolean;
      /** A person of the calendar. */ readonly by?: string | undefined;
    }
  >;
}

/** One task: a step, the look that follows it, or an errand of the job, which stands where an opening's name does. */
export interface TaskOf {
  readonly id: string;
  readonly opening: string;
  readonly step: string;
  readonly isLook: boolean;
  /** Steps of the opening that are done once this is. */
  readonly doneAfter: number;
}

export interface CalendarWork {
  readonly work: Work;
  readonly tasks: readonly TaskOf[];
  /** By opening: its tasks in their order, and whether the work can be left after so many. */
  readonly chains: readonly {
    readonly opening: string;
    readonly tasks: readonly number[];
    readonly stops: readonly boolean[];
    /** It is placed before all others. */
    readonly first?: boolean;
  }[];
}

/** A look takes so long, minutes: common practice, no source. */
export const LOOK_min = 10;
export const LOOK_SUFFIX = '?look';
const INSIDE = 'inside';
/** Roles of steps that are done from the room. */
const FROM_INSIDE = new Set(['fill', 'dam', 'inner-seal', 'operate', 'guard', 'pull-shims', 'release']);
/** Gusts above which wrap is not handled, m/s: common practice, no source. */
const WRAP_GUST_ms = 14;
const UNIT_GUST_ms = 9;
/** Membranes, tapes and sealants, °C: common practice, no source; the maker's limits go before. */
const WARM_C: [number, number] = [5, 40];

export const isInside = ({ role }: Pick<PlannedStep, 'role'>): boolean => FROM_INSIDE.has(role);

/** Work days are made until there are enough of them for all there is to do, twice over, and the longest rests. */
function daysNeeded(calendar: Calendar, openings: readonly CalendarOpening[]): number {
  let [minutes, rest] = [0, 0];
  for (const { build } of openings) {
    let own = 0;
    for (const step of build.steps) {
      minutes += step.work_min * (step.needs.includes('two-people') ? 2 : 1) + LOOK_min;
      own += Math.max(0, ...step.after.map(({ least_min = 0 }) => least_min));
    }
    rest = Math.max(rest, own);
  }
  const { from, to } = calendar.hours;
  const day = Math.max(60, hoursOf(to) * 60 - hoursOf(from) * 60) * Math.max(1, calendar.people.length);
  const holdups = calendar.others.map(({ on }) => (Date.parse(on) - Date.parse(calendar.start)) / 86_400_000);
  minutes += (calendar.errands ?? []).reduce((sum, one) => sum + one.minutes * one.people, 0);
  minutes += calendar.covers.length * (SHEET_min.up + SHEET_min.down);
  const working = 10 + Math.ceil((2.5 * minutes) / day) + Math.ceil(rest / 1440) + 10;
  return Math.min(200, Math.ceil((working * 7) / calendar.weekdays.length + Math.max(0, ...holdups)));
}

export interface TasksFor {
  readonly calendar: Calendar;
  readonly openings: readonly CalendarOpening[];
  readonly gust_ms?: number | undefined;
  readonly weather: { readonly rows: readonly WeatherRow[]; readonly until_ms: number };
  /** Nothing begins before. */
  readonly now: string;
}

export function calendarWork({
  calendar,
  openings,
  gust_ms = UNIT_GUST_ms,
  weather,
  now,
}: TasksFor): CalendarWork {
  const firstDay = firstDayOf(calendar, now);
  const start = momentIn(calendar.zone, firstDay, '00:00');
  const days = daysFrom(firstDay, daysNeeded(calendar, openings)).filter((day) =>
    calendar.weekdays.includes(weekdayOf(day)),
  );
  const people: Work['people'] = calendar.people.map(({ id, skills, off }) => ({
    id,
    skills: [...skills],
    hours: days
      .filter((day) => !off.includes(day))
      .map((day): [string, string] => [
        momentIn(calendar.zone, day, calendar.hours.from),
        momentIn(calendar.zone, day, calendar.hours.to),
      ]),
  }));
  const facades = [...new Set(openings.map(({ facade }) => facade))];
  const places = [...facades.flatMap((facade) => [facade, `${facade} ${INSIDE}`])].map((id) => ({
    id: id === '' ? '-' : id,
    setup_min: calendar.setup_min,
  }));
  const context: Context = { calendar, gust_ms, now, start, hasSite: calendar.site !== undefined };
  const tasks: WorkTask[] = [];
  const of: TaskOf[] = [];
  const chains = openings.map((opening) => {
    const own: number[] = [];
    const stops: boolean[] = [true];
    let last: string | null = null;
    for (const [k, step] of opening.build.steps.entries()) {
      const done = opening.done.get(step.id);
      const add = (task: WorkTask, isLook: boolean, doneAfter: number) => {
        own.push(tasks.length);
        tasks.push(task);
        of.push({ id: task.id, opening: opening.id, step: step.id, isLook, doneAfter });
        last = task.id;
      };
      if (!done) {
        add(stepTask(opening, step, last, context), false, k + 1);
        stops.push(!step.holdPoint && noStopAfter(opening.build.steps, k + 1) === null);
      }
      if (!step.holdPoint || done?.looked) continue;
      add(lookTask(opening, step, last, context), true, k + 1);
      stops.push(noStopAfter(opening.build.steps, k + 1) === null);
    }
    return { opening: opening.id, tasks: own, stops };
  });
  const errands = errandsOf(calendar, openings, days);
  const errandChains = errands.map(({ opening, first, tasks: list }) => ({
    opening,
    first,
    stops: [true, ...list.map(() => true)],
    tasks: list.map((task) => {
      of.push({ id: task.id, opening, step: task.step, isLook: false, doneAfter: 0 });
      const { step: _step, ...work } = task;
      return tasks.push(work) - 1;
    }),
  }));
  return {
    work: {
      format: 'hulvek-work',
      version: 1,
      start,
      zone: calendar.zone,
      ...(calendar.site && { site: calendar.site }),
      people,
      tools: Object.entries(calendar.tools).map(([id, count]) => ({ id, count })),
      places,
      tasks,
      weather: weather.rows.map(({ at, temperature_C, gust_ms: gust, rain_mm }) => ({
        at,
        temperature_C,
        gust_ms: gust,
        rain_mm,
      })),
    },
    tasks: of,
    chains: [...chains, ...errandChains],
  };
}

/** The day that planning begins on: today, or when the job does. */
export const firstDayOf = (calendar: Pick<Calendar, 'start' | 'zone'>, now: string): string => {
  const { day } = dayAndTime(calendar.zone, now);
  return day > calendar.start ? day : calendar.start;
};

interface Context {
  readonly calendar: Calendar;
  readonly gust_ms: number;
  readonly now: string;
  readonly start: string;
  readonly hasSite: boolean;
}

export const taskId = (opening: string, step: string): string => `${opening}/${step}`;

const placeOf = (opening: CalendarOpening, step: PlannedStep): string => {
  const facade = opening.facade === '' ? '-' : opening.facade;
  return isInside(step) ? `${opening.facade} ${INSIDE}` : facade;
};

function stepTask(
  opening: CalendarOpening,
  step: PlannedStep,
  last: string | null,
  context: Context,
): WorkTask {
  const { calendar, gust_ms, hasSite } = context;
  const lags = step.after.flatMap(({ step: before, setAside, from, to, least_min, most_min }) => {
    if (setAside || opening.done.has(before) || (least_min === undefined && most_min === undefined))
      return [];
    return [
      {
        after: taskId(opening.id, before),
        from,
        to,
        least_min,
        most_min: mostOf(opening.build.steps, before, step.id, most_min),
      },
    ].map(defined);
  });
  const inside = isInside(step);
  const dry = step.needs.includes('dry') && !inside;
  const gust = step.role === 'set' ? gust_ms : step.role === 'wall-layer' ? WRAP_GUST_ms : undefined;
  const tools = Object.fromEntries(
    Object.keys(calendar.tools)
      .filter((tool) => (step.needs as readonly string[]).includes(tool))
      .map((tool) => [tool, 1]),
  );
  const conditions = {
    ...(step.needs.includes('above-minimum-temperature') && !inside && { temperature_C: WARM_C }),
    ...(gust !== undefined && !inside && { gust_ms_max: gust }),
    ...(dry && { dry: true }),
    ...(hasSite && !inside && { daylight: true }),
  };
  return {
    id: taskId(opening.id, step.id),
    minutes: Math.max(1, Math.round(step.work_min)),
    after: [
      ...(last === null ? [] : [{ after: last }]),
      ...lags,
      ...waitsFor(calendar, opening, phaseOf(step)).map((after) => ({ after })),
    ],
    people: step.needs.includes('two-people') ? 2 : 1,
    ...(step.role === 'set' &&
      calendar.people.some(({ skills }) => skills.includes('set')) && { skills: ['set'] }),
    ...(Object.keys(tools).length > 0 && { tools }),
    place: placeOf(opening, step),
    ...(Object.keys(conditions).length > 0 && { conditions }),
    unsplit: isTight(step),
    release: releaseOf(opening, step, context),
  };
}

/** What of the work a step is, as other trades and errands hold it up. */
const phaseOf = (step: PlannedStep): readonly TradeHold[] => [
  isInside(step) ? 'inside' : 'outside',
  ...(step.role === 'set' ? (['set'] as const) : []),
];

/** Work that must follow or be followed within minutes is not left for a night. */
const isTight = ({ after, role }: PlannedStep): boolean =>
  role === 'set' ||
  role === 'fasten' ||
  role === 'align' ||
  role === 'bead' ||
  after.some(({ most_min = Infinity }) => most_min < 720);

/**
 * The longest time to a step, with the looks that lie between: whoever looks is there at once, and the unit is held as long.
 * What the work itself takes is never too long here; where it takes longer than a bead stays open, the opening's own order
 * says so.
 */
function mostOf(
  steps: readonly PlannedStep[],
  base: string,
  target: string,
  most_min: number | undefined,
): number | undefined {
  if (most_min === undefined) return undefined;
  const [first, last] = [base, target].map((id) => steps.findIndex((step) => step.id === id)) as [
    number,
    number,
  ];
  const span = steps.slice(first, last + 1);
  const looks = span.slice(0, -1).filter(({ holdPoint }) => holdPoint).length * LOOK_min;
  const work = span.reduce((sum, { work_min }) => sum + Math.max(1, Math.round(work_min)), 0);
  return Math.max(most_min, work) + looks;
}

const defined = <T extends object>(value: T): T =>
  Object.fromEntries(Object.entries(value).filter(([, one]) => one !== undefined)) as T;

function lookTask(
  opening: CalendarOpening,
  step: PlannedStep,
  last: string | null,
  context: Context,
): WorkTask {
  return {
    id: taskId(opening.id, step.id) + LOOK_SUFFIX,
    minutes: LOOK_min,
    after: last === null ? [] : [{ after: last }],
    skills: ['look'],
    place: placeOf(opening, step),
    release: releaseOf(opening, step, context),
  };
}

/** Not before now, what is rested after what was ticked, what was delivered, what others have done, a pin. */
function releaseOf(opening: CalendarOpening, step: PlannedStep, { calendar, now, start }: Context): string {
  const morning = (day: string) => momentIn(calendar.zone, day, calendar.hours.from);
  const phases = phaseOf(step);
  const moments = [
    now,
    start,
    ...step.after.flatMap(({ step: before, least_min = 0, setAside }) => {
      const done = opening.done.get(before);
      return done && !setAside ? [new Date(Date.parse(done.at) + least_min * 60_000).toISOString()] : [];
    }),
    ...calendar.deliveries.flatMap(({ opening: id, on, step: waiting }) =>
      id === opening.id &&
      (waiting === undefined ? ['unpack', 'dry-fit', 'set'].includes(step.role) : waiting === step.id)
        ? [morning(on)]
        : [],
    ),
    ...calendar.others.flatMap(({ on, holds }) => (phases.includes(holds) ? [morning(on)] : [])),
    ...calendar.pins.flatMap((pin) => (pin.opening === opening.id && pin.step === step.id ? [pin.at] : [])),
  ];
  return new Date(Math.max(...moments.map((moment) => Date.parse(moment)))).toISOString();
}
