/** What would change if something were done otherwise: each variant planned, cut and solved like the opening itself. */
import type { Opening } from '../documents/opening.ts';
import { cutIds, type CutId } from '../vocabulary/sides.ts';
import type { Solid } from '../geometry/solid.ts';
import { FINLESS, type Choices } from '../vocabulary/axes.ts';
import type { HeatSubject } from './heat-subject.ts';
import type { Build } from '../build/build.ts';
import { pieceFor } from '../build/by-role.ts';
import type { PieceRole } from '../vocabulary/roles.ts';
import { buildOpening } from '../build/build-opening.ts';
import type { JobContext } from '../documents/job.ts';
import { withChanges } from '../build/changes.ts';
import { SHEET_METAL_WmK } from '../conditions/conductivities.ts';
import { heatInput, sideLength, sketchSide, type HeatInput, type SideFields } from '../proofs/heat/proof.ts';
import { unitValues } from '../proofs/heat/unit-values.ts';

export const studyIds = ['position', 'buck', 'fill', 'shims', 'pan', 'frame'] as const;
export type StudyId = (typeof studyIds)[number];

/** Both answers of a variant: what the joint loses, and how cold it gets. They need not agree. */
export interface Variant {
  /** Names the choice, material or kind; a position's is its setback. */
  readonly id: string;
  /** Depth of the frame's front behind the face, mm; of positions only. */
  readonly setback_mm: number | null;
  /** Mean of the sides studied, weighed by their lengths, W/(m K). */
  readonly psi: number;
  readonly psiBySide: Readonly<Partial<Record<CutId, number>>>;
  /** Coldest judged surface of all sides studied, °C. */
  readonly coldest_C: number;
  readonly isNow: boolean;
  /** What would have to change for it; `null` where it cannot be set so. */
  readonly set: {
    readonly numbers?: { readonly setback: number };
    readonly choose?: Partial<Choices>;
  } | null;
}

export interface Study {
  readonly id: StudyId;
  readonly variants: readonly Variant[];
  /** Of positions: where the joint loses least, and between which setbacks it loses hardly more. */
  readonly best: { readonly setback_mm: number; readonly plateau_mm: readonly [number, number] } | null;
  /** The frame hangs on fins and was moved as if it hung on clips. */
  readonly asIfClips: boolean;
}

/** A variant to be solved: cheap to make, so that a worker can go through them one by one and be stopped between. */
export interface Candidate {
  readonly id: string;
  readonly setback_mm: number | null;
  readonly isNow: boolean;
  readonly set: Variant['set'];
  readonly cuts: readonly CutId[];
  readonly input: () => HeatInput | null;
}

/** Loss within this of the least counts as the plateau: common practice, no source. W/(m K). */
const PLATEAU_WmK = 0.005;
const POSITIONS = 24;
const LEAST_STEP_mm = 5;

const isFinless = ({ mount }: Choices): boolean => (FINLESS.mount as readonly string[]).includes(mount);

/** Returns what a study compares, the opening as it is among them. Empty where nothing is planned. */
export function candidatesOf(subject: HeatSubject, study: StudyId): Candidate[] {
  const { build, choices } = subject;
  if (!build || !choices || !subject.unit) return [];
  switch (study) {
    case 'position':
      return positions(subject, build, choices);
    case 'buck':
      return byChoice(subject, choices, 'buck', ['none', 'lumber', 'foam-l', 'panel-frame']);
    case 'fill':
      return [
        ...byChoice(subject, choices, 'gapFill', ['foam', 'wool', 'loose-fibre', 'blocks']),
        ...empty(subject, build),
      ];
    case 'shims':
      return shims(subject, build);
    case 'pan':
      return pans(subject, choices);
    case 'frame':
      return frames(subject);
  }
}

const heatOf = (build: Build | null, job: JobContext): HeatInput | null => build && heatInput(build, job);

const fromOpening = (subject: HeatSubject, change: (opening: Opening) => Opening) => (): HeatInput | null =>
  heatOf(buildOpening(change(subject.opening), subject.job), subject.job);

const typed = (mm: number) => ({ typed: String(mm), mm });

