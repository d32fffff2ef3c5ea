/** Words of the proof of heat. */
import {
  axisTexts,
  choiceText,
  heatThingText,
  measureFigure,
  measureUnit,
  type AxisId,
  type CutId,
  type Figures,
  type HeatConditions,
  type LengthUnit,
  type SideHeat,
  type Study,
  type StudyId,
  type Variant,
} from '@hulvek/core';

const sentence = (words: string): string => words.charAt(0).toUpperCase() + words.slice(1);

const PROBLEMS = {
  'not-planned': 'Heat is solved once width, height, wall, unit and method are known.',
  'not-converged': 'This section could not be solved. Look for a layer of no thickness or a very odd one.',
  'no-surface': 'No surface of this section faces room or weather.',
  stopped: 'The solver stopped on this section. Change something or load the page again.',
  'before-the-wall':
    'The frame stands outside of the layers that count: before them, behind a ventilated cladding, or in the room. Nothing joins it to the wall there, so heat cannot be judged. Move it into the wall.',
} as const;

const STUDIES: Readonly<Record<StudyId, string>> = {
  position: 'Position in the depth',
  buck: 'Buck',
  fill: 'Filling of the joint',
  shims: 'Through the shims',
  pan: 'Material of the pan',
  frame: 'Kind of frame',
};
const AXIS: Partial<Record<StudyId, AxisId>> = { buck: 'buck', fill: 'gapFill', pan: 'pan' };
const VARIANTS: Readonly<Record<string, string>> = {
  'fill empty': 'empty, seals only',
  'shims beside': 'beside the shims',
  'shims plastic': 'through plastic shims',
  'shims wood': 'through wood shims',
  'shims foam-block': 'through foam blocks',
  'pan plastic': 'rigid, plastic',
  'pan stainless': 'rigid, stainless steel',
  'pan steel': 'rigid, galvanized steel',
  'pan aluminium': 'rigid, aluminium',
  'frame vinyl': 'vinyl',
  'frame wood': 'wood',
  'frame clad-wood': 'clad wood',
  'frame fibreglass': 'fibreglass',
  'frame aluminium': 'aluminium, thermally broken',
};

/** A change says its direction, a rise too. */
const plus = (value: number, written: string): string => (value > 0 ? `+${written}` : written);
const degrees = (C: number, f: Figures): string => f.measure('temperature', C, 1);

