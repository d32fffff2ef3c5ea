/** Words of the proof of water. */
import {
  inSentence,
  pieceText,
  stepText,
  type SourceTrace,
  type WallChange,
  type WaterPart,
  type CourseStop,
} from '@hulvek/core';
import { builtWords } from './install.ts';

type Length = (mm: number) => string;
const piece = (id: string): string => inSentence(pieceText(id));
const all = (ids: readonly string[]): string =>
  ids.length < 2
    ? ids.map(piece).join('')
    : `${ids.slice(0, -1).map(piece).join(', ')} and ${piece(ids.at(-1) ?? '')}`;

export const sourceTexts: Readonly<Record<SourceTrace['source'], string>> = {
  'wall-above': 'Wall above',
  'head-corners': 'Corners of the head',
  'blown-across': 'Blown across the face',
  'behind-layer': 'Behind the wall’s layer',
  'frame-joint': 'Joint of the frame',
  'unit-sill': 'Unit’s own sill corners',
  mullion: 'Foot of the mullion',
};

const OUTCOMES: Readonly<Record<WaterPart['outcome'], string>> = {
  shed: 'runs off outside',
  drained: 'comes in and is let out',
  trapped: 'has no way out',
  structure: 'wets the framing',
  room: 'comes into the room',
  'not-checkable': 'not checkable: nobody opened this wall',
};

/** What becomes of the water of one stretch, and what that rests on. */
export function partText({ outcome, k, bonds, wets, kOpening, firstLine }: WaterPart): string {
  const what = OUTCOMES[outcome];
  if (outcome === 'not-checkable' || outcome === 'structure' || outcome === 'room') return what;
  if (k === null)
    return kOpening === null || kOpening === 0
      ? `${what}; no bond that fails lets it in`
      : `${what}; where ${all(firstLine)} ${firstLine.length === 1 ? 'fails' : 'fail'} it is drained`;
  const hurt = wets === 'room' ? 'the room' : 'the framing';
  return k === 1
    ? `${what}; ${all(bonds)} alone keeps it off ${hurt}`
    : `${what}; ${k} bonds must fail before it wets ${hurt}: ${all(bonds)}`;
}

const PLACES: Readonly<Record<string, string>> = {
  wall: 'on the wall',
  'across-left': 'across the wall to the left jamb',
  'across-right': 'across the wall to the right jamb',
  'across-sill': 'up the wall to the sill',
  'behind-layer': 'behind the wall’s layer',
  'inner-plane': 'on the sheathing behind the buck',
  'sill-reveal': 'on the sill',
  'left-reveal': 'on the left jamb',
  'right-reveal': 'on the right jamb',
  out: 'out',
  structure: 'framing wet',
  room: 'room wet',
  'cavity-head': 'onto the frame’s top',
  'cavity-left': 'down beside the frame (left)',
  'cavity-right': 'down beside the frame (right)',
  'joint-head': 'at the frame’s joint, head',
  'joint-left': 'at the frame’s joint, left',
  'joint-right': 'at the frame’s joint, right',
  'frame-head': 'at the frame’s edge, head',
  'frame-left': 'at the frame’s edge, left',
  'frame-right': 'at the frame’s edge, right',
  'buck-top': 'on top of the buck',
};

export function stopText({ on, behind, where, failed }: CourseStop): string {
  const place = on ? `over the ${piece(on)}` : (PLACES[where] ?? where);
  const under = behind ? `, behind the ${piece(behind)}` : '';
  return `${failed ? `${piece(failed)} fails: ` : ''}${place}${under}`;
}

export function changeText(change: WallChange, length: Length): string {
  switch (change.kind) {
    case 'bond-lost':
      return `${pieceText(change.piece)}: does not stick`;
    case 'left-out':
      return `${pieceText(change.piece)}: left out`;
    case 'bond-open':
      return `${pieceText(change.piece)}: open from ${length(change.from_mm)} to ${length(change.to_mm)}${change.side ? `, ${builtWords.sides[change.side]}` : ''}`;
    case 'sill-closed':
      return `${pieceText(change.piece)}: closes the way out at the sill`;
    case 'left-in':
      return `${pieceText(change.piece)}: stayed in`;
    case 'film':
      return `${pieceText(change.piece)}: film of ${change.mm} mm`;
    case 'other-material':
      return `${pieceText(change.piece)}: of ${change.material}`;
    case 'short':
      return `${pieceText(change.piece)}: ${length(change.mm)} short at the ${change.edge}`;
    case 'raised':
      return `${pieceText(change.piece)}: ${length(Math.abs(change.mm))} too ${change.mm > 0 ? 'high' : 'low'}`;
    case 'moved':
      return `“${stepText(change.step).short}” before “${stepText(change.before).short}”`;
  }
}

