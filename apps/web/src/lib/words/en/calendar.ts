/** Words of a job's calendar and of a day in it. */
import {
  type Because,
  type CrewSkill,
  type HeldBy,
  type PlanGoal,
  type StepTool,
  type TradeHold,
  type WeatherFileError,
  type WhyNot,
} from '@hulvek/core';
import { taskTitle } from './task-title.ts';

const step = (id: string): string => `“${taskTitle(id)}”`;
const nights = (n: number): string => (n === 1 ? '1 night open to rain' : `${n} nights open to rain`);
const things = (n: number, one: string, many: string): string => (n === 1 ? `1 ${one}` : `${n} ${many}`);

export const skillTexts: Readonly<Record<CrewSkill, string>> = {
  look: 'may look before work is covered',
  set: 'sets units',
  seal: 'seals',
  lift: 'drives the lift',
};

export const holdTexts: Readonly<Record<TradeHold, string>> = {
  outside: 'all work outside',
  set: 'setting the units',
  inside: 'all work inside',
};

const WHY: Readonly<Record<WhyNot, string>> = {
  'no-weather': 'the weather does not let it',
  'no-people': 'nobody in the calendar can do it',
  'did-it': 'whoever may look did the work himself',
  'no-tools': 'the tool is elsewhere',
  'no-time': 'nobody is at work then',
  'waits-for-unplaced': 'what comes before it has no place',
  'too-late-after': 'it would come too late after what it must follow',
  'too-early-after': 'what comes before it is not done, or still rests',
  busy: 'somebody is busy elsewhere then',
};

