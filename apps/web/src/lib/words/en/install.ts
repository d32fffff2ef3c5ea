/** Words of the stage in which work is recorded. */
import type { Entry, StepStatus } from '@hulvek/core';

export const builtWords = {
  add: 'Built otherwise',
  piece: 'Which piece',
  what: 'What is otherwise',
  kinds: {
    'bond-lost': 'it does not stick',
    'bond-open': 'it is open over a part of its length',
    'left-out': 'it was left out',
    'left-in': 'it was to come out and stayed',
    film: 'its wet film, as read',
    'sill-closed': 'it closes the way out at the sill',
    'other-material': 'it is of another material',
    short: 'it ends short',
    raised: 'it sits higher or lower',
  },
  edge: 'At which edge',
  edges: { top: 'top', bottom: 'bottom', left: 'left', right: 'right' },
  by: {
    short: 'Short by',
    raised: 'Higher by (− for lower)',
    film: 'Film',
    'bond-open': 'From its left, or its lower, end: from',
  },
  until: 'to',
  side: 'On which side',
  anySide: 'wherever it runs there',
  sides: { left: 'left jamb', right: 'right jamb', head: 'head', sill: 'sill' },
  stock: 'Which stock',
  noStock: 'none of this job’s',
  material: 'Which material',
  wrongMaterial: 'Choose a stock, or write what it is of.',
  wrongStretch: 'Write where it begins and where it ends, like 200 and 350.',
  save: 'Note it',
  wrong: 'Write a length, like 18 or 3/4.',
};

/** Clocks that run. */
export const clockWords = {
  title: 'Clocks running',
  unsure:
    'The clock of this device was set while these ran, or went back over a restart: they are not sure. Look at the work itself.',
  days: (n: number) => `${n} days`,
  over: (time: string) => `over by ${time}`,
  until: (at: string) => `until ${at}`,
  kinds: {
    open: (of: string, next: string) => `“${of}” is open: “${next}” before it skins over`,
    rest: (of: string, next: string) => `“${of}” rests: “${next}” after that`,
    exposed: (of: string, next: string) =>
      next === ''
        ? `“${of}” lies open to weather and sun: cover it`
        : `“${of}” lies open to weather and sun: “${next}” covers it`,
  },
};

/** Before something is covered. */
export const coverWords = {
  title: (all: number, unseen: number) =>
    unseen === 0
      ? `This hides ${all === 1 ? '1 piece' : `${all} pieces`}, all of them seen`
      : `This hides ${all === 1 ? '1 piece' : `${all} pieces`}; of ${unseen} something was not seen`,
  stepLook: 'its stop was not looked at',
  figures: (n: number) =>
    n === 1
      ? '1 figure not measured, or out of its limits'
      : `${n} figures not measured, or out of their limits`,
  faults: (n: number) => (n === 1 ? '1 fault not closed' : `${n} faults not closed`),
  noPicture: 'no picture',
  seen: 'seen, measured, pictured',
  look: 'Seen now',
  held: (step: string) =>
    `“${step}” would hide what nobody looked at. Look at it now, or say below why it is covered unseen.`,
  coverUnseen: 'Cover it all the same …',
  reason: 'Why it is covered unseen; it stays on the punch list',
  covered: (reason: string) => `Covered unseen: ${reason}`,
  keep: 'Put it on the punch list',
  cancel: 'Not now',
};

export const installWords = {
  title: 'Install',
  screwShims: 'Beside shims that come out again, above or below the shim, never through it.',
  notStarted: 'Work on this opening has not begun.',
  freeze: 'Freeze the plan and start',
  freezeNote: 'Entries refer to the frozen plan. It can be frozen anew when the survey or a choice changes.',
  frozen: (version: number, person: string, at: string) => `Plan ${version}, frozen by ${person}, ${at}`,
  changed: (n: number) =>
    n === 0
      ? 'Survey or choices changed since; no step is different.'
      : `Survey or choices changed since: ${n === 1 ? '1 step is' : `${n} steps are`} different.`,
  freezeAgain: 'Freeze the changed plan',
  despiteFails: (proofs: string) =>
    `This opening fails: ${proofs}. Mend it first, or say why work begins all the same.`,
  despiteUnknown:
    'Not everything that decides this opening is known. Enter it first, or say why work begins all the same.',
  despiteReason: 'Reason; it stands in the plan under your name',
  freezeDespite: 'Freeze it all the same and start',
  despite: (grade: string, reason: string) => `Begun although: ${grade.toLowerCase()}. Reason: ${reason}`,
  tick: 'Done',
  confirmTick: 'Confirm for the new plan',
  look: 'I have looked',
  lookTitle: 'Stop. Somebody must look before this is covered.',
  lookText: 'What to look at:',
  looksTitle: 'To be seen before it is covered',
  undo: 'Take back',
  note: 'Note',
  addNote: 'Add a note',
  saveNote: 'Keep the note',
  override: 'Go on before the time is up',
  overrideReason: 'Reason',
  cancel: 'Cancel',
  why: 'Why',
  needs: 'Needs',
  cut: 'Pieces',
  caution: 'Caution',
  waitsFor: (step: string) => `Waits for: ${step}`,
  waitsFault: (step: string) => `A fault at “${step}” would be covered: mend it and have it looked at first`,
  waitsLook: (step: string) => `Stop: somebody must look at “${step}” first`,
  waitsConfirm: (step: string) => `“${step}” changed with the plan: confirm it first`,
  waitsRest: (step: string, until: string) => `“${step}” rests until ${until}`,
  atOnce: (step: string) =>
    `At once after “${step}”: a hand stays on the unit until it is fast, no break and no end of a shift before.`,
  due: (step: string, by: string, late: boolean) =>
    late
      ? `Was due at ${by} after “${step}”: look whether that still sticks, and do it again where it skinned over.`
      : `Done by ${by}, counted from the start of “${step}”.`,
  doneOf: (done: number, all: number) => `${done} of ${all} steps done`,
  drawing: 'The opening seen from outside, with the step that is next',
  shows: (step: string) => `Drawn with the next step done: ${step}`,
  before: (n: number) => (n === 1 ? 'Show the step before' : `Show the ${n} steps before`),
  history: 'Entries',
  noHistory: 'No entries yet.',
  undone: 'taken back',
  sending: 'Sending …',
  freezeNeedsNetwork:
    'The plan is frozen on the server, from what is stored there. Wait until everything here is sent, then try again.',
  marked: 'Marked',
  addPicture: 'Add a picture',
  pictures: 'Pictures',
  pictureOf: (person: string, when: string) => `Picture by ${person}, ${when}`,
  pictureElsewhere: 'A picture belongs here; it is not on this server.',
  finished: 'All steps are done and looked at.',
};

