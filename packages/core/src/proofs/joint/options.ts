/** Every way to close the joint, held against the joint as it is: which work, which do not, and why. */
import type { Unit } from '../../documents/unit.ts';
import type { Side } from '../../vocabulary/sides.ts';
import { axes, type Choices } from '../../vocabulary/axes.ts';
import type { ParameterValues } from '../../vocabulary/parameters.ts';
import { bandFor, SLOW_BELOW_C, type BandSize } from './band.ts';
import { FOAM_MOVEMENT, foamLifts, LEAST_FOAM_mm, WIDEST_FOAM_mm } from './foam.ts';
import type { JointSeason } from './movement.ts';
import { LEAST_CONTACT_mm, sealantDepth, TWO_PASSES_mm, WIDEST_SEALANT_mm } from './sealant.ts';
import { rodFor, type RodKind } from '../../vocabulary/rods.ts';
import type { JointSide } from './sides.ts';
import { stripReach } from './strips.ts';

export type SealId = Choices['innerSeal'];
export type FillId = Choices['gapFill'];
export const sealIds = axes.innerSeal;
export const fillIds = axes.gapFill;

/** Facts for one sentence each; `no` rules the option out, `care` has to be seen to, `how` says what it comes to. */
export type JointReason =
  | {
      readonly weight: 'no';
      readonly code: 'too-narrow';
      readonly side: Side;
      readonly has_mm: number;
      readonly needs_mm: number;
    }
  | {
      readonly weight: 'no';
      readonly code: 'too-wide';
      readonly side: Side;
      readonly has_mm: number;
      readonly most_mm: number;
    }
  | {
      readonly weight: 'no';
      readonly code: 'moves-too-much';
      readonly side: Side;
      readonly has_mm: number;
      readonly needs_mm: number;
    }
  | {
      readonly weight: 'no';
      readonly code: 'no-size';
      readonly side: Side;
      readonly least_mm: number;
      readonly most_mm: number;
    }
  | { readonly weight: 'no'; readonly code: 'maker-forbids' | 'only-a-filter' }
  | { readonly weight: 'care'; readonly code: 'thin-contact'; readonly side: Side; readonly depth_mm: number }
  | { readonly weight: 'care'; readonly code: 'two-passes'; readonly side: Side; readonly has_mm: number }
  | { readonly weight: 'care'; readonly code: 'rod-off-range'; readonly sides: readonly Side[] }
  | { readonly weight: 'care'; readonly code: 'cold'; readonly at_C: number; readonly least_C: number }
  | { readonly weight: 'care'; readonly code: 'slow'; readonly at_C: number; readonly least_C: number }
  | { readonly weight: 'care'; readonly code: 'alone' | 'primer' | 'before-the-unit' }
  | { readonly weight: 'care'; readonly code: 'not-measured'; readonly sides: readonly Side[] }
  | {
      readonly weight: 'how';
      readonly code: 'rods';
      readonly kind: RodKind;
      readonly diameters_mm: readonly number[];
    }
  | { readonly weight: 'how'; readonly code: 'depth'; readonly least_mm: number; readonly most_mm: number }
  | {
      readonly weight: 'how';
      readonly code: 'sizes';
      readonly sizes: readonly (BandSize & { readonly side: Side })[];
    }
  | { readonly weight: 'how'; readonly code: 'cut-outs'; readonly count: number }
  | { readonly weight: 'how'; readonly code: 'brackets'; readonly count: number }
  | { readonly weight: 'how'; readonly code: 'lifts'; readonly count: number }
  | { readonly weight: 'how'; readonly code: 'reach'; readonly most_mm: number }
  | { readonly weight: 'how'; readonly code: 'laid' | 'crammed-is-a-filter' };

export interface OptionInput {
  readonly sides: readonly JointSide[];
  readonly unit: Unit;
  readonly choices: Choices;
  readonly numbers: ParameterValues;
  readonly season: JointSeason;
  readonly porous: boolean;
  /** Blocks that stay in the joint, brackets and clips that stand in it. */
  readonly blocks: number;
  readonly brackets: number;
  /** Coldest surface the strip may be worked on, °C. */
  readonly tapeLeast_C: number;
}

/** Usual coldest surface for a tape: common practice, no source. */
export const TAPE_LEAST_C = 5;

const narrow = (s: JointSide, needs_mm: number): JointReason[] =>
  s.least.mm < needs_mm - 1e-9
    ? [{ weight: 'no', code: 'too-narrow', side: s.side, has_mm: s.least.mm, needs_mm }]
    : [];
const wide = (s: JointSide, most_mm: number): JointReason[] =>
  s.most.mm > most_mm + 1e-9
    ? [{ weight: 'no', code: 'too-wide', side: s.side, has_mm: s.most.mm, most_mm }]
    : [];

/** Narrower no bead is got in at all, mm: common practice, no source. */
const LEAST_BEAD_mm = 3;

/** Whether a rod of either kind is kept that is larger by the usual share. */
const isStocked = (mm: number): boolean =>
  (['closed-cell', 'open-cell'] as const).some((kind) => rodFor(mm, kind)?.within);