export const calendarWords = {
  title: 'Calendar',
  begin: {
    lead: 'Who works when, and in which weather: then the work of all openings is put into days, so that nothing stands open to rain where that can be helped.',
    start: 'Begin a calendar',
    readOnly: 'Nobody has begun a calendar. Whoever leads the job can.',
    noOpenings: 'There is nothing to plan yet: openings need wall, unit, method and their measures first.',
  },
  settings: {
    title: 'Crew, hours, weather',
    first: 'First day',
    zone: 'Time zone',
    from: 'Work from',
    to: 'to',
    weekdays: 'Days of work',
    days: ['Mon', 'Tue', 'Wed', 'Thu', 'Fri', 'Sat', 'Sun'],
    setup: 'Minutes to set up at another façade, or inside',
    tools: 'Tools of which there are few, how many',
    toolNames: {
      roller: 'rollers',
      ladder: 'ladders',
      level: 'levels',
      cutter: 'cutters',
      'comb-gauge': 'film combs',
    } satisfies Record<StepTool, string>,
    site: 'Where the site is, for daylight',
    latitude: 'Latitude',
    longitude: 'Longitude',
    people: 'People',
    person: 'Name',
    off: 'Days off',
    offHint: 'dates with commas, such as 2026-12-04',
    addPerson: 'Add a person',
    remove: 'Take out',
    deliveries: 'Units that come later',
    delivery: 'Opening',
    on: 'On',
    addDelivery: 'Add a delivery',
    others: 'Other trades first',
    other: 'What they do',
    holds: 'Holds back',
    addOther: 'Add a trade',
    errands: 'Work of ours that belongs to no opening',
    errand: 'What, such as “move the scaffold”',
    errandMinutes: 'Minutes',
    errandPeople: 'People',
    errandFacade: 'Façade',
    everywhere: 'any',
    notBefore: 'Not before',
    holdsNothing: 'nothing',
    errandDone: 'done',
    addErrand: 'Add an errand',
    goals: 'What counts first',
    goalNames: {
      nights: 'nights open to rain',
      late: 'minutes late',
      finish: 'an early finish',
      moves: 'few moves from place to place',
      idle: 'few idle hands',
    } satisfies Record<PlanGoal, string>,
    goalUnits: {
      nights: 'for each litre that may come in',
      late: 'for each minute late',
      finish: 'for each minute until the finish',
      moves: 'for each move',
      idle: 'for each idle minute',
    } satisfies Record<PlanGoal, string>,
    up: (name: string) => `${name}: more important`,
    weigh: 'Weigh them against each other instead',
    fromFile: 'from a file',
    file: 'Hourly weather file (.epw), or a table (.csv) with headings such as “time”, “temperature (°C)”, “rain (mm)”, “wind (m/s)”, “gust (m/s)”',
    fileRows: (n: number, from: string, to: string) => `${n} hours, ${from} to ${to}`,
    fileTooLarge: 'The file is too large. Hourly weather of a year has less than 5 MB.',
    typicalYear: 'hours of a typical year, not a forecast',
    weather: 'Weather',
    invented: 'invented, to try things out',
    typed: 'typed by day',
    seed: 'Seed of the invented weather',
    rain: 'Rain in mm, from … to … o’clock',
    day: 'Day',
    mm: 'Rain, mm',
    rainFrom: 'from',
    rainTo: 'to',
    low: 'Low, °C',
    high: 'High, °C',
    wind: 'Wind, m/s',
    gust: 'Gusts, m/s',
    addDay: 'Add a day',
    save: 'Save',
    saved: 'Saved.',
    wrong: (where: string) => `This does not read: ${where}. Correct it and save again.`,
  },
  plan: 'Plan the work',
  again: 'Plan anew',
  least: 'Re-plan with the least change',
  stop: 'Stop: this is good enough',
  planning: 'Looking for a better plan',
  working: 'Working out every evening of every opening …',
  take: 'Take this plan',
  drop: 'Leave it as it was',
  undo: 'Undo',
  taken: (who: string, when: string) => `Taken by ${who}, ${when}.`,
  offered: 'Offered, not yet taken',
  none: 'Nothing is planned yet.',
  failed: 'The plan could not be worked out. Reload the page and try again; nothing was changed.',
  finish: (when: string) => `Done ${when}`,
  bound: (when: string, why: string) => `no plan is done before ${when}: ${why}`,
  exact: 'no plan is done sooner',
  heldBy: (by: HeldBy | null, name: (task: number) => string, person: (index: number) => string): string => {
    if (!by) return 'nothing holds it';
    if (by.kind === 'chain')
      return `the steps of ${name(by.tasks[0] ?? 0)}, one after the other, with their rests`;
    if (by.kind === 'people')
      return `the work of ${by.people.map(person).join(', ')}${by.weather ? ' in the hours that the weather lets' : ''}`;
    return 'a tool that is asked for everywhere';
  },
  missing: (marks: string) => `Not in the calendar, because too little is known: ${marks}.`,
  unplaced: (n: number) => `${things(n, 'step finds', 'steps find')} no place:`,
  unplacedOne: (mark: string, id: string, why: WhyNot) => `${mark}, ${step(id)}: ${WHY[why]}`,
  broken: (n: number) =>
    `${things(n, 'step', 'steps')} of the plan cannot stay where ${n === 1 ? 'it is' : 'they are'}:`,
  more: (n: number) => `and ${n} more`,
  unknown: (n: number) => `${things(n, 'step is', 'steps are')} not in the plan that was taken.`,
  nights: { none: 'nothing open to rain over night', some: nights },
  list: (n: number) => `In the order of the list it would be ${n === 0 ? 'none' : nights(n)}.`,
  views: { label: 'Rows', places: 'places', people: 'people', openings: 'openings' },
  zoom: { label: 'Scale', hours: 'hours', days: 'days', weeks: 'weeks' },
  grid: 'The plan by days and hours',
  weather: 'Rain, gusts',
  invented: 'invented weather',
  notKnown: 'weather not known',
  dryFrom: 'wet faces',
  tonight: 'If it rains tonight',
  nothingOpen: 'nothing open',
  wets: {
    'wets-framing': 'wets framing',
    'wets-room': 'wets the room',
    'not-checkable': 'not checkable',
    drains: 'no stop here',
  },
  litres: (l: number) =>
    l < 0.05 ? '' : l < 10 ? `up to ${l.toFixed(1)}\u202fl` : `up to ${l.toFixed(0)}\u202fl`,
  rainOf: (mm: number | null) =>
    mm === null ? 'weather not known' : mm === 0 ? 'no rain' : `${mm.toFixed(1)}\u202fmm rain`,
  byPlan: 'however late: its own plan lets water in',
  covered: 'under a sheet',
  cover: (mark: string) => `Cover ${mark} with a sheet`,
  uncover: (mark: string) => `No sheet over ${mark}`,
  sheet:
    'A sheet fixed above the opening and at its sides, its foot hanging clear outside, weighted. Guard open holes against falls.',
  place: (place: string) =>
    place.endsWith(' inside') ? `${place.slice(0, -7)}, inside` : place === '-' ? 'without a façade' : place,
  looks: 'look',
  bar: (mark: string, from: string, to: string, steps: string, people: string) =>
    `${mark}, ${from} to ${to}: ${steps}; ${people}`,
  reading:
    'Rain stood in this opening. Read the wood’s moisture before anything is stuck to it: 19 % at most (common practice, no source; the maker’s instructions go before).',
  sheetSize: (width: string, height: string) =>
    `Sheet of ${width} × ${height}, battens for its top and sides`,
  printed: { day: 'Day', time: 'Time', where: 'Where', what: 'What', who: 'Who' },
  chosen: 'Choose a bar to see why it is then.',
  why: 'Why then and not earlier',
  because: (
    because: Because,
    name: (id: string | null) => string,
    person: (id: string) => string,
    other: string | null,
  ): string => {
    switch (because.kind) {
      case 'first':
        return 'Nothing holds it: it is the first.';
      case 'after':
        return because.rest_min > 0
          ? `It waits ${because.rest_min < 120 ? `${because.rest_min} min` : `${Math.round(because.rest_min / 60)} h`} after ${name(other)}.`
          : `It follows ${name(other)}.`;
      case 'person':
        return `${person(because.person)} is at ${name(other)} until then${because.setup_min > 0 ? `, and sets up for ${because.setup_min} min` : ''}.`;
      case 'tool':
        return `The ${because.tool} is elsewhere until then.`;
      case 'hours':
        return 'The day begins then.';
      case 'weather':
        return `The weather: before that it is ${[
          ...(because.dry ? ['not dry'] : []),
          ...(because.warm ? ['too cold or too warm'] : []),
          ...(because.gust ? ['too gusty'] : []),
          ...(because.light ? ['dark'] : []),
        ].join(' or ')}.`;
      case 'release':
        return 'It cannot begin earlier: it is not there yet, or pinned, or the day has not come.';
      case 'night':
        return 'Begun earlier it would stand open to rain over night, or push something aside that goes before.';
    }
  },
  needs: 'Needs',
  people: (n: number) => things(n, 'person', 'people'),
  conditions: {
    dry: 'dry faces',
    temperature_C: ([low, high]: readonly [number, number]) => `${low} to ${high}\u202f°C`,
    gust_ms_max: (ms: number) => `gusts below ${ms}\u202fm/s`,
    daylight: 'daylight',
  },
  pin: 'Pin it here',
  unpin: 'Take the pin out',
  pinned: 'pinned',
  moveHint: 'Drag a bar, or move it with Shift and the arrow keys; P pins it.',
  refused: (what: string, why: WhyNot) => `It cannot be then: ${what}, ${WHY[why]}.`,
  moves: (n: number) => `${things(n, 'step', 'steps')} would move`,
  against: 'Against the plan that was taken',
  rows: {
    nights: 'open nights',
    finish: 'finish',
    moved: 'steps moved',
    people: 'people concerned',
    looks: 'visits to look',
  },
  open: (mark: string) => `Open ${mark}`,
  lock: (day: string) => `Keep ${day} as it is`,
  unlock: (day: string) => `Let ${day} be planned anew`,
  locked: 'kept',
  away: (name: string, day: string) => `${name} is away on ${day}`,
  comes: 'The unit comes on',
  feed: {
    title: 'In your own calendar',
    file: 'Calendar file of my work',
    make: 'Make a link that other programs read',
    is: 'Whoever has this link reads your work in this job, and nobody else’s name. It ends when you leave the job.',
    revoke: 'End the link',
    ended: 'The link has ended.',
    there: 'You have a link that works. It was shown once; make another one to see it again.',
  },
};