function positions(subject: HeatSubject, build: Build, choices: Choices): Candidate[] {
  const { opening, unit } = build.context;
  const frame = unit.front - unit.back;
  const last = Math.max(0, opening.depth - frame);
  const step = Math.max(LEAST_STEP_mm, Math.ceil(last / POSITIONS / LEAST_STEP_mm) * LEAST_STEP_mm);
  const now = -unit.front;
  const places = Array.from({ length: Math.floor(last / step) + 1 }, (_, i) => i * step);
  const clips = isFinless(choices) ? {} : ({ choices: { ...subject.opening.choices, ...ON_CLIPS } } as const);
  const own = isFinless(choices) && now >= 0;
  const all = own && !places.includes(now) ? [...places, now].sort((a, b) => a - b) : places;
  return all.map((setback) => ({
    id: `${setback}`,
    setback_mm: setback,
    isNow: own && setback === now,
    set: own ? { numbers: { setback } } : null,
    cuts: cutIds,
    input: fromOpening(subject, (o) => ({
      ...o,
      ...clips,
      numbers: { ...o.numbers, setback: typed(setback) },
    })),
  }));
}

function byChoice<Axis extends 'buck' | 'gapFill' | 'pan'>(
  subject: HeatSubject,
  choices: Choices,
  axis: Axis,
  options: readonly Choices[Axis][],
): Candidate[] {
  return options.map((choice) => ({
    id: choice,
    setback_mm: null,
    isNow: choices[axis] === choice,
    set: { choose: { [axis]: choice } as Partial<Choices> },
    cuts: cutIds,
    input: fromOpening(subject, (o) => ({ ...o, choices: { ...o.choices, [axis]: choice } })),
  }));
}

/** A joint with nothing in it but its seals. */
function empty(subject: HeatSubject, build: Build): Candidate[] {
  const input = heatOf(subject.build, subject.job);
  const fill = pieceFor(build, 'fill');
  if (!input || !fill) return [];
  const without = withChanges(build, [{ kind: 'left-out', piece: fill.id }]);
  if (!without.ok) return [];
  const own = { ...input, build: without.value.build };
  return [{ id: 'empty', setback_mm: null, isNow: false, set: null, cuts: cutIds, input: () => own }];
}

/** A frame with fins, moved as if it had none. */
const ON_CLIPS = { mount: 'clips', outerJoint: 'precompressed' } as const;

/** Cut beside the shims, and through them where they are plastic, wood, or of the insulation's own kind. */
function shims(subject: HeatSubject, build: Build): Candidate[] {
  const input = heatOf(subject.build, subject.job);
  const under: Readonly<Record<CutId, PieceRole | null>> = {
    sill: 'sill-shims',
    left: 'jamb-shims',
    right: 'jamb-shims',
    head: null,
  };
  const solidOf = (cut: CutId): Solid | undefined => {
    const role = under[cut];
    const piece = role ? pieceFor(build, role) : undefined;
    if (piece?.form !== 'solid') return undefined;
    const middle = build.context.opening.width / 2;
    if (cut === 'sill') return piece.solids[0];
    return piece.solids.find(({ u }) => (cut === 'left' ? u[1] < middle : u[0] > middle));
  };
  const cuts = cutIds.filter((cut) => solidOf(cut) !== undefined);
  if (!input || cuts.length === 0) return [];
  const base = { setback_mm: null, set: null, cuts } as const;
  const through = (lambda: number | null) => () => ({
    ...input,
    through: solidOf,
    ...(lambda !== null && { instead: { shim: lambda, 'insulation-block': lambda } }),
  });
  return [
    { ...base, id: 'beside', isNow: true, input: () => input },
    { ...base, id: 'plastic', isNow: false, input: through(PLASTIC_WmK) },
    { ...base, id: 'wood', isNow: false, input: through(WOOD_WmK) },
    { ...base, id: 'foam-block', isNow: false, input: through(FOAM_BLOCK_WmK) },
  ];
}

/** ISO 10456 and handbooks of materials, from memory. */
const PLASTIC_WmK = 0.22;
const WOOD_WmK = 0.13;
const FOAM_BLOCK_WmK = 0.04;
const ALUMINIUM_WmK = 160;
const STAINLESS_WmK = 17;