function sealantOnRod({ sides, porous }: OptionInput): JointReason[] {
  const reasons = sides.flatMap((s): JointReason[] => {
    const { least, most, movement, side } = s;
    const found = [...narrow(s, LEAST_BEAD_mm), ...wide(s, WIDEST_SEALANT_mm)];
    if (found.length === 0 && least.mm < movement.least_mm - 1e-9)
      found.push({
        weight: 'no',
        code: 'moves-too-much',
        side,
        has_mm: least.mm,
        needs_mm: movement.least_mm,
      });
    const depth_mm = sealantDepth(least.mm);
    if (depth_mm < LEAST_CONTACT_mm) found.push({ weight: 'care', code: 'thin-contact', side, depth_mm });
    if (most.mm > TWO_PASSES_mm) found.push({ weight: 'care', code: 'two-passes', side, has_mm: most.mm });
    return found;
  });
  const off = sides.filter((s) => ![s.least.mm, s.most.mm].every(isStocked)).map((s) => s.side);
  if (off.length > 0) reasons.push({ weight: 'care', code: 'rod-off-range', sides: off });
  const widths = sides.flatMap((s) => [s.least.mm, s.most.mm]).filter((mm) => mm > 0);
  const depths = widths.map(sealantDepth);
  const rods = (kind: RodKind): JointReason => ({
    weight: 'how',
    code: 'rods',
    kind,
    diameters_mm: [...new Set(widths.flatMap((mm) => rodFor(mm, kind)?.diameter_mm ?? []))].sort(
      (a, b) => a - b,
    ),
  });
  if (porous) reasons.push({ weight: 'care', code: 'primer' });
  return [
    ...reasons,
    rods('closed-cell'),
    rods('open-cell'),
    { weight: 'how', code: 'depth', least_mm: Math.min(...depths), most_mm: Math.max(...depths) },
  ];
}

/** @param isSeal the sill's own joint may stay empty where foam only insulates */
function foam({ sides, unit }: OptionInput, isSeal: boolean): JointReason[] {
  const reasons = sides.flatMap((s): JointReason[] => {
    if (s.side === 'sill' && !isSeal) return wide(s, WIDEST_FOAM_mm);
    const found = [...narrow(s, LEAST_FOAM_mm), ...wide(s, WIDEST_FOAM_mm)];
    const moves = Math.max(s.movement.opens_mm, s.movement.closes_mm);
    if (isSeal && found.length === 0 && moves > FOAM_MOVEMENT * s.least.mm)
      found.push({
        weight: 'no',
        code: 'moves-too-much',
        side: s.side,
        has_mm: s.least.mm,
        needs_mm: moves / FOAM_MOVEMENT,
      });
    return found;
  });
  if (unit.limits?.foam === 'forbidden') reasons.unshift({ weight: 'no', code: 'maker-forbids' });
  if (isSeal) reasons.push({ weight: 'care', code: 'alone' });
  reasons.push({ weight: 'how', code: 'lifts', count: foamLifts(unit.frameDepth.mm / 2) });
  return reasons;
}

function band({ sides, season, blocks }: OptionInput): JointReason[] {
  const sized = sides.map(({ side, least, most, movement }) => {
    const [from, to] = [least.mm - movement.closes_mm, most.mm + movement.opens_mm];
    return { side, from, to, size: bandFor(from, to) };
  });
  const reasons: JointReason[] = sized
    .filter(({ size }) => !size)
    .map(({ side, from, to }) => ({ weight: 'no', code: 'no-size', side, least_mm: from, most_mm: to }));
  if (season.installed_C < SLOW_BELOW_C)
    reasons.push({ weight: 'care', code: 'slow', at_C: season.installed_C, least_C: SLOW_BELOW_C });
  const sizes = sized.flatMap(({ side, size }) => (size ? [{ side, ...size }] : []));
  if (sizes.length > 0) reasons.push({ weight: 'how', code: 'sizes', sizes });
  if (blocks > 0) reasons.push({ weight: 'how', code: 'cut-outs', count: blocks });
  return reasons;
}

function strip(input: OptionInput): JointReason[] {
  const { sides, numbers, season, tapeLeast_C, porous } = input;
  const most_mm = stripReach(numbers);
  const reasons = sides.flatMap((s) => wide(s, most_mm));
  if (season.installed_C < tapeLeast_C)
    reasons.push({ weight: 'care', code: 'cold', at_C: season.installed_C, least_C: tapeLeast_C });
  if (porous) reasons.push({ weight: 'care', code: 'primer' });
  reasons.push({ weight: 'how', code: 'reach', most_mm });
  return reasons;
}

const brackets = ({ brackets: count }: OptionInput): JointReason[] =>
  count > 0 ? [{ weight: 'how', code: 'brackets', count }] : [];

const sealReasons: Readonly<Record<SealId, (input: OptionInput) => JointReason[]>> = {
  'corner-tape': (input) => [...strip(input), ...brackets(input)],
  'sealant-rod': sealantOnRod,
  'foam-alone': (input) =>
    input.choices.gapFill === 'foam' ? foam(input, true) : [{ weight: 'no', code: 'only-a-filter' }],
  membrane: (input) => [...strip(input), { weight: 'care', code: 'before-the-unit' }, ...brackets(input)],
  precompressed: band,
  'sheet-acoustic': (input) => [...strip({ ...input, porous: false }), ...brackets(input)],
};

const fillReasons: Readonly<Record<FillId, (input: OptionInput) => JointReason[]>> = {
  foam: (input) => foam(input, false),
  wool: () => [{ weight: 'how', code: 'laid' }],
  'loose-fibre': () => [{ weight: 'how', code: 'crammed-is-a-filter' }],
  blocks: () => [{ weight: 'how', code: 'laid' }],
};

/** Joints that nobody measured are said first: what is built on them is not proven. */
function unmeasured(sides: readonly JointSide[]): JointReason[] {
  const open = sides.filter((s) => !s.measured).map((s) => s.side);
  return open.length > 0 ? [{ weight: 'care', code: 'not-measured', sides: open }] : [];
}

export const reasonsForSeal = (id: SealId, input: OptionInput): JointReason[] => [
  ...unmeasured(input.sides),
  ...sealReasons[id](input),
];
export const reasonsForFill = (id: FillId, input: OptionInput): JointReason[] => fillReasons[id](input);
