/** Words of practice: what is asked, why an answer is right or not, and how well it goes. */
import {
  chemistryTexts,
  contactFaceTexts,
  inSentence,
  jointReasonText,
  parameterTexts,
  pieceText,
  SCREW,
  sealText,
  SILL_JOINT,
  stepText,
  waterSourceTexts,
  type DayTask,
  type DayTrouble,
  type DropEnd,
  type EveningState,
  type FaultId,
  type Figures,
  type Given,
  type GivenLength,
  type PathClass,
  type PracticeKind,
  type Offered,
  type Question,
  type SealId,
  type Task,
  type ViewName,
  type Wetting,
  type Why,
} from '@hulvek/core';
import { duration } from './order.ts';
import { openingTestWords, probeText, zoneWords } from './opening-tests.ts';
import { changeText } from './prove-water.ts';

const step = (id: string): string => `“${stepText(id).title}”`;
const piece = (id: string): string => inSentence(partText(id));
const list = (parts: readonly string[]): string =>
  parts.length < 2 ? parts.join('') : `${parts.slice(0, -1).join(', ')} and ${parts.at(-1)}`;

export const kindTexts: Readonly<Record<PracticeKind, { readonly name: string; readonly does: string }>> = {
  order: { name: 'Steps in order', does: 'Put the steps of a wall in order.' },
  fault: { name: 'Find the fault', does: 'One thing in a wall is done wrong: press on it.' },
  drop: { name: 'Where the drop ends', does: 'Say where water ends before you watch it.' },
  tape: { name: 'Read the tape', does: 'Millimetres and sixteenths, also off a burnt end.' },
  level: { name: 'Read the level', does: 'Bubbles, and laser lines on staffs.' },
  width: { name: 'Least width', does: 'What goes into an opening that is not straight.' },
  square: { name: 'Out of square', does: 'What two diagonals say.' },
  shims: { name: 'Shims', does: 'How thick a shim is, from the line.' },
  cut: { name: 'Cut it', does: 'How long a strip is cut.' },
  seal: { name: 'Which seal', does: 'What closes a joint of this width.' },
  grip: { name: 'What goes on what', does: 'What sticks to a face as it is.' },
  night: { name: 'What the night does', does: 'The crew stops here, and it rains.' },
  cover: { name: 'Seen before covered', does: 'What a step hides for good.' },
  leak: { name: 'From the leak back', does: 'Which look tells most about its cause.' },
  day: { name: 'Plan a day', does: 'An order of the tasks that the weather lets through.' },
};

/** Words of the glossary that an explanation may lead to, by kind. */
export const termOf: Readonly<Partial<Record<PracticeKind, string>>> = {
  order: 'lap',
  fault: 'reverse-lap',
  drop: 'pan',
  width: 'rough-opening',
  square: 'diagonals',
  shims: 'shims',
  seal: 'rod',
  cover: 'look',
};

export const viewTexts: Readonly<Record<ViewName, string>> = {
  face: 'The opening from outside',
  sill: 'Cut through the sill',
  head: 'Cut through the head',
  left: 'Cut through the left jamb',
  right: 'Cut through the right jamb',
  tape: 'The tape',
  level: 'The level',
  opening: 'The rough opening',
  joint: 'The joint between stud and frame',
  weather: 'The day by hours: rain, temperature, gusts',
  'sill-line': 'The sill from the side, its heights enlarged',
};

/** A piece, or a place that is none. */
export const partText = (id: string): string =>
  id === SILL_JOINT
    ? 'Joint under the bottom fin'
    : id === SCREW
      ? 'Screw into the stud'
      : pieceText(id) === id
        ? pieceText(`${id}-left`).replace(/,? \(?left\)?$/i, '')
        : pieceText(id);

const GIVEN: Readonly<Partial<Record<GivenLength['what'], string>>> = {
  'opening-width': 'Width of the rough opening',
  'opening-height': 'Height of the rough opening',
  'unit-width': 'Width of the unit',
  'unit-height': 'Height of the unit',
  fin: 'Width of the fin',
  hole: 'Frame to the holes of the fin',
};
export const givenText = (what: string): string =>
  GIVEN[what as GivenLength['what']] ?? parameterTexts[what as keyof typeof parameterTexts];

export const DAY_TEXTS: Readonly<Record<DayTask['id'], string>> = {
  'tape-face': 'Tape the face',
  'brush-fluid': 'Brush the fluid membrane',
  'set-unit': 'Set the unit',
  'seal-outside': 'Seal outside',
  'foam-inside': 'Foam from inside',
  'seal-inside': 'Seal inside with tape',
  'cut-strips': 'Cut the strips on the ground',
};