export const waterText = {
  beside: (far: string) => `beside this cut by ${far}`,
  unseen: 'Not known, because nobody has recorded the look:',
  strange: (pieces: string) =>
    `Not known, because another material was used than the proof was made with: ${pieces}. Plan the opening with that material and freeze it again, or put in what was planned.`,
  title: 'Water',
  lead: 'Water is let go at every place it comes from and followed through every layer, with all bonds sound and with as few of them failed as it takes. Common practice, no source; the maker’s instructions and the local code win.',
  views: 'Drawing',
  sources: 'Where water comes from',
  run: 'Where it runs',
  wayIn: 'How it would get in',
  noWayIn: 'No bond that fails lets it in.',
  play: 'Let it run',
  pause: 'Stop',
  slow: 'Slow',
  before: 'Back',
  next: 'On',
  stopOf: (n: number, all: number) => `${n} of ${all}`,
  singles: 'Held by one bond alone',
  noSingles: 'Nothing rests on a single bond.',
  laps: 'Laps',
  lap: (upper: string, under: string) => `${pieceText(upper)} over ${piece(under)}`,
  lapIs: (length: string, stuck: boolean) => `${length}, ${stuck ? 'stuck' : 'loose'}`,
  lapShown: 'This lap, the strips drawn as thick as a finger. Weather on the left.',
  faults: {
    swapped: 'lies the wrong way round',
    'sticks-out': 'stands out above what should cover it',
    open: 'does not meet',
  },
  findings: 'Findings',
  tries: 'What if',
  triesLead: 'Nothing here is stored. The answer follows at once, in the drawing too.',
  tryPiece: 'Take a piece otherwise',
  tryStep: 'Do a step earlier',
  step: 'Step',
  stepBefore: 'before',
  tryIt: 'Try it',
  clear: 'Back to the plan',
  drop: (what: string) => `Take back: ${what}`,
  refused: {
    'unknown-piece': 'This opening has no such piece.',
    'unknown-step': 'There is no such step here.',
    'not-possible':
      'Not possible with hands: something it needs is not there yet, or it does not lie on the wall’s face.',
  },
  wall: 'The wall',
  planned: 'as planned',
  built: 'as built',
  builtLead: (done: number, all: number) => `${done} of ${all} steps ticked, in the order they were ticked.`,
  builtNone: 'Nothing was ticked yet.',
  builtLeft: (n: number) =>
    n === 1
      ? 'One entry does not fit the present plan and is left out here.'
      : `${n} entries do not fit the present plan and are left out here.`,
  tonight: 'If it rains tonight',
  open: 'The opening stands open: rain comes straight in. Cover it.',
  compared: 'Before and after the fix',
  was: 'before',
  is: 'after',
  mended: (fixed: number, left: number) => `${fixed} fewer, ${left} left.`,
  undo: 'Undo',
  exposure: 'Wind, rain and the pan',
} as const;

export const exposureWords = {
  title: 'Water: wind, rain and the pan',
  lead: 'What presses on this opening, and what its pan has against it.',
  place: 'Where it stands',
  height: 'Height of its middle above ground',
  heightWrong: (most: string) => `Write a height between 0 and ${most}, with its unit.`,
  zone: 'On the façade',
  zones: { field: 'away from corners', corner: 'near a corner of the building' },
  overhang: 'Overhang above it',
  toSoffit: 'From its sill up to the soffit',
  seal: 'Inner seal taken as',
  seals: { sound: 'sound', doubtful: 'doubtful', missing: 'missing' },
  pressures: 'Pressures',
  velocity: 'Velocity pressure',
  inward: 'Design pressure, inward',
  outward: 'Design pressure, outward',
  test: 'Water test it asks of the unit',
  passed: 'Water test the unit passed',
  unknown: 'not known',
  noWind: 'Not checkable: enter the gust of the site on the page of the job.',
  noHeight: 'Not checkable: enter how high above ground it stands.',
  testHolds: (passed: string, asked: string) => `The unit passed ${passed}, ${asked} are asked.`,
  testFails: (passed: string, asked: string) =>
    `The unit passed only ${passed}, ${asked} are asked. Take a unit of a higher grade, or shelter it.`,
  testUnknown: 'Not checkable: enter on the page of the unit what water test it passed.',
  panTitle: 'Pan against standing water',
  pan: (water: string, needed: string, has: string) =>
    `Water stands ${water} high; with a fifth on top the pan must rise ${needed}. It rises ${has}.`,
  panSound:
    'With an airtight inner seal the joint stands at the outside pressure and the pan drains. Its rise is not called on.',
  panNone: 'There is no pan here; this method keeps water out or relies on sealant.',
  panFix: 'Steepen the sill, add a back dam, or make the inner seal airtight.',
  rainTitle: 'Rain and the head',
  rain: { sheltered: 'Sheltered', middling: 'Middling', exposed: 'Exposed' },
  rainUnknown: 'Not known how it is sheltered: it is taken as exposed.',
  headNeeded: 'A flashing of its own belongs over the head.',
  headSpared: 'The overhang shelters it: the head may do without a flashing of its own. If unsure, add it.',
  headHas: (what: string) => `Here: ${what}.`,
  sources:
    'ASCE 7-16 and NAFS, both from memory; hydrostatics; rain classes of national best-practice guides, from memory. Whoever is responsible for the structure sets the wind.',
  printed: 'Heat is proven on its own sheet, air later.',
};
