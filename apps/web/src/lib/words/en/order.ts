/** Words of the order of the work at one opening. */
import type { Evening, NoStop, Outcome, PathClass } from '@hulvek/core';
import { pieceText, stepText } from '@hulvek/core';
import { sourceTexts } from './prove-water.ts';

const step = (id: string): string => `“${stepText(id).title}”`;

/** Minutes as a crew says them. */
export const duration = (min: number): string => {
  const whole = Math.round(min);
  if (whole < 60) return `${whole} min`;
  const [hours, rest] = [Math.floor(whole / 60), whole % 60];
  return rest === 0 ? `${hours} h` : `${hours} h ${rest} min`;
};

const PATHS: Readonly<Record<PathClass, string>> = {
  shed: 'all water is shed',
  drained: 'water is let out',
  trapped: 'water is trapped',
  structure: 'water reaches the framing',
  room: 'water reaches the room',
};

const upTo = (amount: string | null): string => (amount === null ? '' : `, up to ${amount}`);

export const orderWords = {
  deviation: 'Own order of the steps',
  title: 'Order of the work',
  nothing: 'The order is known once wall, unit and method are chosen and width and height are measured.',
  lead: 'One crew at this opening, each step as soon as it may be. A night can be left in only where rain drains and nothing is in the middle of being done.',
  whole: (work: string, total: string) =>
    work === total ? `${work} of work.` : `${work} of work; with its rests ${total}.`,
  step: 'Step',
  time: 'From the first step on',
  evening: 'If it rains tonight',
  at: (from: string, to: string) => `${from} – ${to}`,
  waits: (min: string, id: string) => `waits ${min} for ${step(id)} to rest`,
  late: (id: string, min: string) => `${min} too late after ${step(id)}`,
  needs: 'Must be there before',
  physical: 'cannot be otherwise',
  process: 'better so',
  setAside: 'set aside by this opening’s own order',
  covers: (pieces: readonly string[]) => `Hides ${pieces.map(pieceText).join(', ')}: look at it before.`,
  earlier: 'One place earlier',
  later: 'One place later',
  noRoom: 'It stands where it must: nothing lets it move this way.',
  night: {
    title: 'The night',
    rain: 'Rain',
    hours: 'Within hours',
    wind: 'Mean wind, straight onto the façade',
    catch: 'Height of wall above that runs down to it',
    assumed: 'An invented night, until you enter one.',
    is: (depth: string) => `${depth} of water comes onto this façade.`,
    wrong: 'Rain, hours, wind and height must be figures above nothing, with their units.',
    source:
      'Driving rain by ISO 15927-3, hourly, from memory; nothing is taken off for terrain and overhang. Amounts are at most.',
  },
  drains: 'can be left: rain drains',
  unknown: 'not checkable: the wall is not known enough',
  framing: (by: string, amount: string | null) => `${by}: wets the framing${upTo(amount)}`,
  room: (by: string, amount: string | null) => `${by}: wets the room${upTo(amount)}`,
  open: (amount: string | null) => `the hole is open: rain comes in${upTo(amount)}. Guard it against falls.`,
  by: (evening: Evening): string => (evening.by ? sourceTexts[evening.by.source] : ''),
  noStop: (no: NoStop): string =>
    no.because === 'not-held'
      ? `no stop here: the unit stands loose until ${step(no.step)}`
      : `no stop here: ${step(no.next)} must follow ${step(no.step)} within ${duration(no.most_min)}`,
  looking: 'being worked out …',
  safer: {
    title: 'What makes it dry',
    earlier: (n: number) => `Stop after step ${n}.`,
    later: (steps: number, min: string) =>
      steps === 1 ? `One more step, ${min}, and it drains.` : `${steps} more steps, ${min}, and it drains.`,
    cover:
      'Cover it: a sheet fixed above the opening and at its sides, its foot hanging clear outside, weighted.',
    board: 'Close and guard the hole with a board, and the sheet over it.',
  },
  tonight: 'Tonight, as it stands',
  tonightAfter: (n: number, of: number) =>
    n === 0 ? 'Nothing is done yet.' : `${n} of ${of} steps are done.`,
  moved: (id: string, place: number) => `${step(id)} comes as step ${place}.`,
  refused: (id: string, before: string) =>
    `${step(id)} cannot come before ${step(before)}: it physically needs it.`,
  geometry:
    'The wall cannot be built in this order: a piece would find nothing to lie on, or what it lifts is held.',
  against: (id: string, before: string) =>
    `${step(id)} would come before ${step(before)}, which is better done first.`,
  turned: (upper: string, lower: string) =>
    `${pieceText(upper)} would lie behind ${pieceText(lower)}: a lap the wrong way.`,
  water: (before: Outcome, after: Outcome): string =>
    before.path === after.path
      ? `In the finished wall ${PATHS[after.path]}, as before.`
      : `In the finished wall ${PATHS[after.path]}; before, ${PATHS[before.path]}.`,
  weaker: 'Fewer bonds would keep it out, or a weak place gets wider.',
  same: 'Water goes the same ways as before.',
  keep: 'Keep this order',
  back: 'Put it back',
  reason: 'Why it is done so; it stands with your name',
  reasonNeeded: 'Write the reason: this order goes against what is better done first, or lets water in.',
  own: 'This opening has an order of its own.',
  usual: 'Back to the method’s order',
  because: (person: string, reason: string) => `${person}: “${reason}”`,
};