export const statusWords: Record<StepStatus, string> = {
  blocked: 'waits',
  open: 'can be done',
  done: 'done',
  'waiting-look': 'stop: look',
  confirm: 'confirm again',
};

export const entryKindsWords: Record<Exclude<Entry['kind'], 'undo'>, string> = {
  tick: 'done',
  look: 'looked at',
  override: 'waiting cut short',
  note: 'note',
  photo: 'picture',
  built: 'built otherwise',
  cut: 'cut',
  fault: 'fault',
  mended: 'mended',
  rechecked: 'looked at again',
  measured: 'measured',
  gap: 'in the gap',
  deviation: 'departed from',
  taken: 'taken over',
  test: 'test',
};

/** Marks drawn on a picture with a finger. */
export const markWords = {
  open: 'Mark',
  title: 'Mark the picture',
  lead: 'Draw on it with a finger. The picture itself stays as it was taken; a marked copy is kept beside it.',
  area: 'The picture. Drawing needs a finger, pen or mouse; a note says the same in words.',
  undo: 'Take the last mark back',
  leave: 'Leave',
  keep: 'Keep the marked copy',
  failed: 'The marked copy could not be made on this device. The picture itself is kept.',
};

/** What it is like at the step. */
export const conditionWords = {
  title: 'As it is now',
  unknown: 'Nobody measured here, and the job has no weather of this hour: not known.',
  from: {
    hand: 'measured here',
    instrument: 'by instrument',
    weather: 'from the job’s weather, not measured here',
    simulated: 'from simulated instruments, no evidence',
  },
  air: (t: string) => `air ${t}`,
  surface: (t: string) => `surface ${t}`,
  humidity: (n: number) => `humidity ${n} %`,
  moisture: (n: number) => `wood ${n} %`,
  limit: (name: string, value: string, limits: string) => `${name}: ${value}, asked for is ${limits}.`,
  dew: (surface: string, dew: string) =>
    `The surface, ${surface}, lies within 3 K of the dew point, ${dew}: it may be damp. Wipe and warm it, or wait.`,
  despite: 'Why it is done all the same',
  needsReason: 'This is outside what the material asks for. Say why it is done all the same, or wait.',
};

/** What went into the gap. */
export const gapWords = {
  title: 'In the gap',
  things: { shim: 'shims', block: 'setting blocks', screw: 'screws through', foam: 'lifts of foam' },
  thing: 'What',
  place: 'Where',
  places: {
    left: 'left jamb',
    right: 'right jamb',
    head: 'head',
    sill: 'sill',
    all: 'all round',
  },
  count: 'How many',
  thick: 'Each how thick',
  in: 'Went in',
  out: 'Came out',
  row: (thing: string, place: string, left: number) => `${thing}, ${place}: ${left} in there`,
  rowOut: (out: number) => `, ${out} came out`,
  stay: (n: number) =>
    `${n === 1 ? '1 shim' : `${n} shims`} that this method takes out ${n === 1 ? 'is' : 'are'} still in the gap. Take ${n === 1 ? 'it' : 'them'} out, or say why ${n === 1 ? 'it stays' : 'they stay'}.`,
  why: 'Why it stays',
  left: (reason: string) => `Shims stay in the gap: ${reason}`,
  keepIn: 'Leave it in, with the reason',
};

const GAP_PLACES: Readonly<Record<string, string>> = gapWords.places;
export const gapPlaceText = (place: string): string => GAP_PLACES[place] ?? place;

/** Departures on site. */
export const deviationWords = {
  add: 'Departed from …',
  from: 'From what',
  froms: { plan: 'the plan', maker: 'what the maker says', school: 'how the school does it' },
  words: 'What was done, and why',
  accepted: 'Who accepted it',
  keep: 'Write it down',
  is: (from: string, by: string) => `Departed from ${from}, accepted by ${by}:`,
};

/** Two crews at one opening. */
export const takenWords = {
  take: 'I work on this one',
  mine: 'You work on this opening.',
  others: (person: string, at: string) => `${person} works on this opening since ${at}.`,
  over: 'Take it over',
  leave: 'I leave it',
  waits: 'Take the opening over first: two crews would do its work twice.',
};

/** Where a fault is. */
export const pressWords = {
  label: 'The opening as it is now. Press where the fault is.',
  from: { outside: 'from outside', inside: 'from the room' },
  at: (across: string, up: string) => `${across} from the left, ${up} up, seen from outside`,
  none: 'Not pressed onto the drawing yet; the piece alone says where.',
  pieceNotHere: 'That is no piece that lies here yet.',
  again: 'Take the place back',
};
