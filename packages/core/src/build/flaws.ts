/** What was built otherwise than a piece is made: kept with the build, and asked for where bonds and ways out are. */
import type { Range } from '../geometry/solid.ts';
import type { Piece } from '../methods/pieces/piece.ts';
import type { Side } from '../vocabulary/sides.ts';
import type { Build, Flaw } from './build.ts';

export const flawsOf = ({ flaws = [] }: Build): readonly Flaw[] => flaws;

export const isSillClosed = (build: Build): boolean =>
  flawsOf(build).some(({ kind }) => kind === 'sill-closed');

/** Stretches over which the bond of a piece is open, along one axis, on one side of the opening. */
export const openAlong = (build: Build, piece: string, axis: 'u' | 'v', side: Side): readonly Range[] =>
  flawsOf(build).flatMap((flaw) =>
    flaw.kind === 'bond-open' && flaw.piece === piece && flaw.axis === axis && (flaw.side ?? side) === side
      ? [flaw.range]
      : [],
  );

/** Whether the bond of a piece is open at a place. */
export const isOpenAt = (
  build: Build,
  piece: string,
  at: { readonly u: number; readonly v: number; readonly side: Side },
): boolean =>
  flawsOf(build).some(
    (flaw) =>
      flaw.kind === 'bond-open' &&
      flaw.piece === piece &&
      (flaw.side ?? at.side) === at.side &&
      flaw.range[0] < at[flaw.axis] &&
      at[flaw.axis] < flaw.range[1],
  );

/** The side of the opening that something lies on, by the middle of where it is. */
export function sideOf({ context: { unit } }: Build, points: readonly (readonly number[])[]): Side {
  const middle = (axis: 0 | 1): number => {
    const all = points.map((p) => p[axis] ?? 0);
    return (Math.min(...all) + Math.max(...all)) / 2;
  };
  const [u, v] = [middle(0), middle(1)];
  if (v > unit.bottom + unit.height) return 'head';
  if (v < unit.bottom) return 'sill';
  return u < unit.left + unit.width / 2 ? 'left' : 'right';
}

/** A stretch of a piece from its left, or its lower, end as a stretch of the axis it runs along; `null` where it has none. */
export function stretchOf(
  piece: Piece,
  {
    from_mm,
    to_mm,
    side,
  }: { readonly from_mm: number; readonly to_mm: number; readonly side?: Side | undefined },
): { readonly axis: 'u' | 'v'; readonly range: Range } | null {
  const points =
    piece.form === 'sheet'
      ? piece.sheet.faces.flatMap(({ space }) => space)
      : piece.form === 'bead'
        ? piece.paths.flat()
        : [];
  if (points.length === 0) return null;
  const span = (axis: 0 | 1): Range => {
    const all = points.map((p) => p[axis]);
    return [Math.min(...all), Math.max(...all)];
  };
  const [u, v] = [span(0), span(1)];
  const level = side ? side === 'head' || side === 'sill' : u[1] - u[0] >= v[1] - v[0];
  const [low, high] = level ? u : v;
  const [from, to] = [low + from_mm, Math.min(low + to_mm, high)];
  return from >= to ? null : { axis: level ? 'u' : 'v', range: [from, to] };
}

/**
 * A stretch of `long_mm` round a place, from a piece's left, or its lower, end and on the side that the place lies at; `null`
 * where the piece runs along nothing.
 *
 * @param at (u, v), mm
 */
export function stretchAt(
  build: Build,
  id: string,
  at: readonly [number, number],
  long_mm: number,
): { readonly from_mm: number; readonly to_mm: number; readonly side: Side } | null {
  const piece = build.pieces.find((one) => one.id === id);
  const side = sideOf(build, [at]);
  const whole = piece && stretchOf(piece, { from_mm: 0, to_mm: 1e6, side });
  if (!whole) return null;
  const place = whole.axis === 'u' ? at[0] : at[1];
  const from_mm = Math.max(0, place - whole.range[0] - long_mm / 2);
  return { from_mm, to_mm: from_mm + long_mm, side };
}

const WHOLE: Range = [-1e6, 1e6];

/** What is left of stretches without others; without any of their own, everything. */
export function without(stretches: readonly Range[] | undefined, open: readonly Range[]): Range[] {
  return open.reduce<Range[]>(
    (left, [from, to]) =>
      left.flatMap(([a, b]): Range[] =>
        [[a, Math.min(b, from)] as const, [Math.max(a, to), b] as const].filter(([x, y]) => y > x),
      ),
    [...(stretches ?? [WHOLE])],
  );
}