export const todayWords = {
  title: 'Today',
  lead: (day: string) => `My work, ${day}`,
  none: 'Nothing is planned for you today.',
  next: (day: string) => `Next: ${day}`,
  noCalendar: 'No plan has been taken for this job yet.',
  notIn: 'You are not among the people of this calendar. Whoever leads the job can add you.',
  done: 'done',
  with: (names: string) => `with ${names}`,
  alone: 'alone',
  bring: 'Bring',
  pieces: 'Cut first',
  weather: 'Weather',
  look: 'Waits for me to look',
  lookAt: (mark: string, id: string) => `${mark}: ${step(id)}`,
  tonight: 'Tonight',
  leave: (mark: string) => `${mark} stands open over night`,
  day: 'Day',
  tools: {
    dry: '',
    'above-minimum-temperature': '',
    roller: 'roller',
    'two-people': '',
    ladder: 'ladder',
    ventilation: 'gloves, air',
    level: 'level',
    cutter: 'cutter',
    'comb-gauge': 'film comb',
  },
};

/** What is wrong with a weather file. */
export function weatherFileText(error: WeatherFileError): string {
  switch (error.code) {
    case 'empty':
      return 'The file is empty.';
    case 'heading':
      return `No column is headed “${error.what}”. Name the columns in the first line, each with its unit.`;
    case 'unit':
      return `“${error.heading}” does not say its unit. Write it in the heading, such as “wind (m/s)”.`;
    case 'time':
      return `Line ${error.line}: “${error.found}” is no date and time. Write 2026-11-30 08:00, or with an offset.`;
    case 'figure':
      return `Line ${error.line}: “${error.found}” is no figure that can be.`;
    case 'order':
      return `Line ${error.line} is not later than the one before. Hours go in their order, each once.`;
    case 'no-rain':
      return `Line ${error.line} says nothing of rain, and nobody may guess it.`;
    case 'other-days':
      return 'No hour of the file falls into the days that are planned.';
  }
}
