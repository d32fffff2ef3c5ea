/** Who comes later and may cut the line, and the small places along it that have to be looked at. */
import type { CutId } from '../../vocabulary/sides.ts';
import type { Build } from '../../build/build.ts';
import { ALTITUDE_WATCH_Pa, altitudeDifference } from '../../unit/altitude.ts';
import { pieceFor, plays } from '../../build/by-role.ts';
import type { PieceRole } from '../../vocabulary/roles.ts';
import { FRAME, type RoomLayer } from './layers.ts';
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
  /** Pieces of the line that it can reach, by what they do; and layers of the wall, by name. */
  readonly reaches: readonly PieceRole[];
  readonly layers?: readonly (RoomLayer | 'framing' | 'sheathing')[];
}

const INNER = ['inner-seal', 'inner-rod'] as const;

/** Common practice, no source. */
const ROWS: readonly TradeRow[] = [
  { trade: 'drywall', reaches: [...INNER, 'reveal-bead'], layers: ['interior-membrane'] },
  { trade: 'plaster', reaches: INNER },
  { trade: 'insulation', reaches: [], layers: ['interior-membrane', 'framing'] },
  { trade: 'cladding', reaches: ['wall-layer', 'face-strip', 'fin', 'outer-seal'] },
  { trade: 'trim', reaches: ['fin', 'head-tape', 'second-head-tape', 'jamb-tape', ...INNER] },
  { trade: 'electrician', reaches: [], layers: ['interior-membrane', 'drywall', 'plaster', 'sheathing'] },
  { trade: 'blinds', reaches: [...INNER, 'reveal-bead'] },
];

export interface TradeRisk {
  readonly trade: LaterTrade;
  /** What of the line it can reach. */
  readonly members: readonly string[];
  /** A strip lies over the edge that a drywall cutter runs along. */
  readonly guarded: boolean;
}

export function tradesThatMayCut({ sides }: AirProof, build: Build): TradeRisk[] {
  const line = [...new Set(sides.flatMap((side) => side.line ?? []))];
  const { choices } = build.context;
  const plastered = choices.airLayer === 'plaster' || choices.waterLayer === 'masonry';
  return ROWS.flatMap(({ trade, reaches, layers = [] }): TradeRisk[] => {
    if (trade === (plastered ? 'drywall' : 'plaster')) return [];
    const members = line.filter(
      (thing) => reaches.some((role) => plays(build, thing, role)) || layers.some((layer) => layer === thing),
    );
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
  build: Build,
  glazing: { readonly madeAt_m?: number | undefined; readonly site_m?: number | undefined } = {},
): WeakPlaces[] {
  const { context } = build;
  /** Sides whose line runs over a piece that plays a role, and that piece. */
  const on = (role: PieceRole) => {
    const member = pieceFor(build, role)?.id ?? '';
    const sides = proof.sides.filter((side) => side.line?.some((thing) => plays(build, thing, role)));
    return { member, sides: sides.map((side) => side.side) };
  };
  const found: WeakPlaces[] = [];
  const add = (
    kind: WeakKind,
    { member, sides }: { readonly member: string; readonly sides: readonly CutId[] },
    count: number,
  ) => {
    if (count > 0 && sides.length > 0) found.push({ kind, member, count, sides });
  };
  // Between two sides that both run over the same kind of thing lies one corner.
  const corners = ({ sides }: { readonly sides: readonly CutId[] }) =>
    sides.length === CORNERS ? CORNERS : Math.max(0, sides.length - 1);
  const placesOf = (role: PieceRole): number => {
    const piece = pieceFor(build, role);
    return piece?.form === 'solid' ? piece.solids.length : 0;
  };
  const [fin, strips, membrane] = [on('fin'), on('inner-strip'), on('frame-membrane')];
  const [band, buck] = [on('inner-band'), on('buck')];
  const stays = context.choices.shims !== 'removed' && context.choices.shims !== 'none';
  add('fin-corner', fin, context.unit.finWidth > 0 ? corners(fin) : 0);
  add('tape-end', strips, corners(strips));
  add('membrane-lap', membrane, membrane.sides.length > 0 ? CORNERS + 1 : 0);
  add('band-corner', band, corners(band));
  add('block-cut-out', band, stays ? placesOf('sill-shims') : 0);
  add('bracket', membrane, placesOf('bracket'));
  add('buck-corner', buck, corners(buck));
  // Glass from another altitude is equalised through a tube, which may run through the joint.
  const { madeAt_m, site_m } = glazing;
  const isEqualised =
    madeAt_m !== undefined &&
    site_m !== undefined &&
    Math.abs(altitudeDifference(madeAt_m, site_m)) > ALTITUDE_WATCH_Pa;
  const closed = proof.sides.filter((side) => side.line !== null).map((side) => side.side);
  add('glazing-tube', { member: FRAME, sides: closed }, isEqualised ? 1 : 0);
  return found;
}