export function dayTaskText({ id, minutes, dry, least_C, most_ms }: DayTask, f: Figures): string {
  const asks = [
    dry ? 'dry' : '',
    least_C === null ? '' : `from ${f.measure('temperature', least_C, 0)} on`,
    most_ms === null ? '' : `gusts up to ${f.measure('speed', most_ms, 0)}`,
  ].filter(Boolean);
  return `${DAY_TEXTS[id]}, ${duration(minutes)}${asks.length > 0 ? ` (${asks.join(', ')})` : ''}`;
}

const DROPS: Readonly<Record<DropEnd, string>> = {
  outside: 'It stays outside and runs off',
  drains: 'It comes in and is let out again',
  stays: 'It stays where it is: there is no way out',
  framing: 'It wets the framing',
  room: 'It comes into the room',
};
const NIGHTS: Readonly<Record<EveningState, string>> = {
  drains: 'Rain drains: it can be left',
  'wets-framing': 'Rain wets the framing',
  'wets-room': 'Rain comes into the room',
  'not-checkable': 'Nobody can say',
};
const WAYS: Readonly<Record<string, string>> = {
  left: 'The left end',
  right: 'The right end',
  neither: 'Neither: it is level',
};
const LEANS: Readonly<Record<string, string>> = {
  left: 'To the left',
  right: 'To the right',
  neither: 'Neither: it is square',
};
const LIMIT: Readonly<Record<string, string>> = { within: 'Within the limit', over: 'Over the limit' };

/** An option, or an item of an order, as it stands on the button. */
export function optionText({ question }: Pick<Task, 'question'>, id: string, f: Figures): string {
  switch (question.kind) {
    case 'order':
      return stepText(id).title;
    case 'drop':
      return DROPS[id as DropEnd];
    case 'night':
      return NIGHTS[id as EveningState];
    case 'level':
      return WAYS[id] ?? id;
    case 'square':
      return (question.asks === 'within' ? LIMIT : LEANS)[id] ?? id;
    case 'seal':
      return sealText(id as SealId);
    case 'grip':
      return chemistryTexts[id as keyof typeof chemistryTexts];
    case 'leak':
      return lookText(id);
    case 'day': {
      const task = question.tasks.find((one) => one.id === id);
      return task ? dayTaskText(task, f) : id;
    }
    default:
      return partText(id);
  }
}

/** A look, out of its name. */
function lookText(id: string): string {
  const [kind = '', rest = ''] = id.split(' ');
  const of = rest.split('+');
  const all = { pressed: true, wets: [] as Wetting[], masked: [] as string[] };
  if (kind === 'wet') return probeText({ ...all, kind: 'wet-only', wets: of as Wetting[] });
  if (kind === 'mask') return probeText({ ...all, kind: 'mask', masked: of });
  return probeText({ ...all, kind: kind as Offered['kind'] });
}

/** An answer in words, line by line. */
export function answerText(task: Pick<Task, 'question'>, given: Given, f: Figures): readonly string[] {
  switch (given.form) {
    case 'order':
      return given.items.map((id) => optionText(task, id, f));
    case 'one':
      return [optionText(task, given.option, f)];
    case 'several':
      return given.options.map((id) => optionText(task, id, f));
    case 'length':
      return [f.length(given.mm)];
    case 'part':
      return [partText(given.part)];
    case 'press':
      return [practiceWords.pressed];
  }
}

const figures = (f: Figures, all: readonly number[]): string => list(all.map((mm) => f.length(mm)));