/** Pans by what they are made of: bent ones of several metals and of plastic, and those too thin to count. */
function pans(subject: HeatSubject, choices: Choices): Candidate[] {
  const rigid = (id: string, lambda: number): Candidate => ({
    id,
    setback_mm: null,
    isNow: choices.pan === 'rigid' && lambda === SHEET_METAL_WmK,
    // What a pan is bent from cannot be set: only the metal that the wall is solved with can be taken over.
    set: lambda === SHEET_METAL_WmK ? { choose: { pan: 'rigid' } } : null,
    cuts: ['sill'],
    input: () => {
      const input = fromOpening(subject, (o) => ({ ...o, choices: { ...o.choices, pan: 'rigid' } }))();
      return input && { ...input, instead: { 'sheet-metal': lambda } };
    },
  });
  return [
    ...byChoice(subject, choices, 'pan', ['tape-and-patches', 'fluid', 'none']).map((c) => ({
      ...c,
      cuts: ['sill'] as const,
    })),
    rigid('plastic', PLASTIC_WmK),
    rigid('stainless', STAINLESS_WmK),
    rigid('steel', SHEET_METAL_WmK),
    rigid('aluminium', ALUMINIUM_WmK),
  ];
}

function frames(subject: HeatSubject): Candidate[] {
  const input = heatOf(subject.build, subject.job);
  const { unit } = subject;
  if (!input || !unit) return [];
  return (['vinyl', 'wood', 'clad-wood', 'fibreglass', 'aluminium'] as const).map((frameMaterial) => {
    const isNow = unit.frameMaterial === frameMaterial;
    const { frameU, uFactor, ...rest } = unit;
    // Another frame keeps the glass; the maker's figures speak of this one only.
    const other = { ...rest, frameMaterial, glassU: unitValues(unit).glassU };
    const own = isNow && (frameU !== undefined || uFactor !== undefined);
    return {
      id: frameMaterial,
      setback_mm: null,
      isNow,
      set: null,
      cuts: cutIds,
      input: () => ({ ...input, values: unitValues(own ? unit : other) }),
    };
  });
}

/** Solves one variant on its first grids. `null` where it leaves no opening to build in. */
export function variantOf(
  candidate: Candidate,
  like?: Partial<Record<CutId, SideFields>>,
): { variant: Variant; fields: Partial<Record<CutId, SideFields>> } | null {
  const input = candidate.input();
  if (!input) return null;
  const fields: Partial<Record<CutId, SideFields>> = {};
  const psiBySide: Partial<Record<CutId, number>> = {};
  let [coldest, sum, length] = [Infinity, 0, 0];
  for (const cut of candidate.cuts) {
    const solved = sketchSide(input, cut, like?.[cut]);
    if (!solved.ok) return null;
    const { side } = solved.value;
    fields[cut] = solved.value.fields;
    psiBySide[cut] = side.psi.value;
    coldest = Math.min(coldest, side.coldest?.temperature_C ?? Infinity);
    const own = sideLength(input.unit, cut);
    sum += side.psi.value * own;
    length += own;
  }
  const { id, setback_mm, isNow, set } = candidate;
  return {
    variant: { id, setback_mm, isNow, set, psi: sum / length, psiBySide, coldest_C: coldest },
    fields,
  };
}

/** Returns a study whole; the worker goes through the candidates itself, to show progress. */
export function studyOf(subject: HeatSubject, id: StudyId): Study {
  let like: Partial<Record<CutId, SideFields>> | undefined;
  const variants = candidatesOf(subject, id).flatMap((candidate) => {
    const solved = variantOf(candidate, like);
    like = solved?.fields ?? like;
    return solved ? [solved.variant] : [];
  });
  return summed(subject, id, variants);
}

export function summed(subject: HeatSubject, id: StudyId, variants: readonly Variant[]): Study {
  const asIfClips = id === 'position' && subject.choices !== null && !isFinless(subject.choices);
  return { id, variants, best: id === 'position' ? bestOf(variants) : null, asIfClips };
}

function bestOf(variants: readonly Variant[]): Study['best'] {
  const placed = variants.flatMap((v) => (v.setback_mm === null ? [] : [{ at: v.setback_mm, psi: v.psi }]));
  const best = placed.toSorted((a, b) => a.psi - b.psi)[0];
  if (!best) return null;
  const i = placed.indexOf(best);
  const near = ({ psi }: { psi: number }) => psi <= best.psi + PLATEAU_WmK;
  let [low, high] = [i, i];
  for (let next = placed[low - 1]; next && near(next); next = placed[low - 1]) low--;
  for (let next = placed[high + 1]; next && near(next); next = placed[high + 1]) high++;
  return { setback_mm: best.at, plateau_mm: [placed[low]?.at ?? best.at, placed[high]?.at ?? best.at] };
}
