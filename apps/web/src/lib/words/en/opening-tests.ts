/** Words of the tests of one opening: air by chamber, water by spray, and from a leak to its cause. */
import type {
  Failure,
  Offered,
  OpeningTest,
  Pressing,
  SprayStage,
  TestCheck,
  WetZone,
  Wetting,
} from '@hulvek/core';
import { pieceText } from '@hulvek/core';

export const zoneWords: Readonly<Record<WetZone, string>> = {
  'head-left': 'head, left',
  'head-middle': 'head, middle',
  'head-right': 'head, right',
  'jamb-left': 'left jamb',
  'jamb-right': 'right jamb',
  'sill-left': 'sill, left',
  'sill-middle': 'sill, middle',
  'sill-right': 'sill, right',
  unit: 'on the unit itself',
};

const UNIT_JOINTS = {
  'unit-corner': 'a lower corner of the unit’s own frame',
  'unit-mullion': 'the unit’s own joint at a mullion',
  'unit-glazing': 'the unit’s own glazing or sash seal',
} as const;

export const failureText = (failure: Failure): string =>
  failure.kind === 'bond'
    ? `${pieceText(failure.piece)}, ${zoneWords[failure.zone]}: it does not hold there`
    : failure.kind === 'unit'
      ? UNIT_JOINTS[failure.joint]
      : 'water behind the wall’s layer, from higher up';

const WETTINGS: Readonly<Record<Wetting, string>> = {
  sill: 'the wall under the sill',
  'jamb-left': 'the left jamb',
  'jamb-right': 'the right jamb',
  'unit-face': 'the face of the unit',
  head: 'the head of the frame',
  'head-corners': 'the wall at the corners of the head',
  'wall-above': 'the wall above',
};

/** What to do next, as one sentence. */
export function probeText({ kind, wets, masked }: Offered): string {
  switch (kind) {
    case 'wet-only':
      return `Wet only ${wets.map((one) => WETTINGS[one]).join(' and ')}, for the whole time of a stage.`;
    case 'cover-unit':
      return 'Cover the unit with a sheet taped to its frame, and wet everything round it.';
    case 'no-pressure':
      return 'Take the pressure off, and wet everything once more.';
    case 'mask': {
      const [piece = '', zone = ''] = (masked[0] ?? '').split('@');
      const at = (Object.entries(zoneWords).find(([id]) => id === zone) ?? ['', zone])[1];
      return `Tape over ${pieceText(piece)} at ${at}, from outside, and wet everything once more.`;
    }
  }
}