/** What is asked; everything that a drawing says in figures is said here too. */
export function questionText(question: Question, f: Figures): string {
  switch (question.kind) {
    case 'order':
      return 'In which order are these done?';
    case 'fault':
      return 'One thing is done wrong in this wall. Press on it, or name it below.';
    case 'drop': {
      const state = question.after === null ? '' : ` The work stands after ${step(question.after)}.`;
      const other = question.changes.map((change) => `${changeText(change, f.length)}.`).join(' ');
      return `${other}${state} Water comes ${waterSourceTexts[question.source]}, at the blue dot. Where does it end?`.trim();
    }
    case 'tape':
      return question.burnt_mm > 0
        ? `The tape was held with its ${f.length(question.burnt_mm)} mark at the edge, because its end is worn. How long is it up to the red line?`
        : 'What does the tape read at the red line?';
    case 'level':
      return question.by === 'bubble'
        ? 'Which end has to come up?'
        : 'The same laser line crosses staffs that stand on the sill. How much lower is its lowest place than its highest?';
    case 'width': {
      const { widthBottom, widthMiddle, widthTop, plumbLeft, bowLeft } = question.readings;
      const read = `Width at the bottom ${f.length(widthBottom)}, in the middle ${f.length(widthMiddle)}, at the top ${f.length(widthTop)}.`;
      const lean =
        question.asks === 'least'
          ? ''
          : ` The left jamb leans ${sideways(plumbLeft, f)} at its top${bowLeft === null ? '' : `, and its middle stands ${sideways(bowLeft, f)} of the line from end to end`}.`;
      return question.asks === 'least'
        ? `${read} Which width counts?`
        : question.asks === 'plumb'
          ? `${read}${lean} How wide is what goes in plumb, with nothing to spare?`
          : `${read}${lean} With ${f.length(question.clearance_mm)} on either side, how wide may a unit be?`;
    }
    case 'square': {
      const read = `Diagonals: ${f.length(question.rising_mm)} rising to the right, ${f.length(question.falling_mm)} falling.`;
      switch (question.asks) {
        case 'difference':
          return `${read} By how much do they differ?`;
        case 'within':
          return `${read} They may differ by ${f.length(question.limit_mm)}. Do they?`;
        case 'which-way':
          return `${read} The sill is level. Which way does the top lean?`;
        case 'lean':
          return `${read} The opening is ${f.length(question.width_mm)} wide and ${f.length(question.height_mm)} high, its sill level. How far does its top lean, about?`;
      }
      break;
    }
    case 'shims': {
      const pan =
        question.buildUp_mm > 0
          ? ` Pan and flashing are ${f.length(question.buildUp_mm)} thick all along.`
          : '';
      return `The sill stands ${figures(f, question.sill_mm)} over its lowest place: left end, middle, right end, ${f.length(question.width_mm)} apart in all.${pan} A unit stands level, its thinnest shim ${f.length(question.least_mm)}. How thick is the shim at ${f.length(question.at_mm)} from the left end?`;
    }
    case 'cut':
      return `How long is this cut: ${inSentence(pieceText(question.piece))}?`;
    case 'seal':
      return `The joint beside a frame of ${question.frame === 'clad-wood' ? 'clad wood' : question.frame}, ${f.length(question.across_mm)} wide, is ${question.least_mm === question.most_mm ? f.length(question.least_mm) : `${f.length(question.least_mm)} to ${f.length(question.most_mm)}`} wide. It is sealed at ${f.measure('temperature', 10, 0)}; frames see ${f.measure('temperature', -15, 0)} to ${f.measure('temperature', 50, 0)}. What closes it?`;
    case 'grip':
      return `What goes on ${contactFaceTexts[question.face]} as it is, clean and dry, without anything else?`;
    case 'night':
      return question.step === null
        ? 'Nothing is done yet, and it rains tonight. What does the rain do?'
        : `The crew stops after ${step(question.step)}, and it rains tonight. What does the rain do?`;
    case 'cover':
      return `Next comes ${step(question.step)}. What does it hide, so that it has to be looked at before?`;
    case 'leak': {
      const seen = question.seen.map(
        ({ zone, stage }) => `${zoneWords[zone]} while ${inSentence(STAGES[stage])} was sprayed`,
      );
      const dry =
        question.dry.length > 0
          ? ` Dry while sprayed: ${list(question.dry.map((stage) => inSentence(STAGES[stage])))}.`
          : '';
      return `A spray test, from below upwards. Water was seen in the room: ${list(seen)}.${dry} Which look tells most about the cause?`;
    }
    case 'day': {
      const lags = question.lags.map(({ from, to, min }) => lagText(from, to, min)).join(' ');
      return `One crew, 7 to 17 o’clock, one task after the other, none interrupted.${lags ? ` ${lags}` : ''} In which order does all of it find its place?`;
    }
  }
  return '';
}

const sideways = (mm: number, f: Figures): string =>
  mm === 0 ? 'nowhere' : `${f.length(Math.abs(mm))} to the ${mm > 0 ? 'right' : 'left'}`;

const STAGES = openingTestWords.stages;

const dayName = (id: string): string => `“${DAY_TEXTS[id as DayTask['id']]}”`;
const lagText = (from: string, to: string, min: number): string =>
  min === 0
    ? `${dayName(to)} comes after ${dayName(from)}.`
    : `${dayName(to)} comes ${duration(min)} after ${dayName(from)} at the earliest.`;

