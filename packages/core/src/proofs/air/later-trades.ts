/** Who comes later and may cut the line, and the small places along it that have to be looked at. */
import type { CutId } from '../../vocabulary/sides.ts';
import type { Build } from '../../build/build.ts';
import { ALTITUDE_WATCH_Pa, altitudeDifference } from '../../unit/altitude.ts';
import type { AirProof } from './proof.ts';

export const laterTrades = [
  'drywall',
  'plaster',
  'insulation',
  'cladding',
  'trim',
  'electrician',
  'blinds',
] as const;
export type LaterTrade = (typeof laterTrades)[number];

interface TradeRow {
  readonly trade: LaterTrade;
  /** Members of the line that it can reach. */
  readonly cuts: RegExp;
}

/** Common practice, no source. */
const ROWS: readonly TradeRow[] = [
  { trade: 'drywall', cuts: /^(seal-|membrane$|interior-membrane$|inner-|sheet-bead$)/ },
  { trade: 'plaster', cuts: /^(membrane$|seal-|inner-)/ },
  { trade: 'insulation', cuts: /^(interior-membrane|framing)$/ },
  {
    trade: 'cladding',
    cuts: /^(wrap|wall-face|course-|head-tape|jamb-tape|sill-tape|slit-tape|seam-tape|fin$|outer-seal)/,
  },
  { trade: 'trim', cuts: /^(fin$|head-tape|jamb-tape|seal-|inner-|membrane$)/ },
  { trade: 'electrician', cuts: /^(interior-membrane|drywall|plaster|sheathing)$/ },
  { trade: 'blinds', cuts: /^(seal-|membrane$|inner-|sheet-bead$)/ },
];

export interface TradeRisk {
  readonly trade: LaterTrade;
  /** What of the line it can reach. */
  readonly members: readonly string[];
  /** A strip lies over the edge that a drywall cutter runs along. */
  readonly guarded: boolean;
}

export function tradesThatMayCut({ sides }: AirProof, { context }: Build): TradeRisk[] {
  const line = [...new Set(sides.flatMap((side) => side.line ?? []))];
  const { choices } = context;
  const plastered = choices.airLayer === 'plaster' || choices.waterLayer === 'masonry';
  return ROWS.flatMap(({ trade, cuts }): TradeRisk[] => {
    if (trade === (plastered ? 'drywall' : 'plaster')) return [];
    const members = line.filter((thing) => cuts.test(thing));
    return members.length === 0
      ? []
      : [{ trade, members, guarded: trade === 'drywall' && choices.guard === 'strip' }];
  });
}

export const weakKinds = [
  'fin-corner',
  'tape-end',
  'membrane-lap',
  'band-corner',
  'block-cut-out',
  'bracket',
  'buck-corner',
  'glazing-tube',
] as const;
export type WeakKind = (typeof weakKinds)[number];

/** A kind of small place that the line runs through, and how many there are. */
export interface WeakPlaces {
  readonly kind: WeakKind;
  readonly member: string;
  readonly count: number;
  readonly sides: readonly CutId[];
}

const CORNERS = 4;

/** Returns the small places of the line: each is closed in the plan, and each is where lines leak. */
export function weakPlaces(
  proof: AirProof,
  { context, pieces }: Build,
  glazing: { readonly madeAt_m?: number | undefined; readonly site_m?: number | undefined } = {},
): WeakPlaces[] {
  const on = (test: (thing: string) => boolean) =>
    proof.sides.filter((side) => side.line?.some(test)).map((side) => side.side);
  const found: WeakPlaces[] = [];
  const add = (kind: WeakKind, member: string, count: number, sides: readonly CutId[]) => {
    if (count > 0 && sides.length > 0) found.push({ kind, member, count, sides });
  };
  const strips = on((thing) => thing.startsWith('seal-'));
  const fin = on((thing) => thing === 'fin');
  // Between two sides that both run over the same kind of thing lies one corner.
  const corners = (sides: readonly CutId[]) =>
    sides.length === CORNERS ? CORNERS : Math.max(0, sides.length - 1);
  add('fin-corner', 'fin', context.unit.finWidth > 0 ? corners(fin) : 0, fin);
  add('tape-end', 'seal-sill', corners(strips), strips);
  const membrane = on((thing) => thing === 'membrane');
  add('membrane-lap', 'membrane', membrane.length > 0 ? CORNERS + 1 : 0, membrane);
  const band = on((thing) => thing === 'inner-band');
  add('band-corner', 'inner-band', corners(band), band);
  const solidsOf = (id: string) => pieces.find((p) => p.id === id);
  const shims = solidsOf('sill-shims');
  const stays = context.choices.shims !== 'removed' && context.choices.shims !== 'none';
  add('block-cut-out', 'inner-band', stays && shims?.form === 'solid' ? shims.solids.length : 0, band);
  const brackets = solidsOf('brackets');
  add('bracket', 'membrane', brackets?.form === 'solid' ? brackets.solids.length : 0, membrane);
  const buck = on((thing) => thing.startsWith('buck-') && thing !== 'buck-beads');
  add('buck-corner', 'buck-sill', corners(buck), buck);
  // Glass from another altitude is equalised through a tube, which may run through the joint.
  const { madeAt_m, site_m } = glazing;
  const isEqualised =
    madeAt_m !== undefined &&
    site_m !== undefined &&
    Math.abs(altitudeDifference(madeAt_m, site_m)) > ALTITUDE_WATCH_Pa;
  const closed = proof.sides.filter((side) => side.line !== null).map((side) => side.side);
  add('glazing-tube', 'unit', isEqualised ? 1 : 0, closed);
  return found;
}