export const heatText = {
  title: 'Heat',
  views: 'Which cut',
  empty: 'Heat is solved once width, height, wall, unit and method are known.',
  solving: 'Solving…',
  refining: 'First answer; refining…',
  settled: 'Refined',
  problem: (code: keyof typeof PROBLEMS): string => PROBLEMS[code],
  scale: (reads: LengthUnit): string => `Temperature, ${measureUnit('temperature', reads)}`,
  mark: (C: number, reads: LengthUnit): string => measureFigure('temperature', C, reads),
  dew: (c: HeatConditions, f: Figures) => `Dew point of the room’s air, ${degrees(c.dew_C, f)}`,
  damp: (c: HeatConditions, f: Figures) => `80 % humidity at the surface, ${degrees(c.damp_C, f)}`,
  flux: 'Lines of heat',
  boxes: 'Solved boxes',
  probeHint: 'Point into the section, or use the arrow keys: it says the part and its temperature.',
  fieldLabel: 'Temperatures in the section. Arrow keys move the point that is read.',
  probe: (thing: string, temperature_C: number, lambda: number, f: Figures): string =>
    `${sentence(heatThingText(thing))}: ${degrees(temperature_C, f)} · λ ${f.measure('conductivity', lambda, lambda < 1 ? 3 : lambda < 10 ? 2 : 0)}`,
  probeNothing: 'Nothing stands here',
  columns: { side: 'Side', psi: 'Ψ', coldest: 'Coldest', where: 'Where', f: 'f' },
  uUnit: (reads: LengthUnit): string => measureUnit('transmittance', reads),
  uFigure: (value: number, f: Figures): string => measureFigure('transmittance', value, f.system, 2),
  /** Of a column whose figures all are in it. */
  psiUnit: (reads: LengthUnit): string => measureUnit('lineTransmittance', reads),
  side: (cut: CutId): string => ({ head: 'Head', left: 'Left jamb', right: 'Right jamb', sill: 'Sill' })[cut],
  psi: ({ psi }: SideHeat, f: Figures): string => f.measure('lineTransmittance', psi.value, 3),
  psiFigure: (value: number, f: Figures): string => measureFigure('lineTransmittance', value, f.system, 3),
  interval: ({ psi }: SideHeat, refined: boolean, f: Figures): string =>
    refined
      ? `between ${f.measure('lineTransmittance', psi.below, 4)} and ${f.measure('lineTransmittance', psi.above, 4)}`
      : 'not bounded yet',
  notClose: 'The bounds are wider than ±0.002 W/(m K): the grid is as fine as it may get.',
  temperature: degrees,
  change: (K: number, f: Figures): string => plus(K, f.measure('difference', K, 1)),
  changePsi: (value: number, f: Figures): string =>
    plus(value, measureFigure('lineTransmittance', value, f.system, 3)),
  refinement: (K: number | null, f: Figures): string =>
    K === null ? '' : `moved ${f.measure('difference', K, 2)} when the grid was halved`,
  thing: heatThingText,
  none: 'no surface to judge',
  before: 'Against before the change',
  forget: 'Forget',
  undo: 'Undo',
  limits: (c: HeatConditions, f: Figures): string =>
    `Judged at ${degrees(c.inside_C, f)} and ${c.humidity_percent} % inside, ${degrees(c.outside_C, f)} outside: f at least ${c.fRsiLeast.toFixed(2)}${c.fRsiAsked ? ', as the job asks' : ', so that air at the surface stays below 80 %'}; Ψ at most ${f.measure('lineTransmittance', c.psiMost)}.${c.climateGiven ? '' : ' These are not the job’s own figures: enter them on its site page.'} The local code goes before them.`,
  unitSurface:
    'The unit’s own surfaces are not checkable here: frame and pane stand as blocks that let as much heat through as the maker says. Such a block has no chambers and no spacer, so its temperatures say nothing about condensation on the unit. Ask the maker.',
  unitTitle: 'Unit and opening',
  unitU: 'U of the unit',
  installed: 'U with its joints',
  loss: 'Loss, unit and joints',
  jointLoss: 'of it in the joints',
  u: (value: number, f: Figures): string => f.measure('transmittance', value, 2),
  watts: (value: number, f: Figures): string => f.measure('power', value),
  assumed: (parts: readonly string[]): string =>
    parts.length === 0
      ? ''
      : `Usual figures stand in for ${parts.map((p) => ({ frame: 'the frame', glass: 'the glass', spacer: 'the glass edge' })[p]).join(', ')}: the maker’s own go before them.`,
  convention:
    'Ψ counts the wall up to the edge of the unit, and everything that differs from the plain wall: framing round the hole, joint, buck, pan. Slopes are level at their mean thickness. Left out: sheets and membranes, fins, fasteners, clips and brackets beside the cut, lining of the reveal, ventilated cladding.',
  findings: 'What heat says',
  noFindings: 'Every surface and joint that can be judged is within its limit.',
  studies: 'What if',
  studyLabel: 'What to compare',
  studyName: (id: StudyId): string => STUDIES[id],
  start: 'Compare',
  stop: 'Stop',
  progress: (done: number, total: number): string => `${done} of ${total}`,
  variant: (study: StudyId, { id, setback_mm }: Variant, figure: (mm: number) => string): string => {
    if (setback_mm !== null) return figure(setback_mm);
    const own = VARIANTS[`${study} ${id}`];
    const axis = AXIS[study];
    return own ?? (axis ? choiceText(axis, id).name : id);
  },
  axisOf: (study: StudyId): string => {
    const axis = AXIS[study];
    return axis ? axisTexts[axis] : STUDIES[study];
  },
  now: 'now',
  take: 'Take',
  setback: 'Frame behind the face',
  studyColumns: { variant: 'Variant', psi: 'Ψ', coldest: 'Coldest' },
  best: ({ best, asIfClips }: Study, figure: (mm: number) => string): string => {
    if (!best) return '';
    const [a, b] = best.plateau_mm;
    return `Least is lost ${figure(best.setback_mm)} behind the face; between ${figure(a)} and ${figure(b)} hardly more.${
      asIfClips
        ? ' The fin fixes this frame: it was moved as if it hung on clips with a compressed tape.'
        : ''
    }`;
  },
  studyNone: 'Nothing to compare here.',
  both: 'Less loss and a warmer corner need not go together: both are given. First grids, good to about 0.003 W/(m K) and half a degree.',
  chart: (study: StudyId): string => `${STUDIES[study]}: loss and coldest surface`,
  exportSection: 'Section as a file',
  job: {
    lead: 'All openings with all four cuts, solved on the server. Equal sides are solved once; what is known stays known until something changes.',
    start: 'Solve the whole job',
    again: 'Solve what changed',
    cancel: 'Stop',
    progress: 'Sides solved',
    done: (done: number, total: number): string =>
      total === 0 ? 'Openings are being planned…' : `${done} of ${total} sides`,
    state: (state: 'planning' | 'solving' | 'cancelled' | 'failed' | 'done', person: string): string =>
      ({
        planning: 'Openings are being planned…',
        solving: 'Solving…',
        done: `Solved, asked for by ${person}.`,
        cancelled: 'Stopped; what was solved stays.',
        failed: 'The run did not come through; start it again.',
      })[state],
    nobody:
      'Nobody is solving. On the server ./hulvek start brings a worker, ./hulvek worker another one; what is asked for waits.',
    unreachable: 'The server does not answer; what is shown is what it last said. Trying again.',
    search: 'Search',
    opening: 'Opening',
    psi: (cut: CutId): string => `Ψ ${{ head: 'head', left: 'left', right: 'right', sill: 'sill' }[cut]}`,
    u: 'U with joints',
    loss: 'Loss',
    waits: '·',
    where: (cut: CutId, thing: string): string =>
      `${{ head: 'head', left: 'left', right: 'right', sill: 'sill' }[cut]}, ${heatThingText(thing)}`,
    old: 'changed since',
    total: (n: number): string => (n === 1 ? 'One opening' : `${n} openings`),
  },
} as const;