/** The weather of a day, for those who have it read to them. */
export const weatherText = (question: Extract<Question, { kind: 'day' }>, f: Figures): string =>
  question.weather
    .map(
      ({ hour, temperature_C, gust_ms, rain_mm }) =>
        `${hour} o’clock ${f.measure('temperature', temperature_C, 0)}, gusts ${f.measure('speed', gust_ms, 0)}${rain_mm > 0 ? ', rain' : ''}`,
    )
    .join('; ');

const PATHS: Readonly<Record<PathClass, string>> = {
  shed: 'Water would still run off',
  drained: 'Water would come in behind it and have to be drained',
  trapped: 'Water would get behind it and find no way out',
  structure: 'Water would run behind it into the framing',
  room: 'Water would come into the room',
};

const FAULTS: Readonly<Record<FaultId, (why: Extract<Why, { code: 'fault' }>, f: Figures) => string>> = {
  'reverse-lap': ({ piece: lower, other }) =>
    `The ${piece(lower)} lies over the ${piece(other ?? '')}, and what comes from above runs behind it: the upper one goes over the lower one.`,
  short: ({ piece: strip, mm }, f) =>
    `The ${piece(strip)} ends ${f.length(mm ?? 0)} too soon, and leaves a place bare that it has to cover.`,
  'not-rolled': ({ piece: strip }) =>
    `The ${piece(strip)} was not rolled: it stands in blisters, and water finds the way along them.`,
  'sill-closed': () => 'The bottom fin is caulked shut: what comes in at the sill does not get out.',
  'no-dam': ({ piece: dam }) =>
    `There is no ${piece(dam)} at the inner edge of the pan: what stands in it runs into the room.`,
  'void-corner': ({ piece: pan }) =>
    `At the corner the ${piece(pan)} stands off: a void that water goes into.`,
  'open-seal': ({ piece: seal }) =>
    `The ${piece(seal)} is missing: the air line ends at the frame and meets nothing.`,
  'screw-misses': () => 'Driven straight, the screw ends in the foam of the buck and misses the stud.',
};

const capital = (text: string): string => text.charAt(0).toUpperCase() + text.slice(1);