export const openingTestWords = {
  title: 'Tests of this opening',
  lead: 'Air by a chamber, water by a spray from the sill up, and from a leak back to where to open.',
  notStarted: 'Freeze the plan in Install first: what is tested is the wall as it was built by a plan.',
  caution:
    'Pressure, suction and water can hurt people and houses: follow the test’s standard, the makers’ instructions and whoever is licensed for it.',
  none: 'Nothing was tested here yet.',
  begin: 'Begin',
  kinds: {
    spray: 'Water: spray from the sill up',
    chamber: 'Air: a chamber over the opening',
    smoke: 'Draught: smoke or a warm camera',
    reported: 'Water was seen without a test',
  } satisfies Record<OpeningTest, string>,
  pressing: 'Difference of pressure',
  pressings: {
    steady: 'steady',
    cycles: 'cycles of 5 min and 1 min without, the spray running on',
    house: 'the house under suction',
    none: 'none',
  } satisfies Record<Pressing, string>,
  pressure: 'Pressure, Pa',
  pressureHint: (Pa: number) =>
    `Two thirds of what the unit was tested with in the laboratory are ${Math.round(Pa)} Pa. The contract may say otherwise: say so there.`,
  flow: 'Flow of the rack, l/min',
  area: 'Area that it wets, m²',
  rate: (rate: string, least: string) => `${rate} l/(min m²); at least ${least} are asked for.`,
  rateUnknown:
    'Without flow and area nobody knows whether it is enough: what stays dry then counts for nothing.',
  rateLow: 'Too little: what stays dry counts for nothing.',
  safety: 'Before anything is pressed or wetted',
  blocked: 'It begins when every line is seen to.',
  checks: {
    'people-told': 'Everybody in the house and in front of it knows.',
    'combustion-off': 'Boilers, stoves and water heaters are off, and their flues are closed.',
    'fireplace-shut': 'Fireplaces are swept out and shut.',
    'electrics-dry': 'Sockets, lamps and leads where water may come are off, and dry.',
    'finishes-dry': 'Floors and finishes are covered, and somebody is inside to see.',
    'frame-anchored': 'The chamber’s frame is anchored: 720 Pa on 2.8 m² push with 2 kN.',
    'nobody-in-front': 'Nobody stands before glass or chamber while pressure is on.',
    'no-ladder': 'Nobody works on a ladder beside it.',
    'doors-held': 'Doors are held, so that none slams.',
  } satisfies Record<TestCheck, string>,
  start: 'Start the test',
  cancel: 'Cancel',
  by: (person: string, at: string) => `${person}, ${at}`,
  stages: {
    sill: 'Sill and under it',
    jambs: 'Up the jambs',
    head: 'Head',
    above: 'Wall above',
  } satisfies Record<SprayStage, string>,
  stage: (name: string, least: number) => `${name}: ${least} min at least`,
  run: 'Run this stage',
  runs: (name: string, time: string) => `${name} runs: ${time}`,
  end: 'End it',
  whole: (min: number) => `ran ${min} min`,
  short: (min: number) => `ran ${min} min, too short for its dryness to count`,
  unsure: 'The clock of this device was set meanwhile: the time is not sure.',
  water: 'Water seen: press where, as you stand in the room',
  waterAt: (zone: string, stage: string, min: number) => `${zone}, in “${stage}” after ${min} min`,
  waterBy: (zone: string, weather: string) => `${zone}, ${weather}`,
  drips: 'Drips a minute, if you counted',
  weather: 'After what weather',
  dry: 'No water was seen.',
  causes: 'What explains it',
  asPlanned:
    'The wall lets water in as it is planned: nothing has to have failed for that. See what fails in Prove.',
  nothingExplains:
    'No one or two failures of this wall explain all of it. Water may come another way (from the roof, through the wall), or something was seen wrongly.',
  share: (share: number) => `${Math.round(share * 100)} %`,
  together: 'and',
  alike: 'No look that could be made here tells these apart:',
  next: 'The look that tells most now',
  seen: 'Water came',
  stayedDry: 'It stayed dry for the whole time',
  wasTooShort: 'It was too short to say',
  where: 'Where was it seen?',
  openHere: 'Open here',
  toPunch: 'Put it on the punch list',
  onPunch: 'On the punch list.',
  found: (words: string) => `By the test: ${words}`,
  afterwards:
    'Mend it, let it dry (wood at 19 % or less), then test that stage again and the ones above. A retest is a test of its own.',
  again: 'Test again',
  looked: (text: string, answer: string) => `${text} ${answer}`,
  answers: { dry: 'Dry.', short: 'Too short to say.', wet: (zones: string) => `Water: ${zones}.` },
  simulated: 'Simulated rack, to try out',
  simulate: 'Simulate this',
  simulatedNote: 'simulated, no evidence',
  chamber: 'Three readings, m³/h',
  tare: 'Everything masked',
  joint: 'Unit masked, its joint open',
  open: 'All open',
  keep: 'Keep the readings',
  wrongChamber: 'Write three figures in m³/h, and the pressure in Pa.',
  unsound: 'The readings do not go up from state to state: a mask leaks, or the wind turned. Read again.',
  chamberIs: (o: { Pa: number; joint: string; unit: string; perM: string; perM2: string }) =>
    `At ${o.Pa} Pa: the joint ${o.joint} m³/h, ${o.perM} m³/(h m); the unit ${o.unit} m³/h, ${o.perM2} m³/(h m²).`,
  wouldMeet: (n: number) =>
    n === 0
      ? 'By area the unit would meet no class of the standard at 100 Pa.'
      : `By area the unit would meet class ${n} at 100 Pa. A test on site gives no class.`,
  draught: 'Press where a draught was seen, as you stand in the room',
  hows: { smoke: 'smoke', infrared: 'warm camera' },
  how: 'By',
  pattern: 'The same at several openings',
  patternIs: (cause: string, trait: string, value: string, n: number, tested: number) =>
    `${cause}: at ${n} of ${tested} tested with the same ${trait} (${value}).`,
  traits: { person: 'hands', day: 'day', method: 'method', unit: 'unit', wall: 'wall' } as Readonly<
    Record<string, string>
  >,
  suspects: (marks: string) => `Not tested yet, and alike: ${marks}.`,
  nextTest: (mark: string) => `Test ${mark} next: more speaks of it than of any other.`,
  openings: 'Openings tested',
  csv: 'Readings as a table',
  report: 'Report (PDF)',
  columns: ['Opening', 'Began', 'Test', 'Stage', 'Minutes', 'Seen'],
  noOpening: 'No opening was tested yet: each has its stage Test.',
  line: (tests: number, wet: number, open: number) =>
    `${tests === 1 ? '1 test' : `${tests} tests`}, ${wet === 0 ? 'dry' : `water ${wet === 1 ? 'once' : `${wet} times`}`}${open > 0 ? `, ${open} not mended` : ''}`,
};