/** One sentence why. */
export function whyText(why: Why, f: Figures): string {
  switch (why.code) {
    case 'order-right':
      return why.orders === 1
        ? 'It is the only order that keeps every reason.'
        : `${why.orders} orders keep every reason; this is one of them.`;
    case 'order-breach': {
      const reason = stepText(why.step).why || stepText(why.before).why;
      const water =
        why.water === null
          ? why.because === 'physical'
            ? 'The other way round it cannot be built.'
            : ''
          : `${PATHS[why.water]}.`;
      const air = why.air ? 'The air line would be open.' : '';
      return [`${step(why.step)} waits for ${step(why.before)}.`, water, air, reason]
        .filter(Boolean)
        .join(' ');
    }
    case 'fault':
      return FAULTS[why.fault](why, f);
    case 'drop':
      return `${DROPS[why.end]}${why.on ? `, last over the ${piece(why.on)}` : ''}.`;
    case 'tape':
      return why.mark_mm === why.reads_mm
        ? `The red line stands at ${f.length(why.mark_mm)}.`
        : `The red line stands at ${f.length(why.mark_mm)}; less what was held over, it is ${f.length(why.reads_mm)}.`;
    case 'bubble':
      return why.high === 'neither'
        ? 'The bubble stands between its marks: it is level.'
        : `The bubble goes to the high end: ${why.high} is high, so the other end comes up.`;
    case 'laser':
      return `The line stands highest over the lowest place. ${f.length(why.low_mm)} less ${f.length(why.high_mm)} is ${f.length(why.low_mm - why.high_mm)}.`;
    case 'width':
      return why.from_mm === 0 && why.clearance_mm === 0
        ? `The narrowest one counts: ${f.length(why.to_mm)}.`
        : `Plumb, it is free from ${f.length(why.from_mm)} to ${f.length(why.to_mm)}: ${f.length(why.to_mm - why.from_mm)}${why.clearance_mm > 0 ? `, less ${f.length(why.clearance_mm)} twice ${f.length(why.to_mm - why.from_mm - 2 * why.clearance_mm)}` : ''}.`;
    case 'square': {
      const differs = Math.abs(why.rising_mm - why.falling_mm);
      const way =
        Math.abs(why.lean_mm) < 0.05
          ? 'it is square'
          : `the top leans ${sideways(why.lean_mm, f)}, towards the longer one’s upper end`;
      return `They differ by ${f.length(differs)}: ${way}.`;
    }
    case 'shims':
      return `The unit stands ${f.length(why.high_mm + why.buildUp_mm + why.least_mm)} over the lowest place. Here the sill is at ${f.length(why.here_mm)}${why.buildUp_mm > 0 ? ` and the pan takes ${f.length(why.buildUp_mm)}` : ''}: ${f.length(why.high_mm + why.least_mm - why.here_mm)} is left.`;
    case 'cut':
      return capital(
        `${why.parts.map(({ times, what, mm }) => `${times > 1 ? `${times} × ` : ''}${inSentence(givenText(what))} ${f.length(mm)}`).join(' + ')} = ${f.length(why.parts.reduce((sum, { times, mm }) => sum + times * mm, 0))}.`,
      );
    case 'seal':
      return why.against.length === 0
        ? 'Nothing rules any of them out.'
        : why.against.map(({ seal, reason }) => `${sealText(seal)}: ${jointReasonText(reason, f)}`).join(' ');
    case 'grip':
      return capital(
        why.rows
          .map(
            ({ chemistry, answer }) =>
              `${chemistryTexts[chemistry as keyof typeof chemistryTexts]} ${GRIPS[answer]}`,
          )
          .join('; ') + '.',
      );
    case 'night':
      return why.open
        ? 'The hole is open: rain comes in. Close it, and guard it against falls.'
        : `${NIGHTS[why.state]}${why.source && why.state !== 'drains' ? `, ${waterSourceTexts[why.source]}` : ''}.`;
    case 'cover':
      return `It lies over the ${list(why.hidden.map(piece))}: after it nobody sees or mends that without taking something off again.`;
    case 'leak':
      return `${lookText(why.best)} Of ${why.causes} causes that fit, it parts them most evenly: its answer leaves the least to guess.`;
    case 'day-right':
      return `All is done by ${clock(why.ends_min)}; ${why.orders === 1 ? 'no other order does it' : `${why.orders} orders do it`}.`;
    case 'day-wrong':
      return `${dayName(why.task)} ${troubleText(why.trouble)}`;
  }
}

const clock = (min: number): string => {
  const all = Math.round(7 * 60 + min);
  return `${Math.floor(all / 60)}:${String(all % 60).padStart(2, '0')}`;
};

const troubleText = (trouble: DayTrouble): string =>
  trouble.code === 'waits'
    ? `has to wait for ${dayName(trouble.for)}.`
    : {
        rain: 'finds no dry stretch long enough any more.',
        cold: 'finds it too cold when its turn comes.',
        gusts: 'finds gusts that are too strong when its turn comes.',
        time: 'finds no time left.',
      }[trouble.because];

const GRIPS = {
  goes: 'goes',
  primer: 'only with a primer',
  'no-stick': 'does not stick',
  attacked: 'harms it, or is harmed, over time',
  'both-makers': 'only if both makers say so',
} as const;

export const practiceWords = {
  title: 'Practice',
  lead: 'Tasks made up on the spot and judged by the same reckoning as real work. No job is needed, and no network.',
  start: 'Start five minutes',
  again: 'Another five minutes',
  mixed: 'Which kinds',
  all: 'All kinds',
  noKinds: 'Choose one kind at least.',
  system: 'Tapes and lengths in',
  systems: { both: 'both, in turns', mm: 'millimetres', in: 'inches' },
  byNumber: 'A task by its number',
  numberHint: 'like order-3-48213',
  wrongNumber: 'There is no such number. It is a kind, a level from 1 to 5 and a figure, like order-3-48213.',
  open: 'Open',
  rounds: 'Rounds of your jobs',
  noRounds: 'No lead has made a round of a job of yours.',
  roundOf: (job: string, by: string | null) => (by ? `${job}, by ${by}` : job),
  tasks: (many: number) => (many === 1 ? '1 task' : `${many} tasks`),
  notKept: 'This job is not on this device yet. Open it once with a network.',
  noTask: 'This opening has nothing of this kind any more: the next one.',
  print: 'Print a round, with its answers',
  numberOf: (text: string) => `Task ${text}`,
  level: (n: number) => `Level ${n} of 5`,
  left: (min: number) =>
    min <= 0 ? 'This is the last one' : min === 1 ? 'about a minute left' : `about ${min} minutes left`,
  of: (n: number, all: number) => `${n} of ${all}`,
  answer: 'Answer',
  next: 'Next',
  finish: 'End the round',
  right: 'Right.',
  notYet: 'Not so.',
  isRight: 'Right would be',
  look: 'See it in the picture',
  earlier: 'One place earlier',
  later: 'One place later',
  place: (n: number, all: number) => `place ${n} of ${all}`,
  several: 'Choose all that apply.',
  pickFirst: 'Choose something first.',
  lengthFirst: 'Write a length, like 923 or 36 3/8.',
  your: 'Your answer',
  name: 'Or name it',
  choosePart: 'choose a part',
  cross: 'Move the cross with the arrow keys, larger steps with Shift; Enter takes the place.',
  crossLabel: (view: string) => `${view}: place to press`,
  pressed: 'The cross is where you pressed.',
  done: (right: number, all: number) => `${right} of ${all} were right.`,
  doneNone: 'No task was answered.',
  back: 'To all of practice',
  skills: {
    title: 'How it goes',
    none: 'Nothing answered yet. The first round finds out where to begin.',
    kind: 'Kind',
    level: 'Level',
    answers: 'Answers',
    chance: 'Next one right',
    said: (said: number, low: number, high: number) =>
      `${Math.round(said * 10)} in 10 (${Math.round(low * 10)} to ${Math.round(high * 10)})`,
    honest:
      'An estimate: of tasks for which it says 7 in 10, about 7 in 10 were right, tried out on a thousand made-up learners. In brackets, where it lies in nine cases of ten.',
    due: 'Comes back',
    now: 'now',
    later: (days: number) => (days < 1 ? 'today' : days < 1.5 ? 'tomorrow' : `in ${Math.round(days)} days`),
    never: 'not asked yet',
  },
  sharing: {
    title: 'Who may see how it goes',
    lead: 'Nobody but you, unless you say so. Leads then see level and estimate by kind, and no single answer.',
    allow: (job: string) => `Leads of ${job}`,
    none: 'You are in no job.',
  },
  instruments: {
    title: 'Try the instruments',
    lead: 'Simulated ones, as they are offered while measuring and installing: they waver, lose their connection, and show the other system now and then.',
    seed: 'Another opening',
    read: 'Take a reading',
    lost: 'Connection lost',
    reconnect: 'Connect again',
    cannot: 'measures something else',
    shows: 'The display shows',
    takes: 'It is taken as',
  },
  offline: 'Without a network. What you answer is kept here and sent later.',
  unsent: (many: number) => (many === 1 ? '1 answer waits to be sent.' : `${many} answers wait to be sent.`),
  notSaved: 'This device keeps nothing: what you answer is lost when the page is closed.',
  loading: 'Made up …',
} as const;

/** A round that a lead makes of a job. */
export const jobPracticeWords = {
  title: 'Practice on this job',
  lead: 'A round made of these openings, for those who will work on them: they find it under Practice, with or without a network.',
  name: 'Name of the round',
  nameDefault: 'Before we start',
  openings: 'On which openings',
  kinds: 'Which kinds',
  level: 'Level',
  levels: { 1: '1, first steps', 2: '2', 3: '3', 4: '4', 5: '5, hard' },
  each: 'Tasks a kind and opening',
  make: 'Make the round',
  noOpenings: 'Choose an opening that has a wall, a unit and a method.',
  noKinds: 'Choose a kind.',
  tooMany: (many: number, most: number) => `That would be ${many} tasks; a round has ${most} at most.`,
  nothing: 'None of these openings has anything of these kinds.',
  made: (many: number) => `The round is made: ${many === 1 ? '1 task' : `${many} tasks`}.`,
  rounds: 'Rounds of this job',
  none: 'No round yet.',
  paper: 'On paper, with answers',
  end: 'Take the round away',
  people: 'How it goes for those who allow it',
  others: (many: number) =>
    many === 1
      ? '1 more in this job keeps it to themselves.'
      : `${many} more in this job keep it to themselves.`,
  nobody: 'Nobody in this job has allowed it.',
  go: 'Open Practice',
} as const;

/** The printed round. */
export const paperWords = {
  title: 'Practice round',
  answers: 'Answers',
  order: 'Write the numbers in order:',
  choose: 'Tick what is right:',
  write: 'Write the length:',
  mark: 'Mark it on the drawing, and write what it is:',
  lead: 'Made up, and judged by the same reckoning as real work. Answers stand at the end.',
} as const;
