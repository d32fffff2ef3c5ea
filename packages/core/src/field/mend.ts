/** How a fault is mended once something lies over it: what is taken off, uppermost first, and laid again in order. */
import { contains, intersection } from '../geometry/polygon.ts';
import type { Solid } from '../geometry/solid.ts';
import type { Point2, Point3 } from '../geometry/vector.ts';
import type { Build } from '../build/build.ts';
import { pieceNamed, plays } from '../build/by-role.ts';
import { BODY, faceKey, replay, thingsOf, type WallState } from '../build/replay.ts';
import type { Piece } from '../methods/pieces/piece.ts';
import { isReveal } from '../vocabulary/surfaces.ts';

export interface Mend {
  /** Pieces to take off, uppermost first. */
  readonly open: readonly string[];
  /** Pieces to lay again, lowest first: the mended one, then what was taken off. */
  readonly lay: readonly string[];
}

/**
 * Returns what has to be opened to get at a piece in the wall as it stands, and laid again after it.
 *
 * What lies over an opened piece is opened too; of the mended one only what lies over the place, where that is known. What is
 * in the reveal behind the unit is reached with the unit out.
 *
 * @param done how many steps of the build are done
 */
export function mendOf(build: Build, piece: string, done: number, at?: Point2): Mend {
  const ids = new Set(build.steps.slice(0, done).map(({ id }) => id));
  const state = replay(
    thingsOf(build.pieces),
    build.events.filter(({ step }) => ids.has(step)),
  );
  const found = new Map<string, number>();
  const queue = [piece];
  for (let next = queue.pop(); next !== undefined; next = queue.pop())
    for (const [over, order] of liesOver(build, state, next, next === piece ? at : undefined))
      if (over !== piece && !found.has(over)) {
        found.set(over, order);
        queue.push(over);
      }
  const open = [...found].sort((a, b) => b[1] - a[1]).map(([id]) => id);
  return { open, lay: [piece, ...open.toReversed()] };
}

function liesOver(
  build: Build,
  { faces }: Pick<WallState, 'faces'>,
  id: string,
  at?: Point2,
): [string, number][] {
  const piece = pieceNamed(build, id);
  if (!piece) return [];
  if (piece.form !== 'sheet') return liesAgainst(build, { faces }, piece);
  const over: [string, number][] = [];
  // A place that was pressed beside the piece says nothing of where on it.
  const isOn =
    at && piece.sheet.faces.some(({ surface, placed }) => surface === 'wall' && contains(placed, at));
  const place = isOn ? at : undefined;
  for (const own of piece.sheet.faces) {
    const now = faces.get(faceKey(id, own.id));
    if (now?.state !== 'in place' || (place && own.surface === 'wall' && !contains(own.placed, place)))
      continue;
    for (const other of build.pieces) {
      if (other.id === id) continue;
      const body = faces.get(faceKey(other.id, 'body'));
      if (other.form !== 'sheet') {
        const hides = plays(build, other.id, 'unit') && isReveal(own.surface);
        if (hides && body?.state === 'in place' && body.order > now.order) over.push([other.id, body.order]);
        continue;
      }
      for (const face of other.sheet.faces) {
        const lies = faces.get(faceKey(other.id, face.id));
        if (lies?.state !== 'in place' || lies.order < now.order || face.surface !== own.surface) continue;
        if (place && own.surface === 'wall' && !contains(face.placed, place)) continue;
        if (intersection(face.placed, own.placed).length > 0) over.push([other.id, lies.order]);
      }
    }
  }
  return over;
}

/** What was laid after a solid thing and touches it: it has to come off first. */
function liesAgainst(build: Build, { faces }: Pick<WallState, 'faces'>, piece: Piece): [string, number][] {
  const own = faces.get(faceKey(piece.id, BODY));
  if (own?.state !== 'in place') return [];
  const box = boxOf(pointsOf(piece));
  return build.pieces.flatMap((other): [string, number][] => {
    if (other.id === piece.id) return [];
    const keys = other.form === 'sheet' ? other.sheet.faces.map((face) => face.id) : [BODY];
    const orders = keys.flatMap((key) => {
      const lies = faces.get(faceKey(other.id, key));
      return lies?.state === 'in place' && lies.order > own.order ? [lies.order] : [];
    });
    return orders.length > 0 && touch(box, boxOf(pointsOf(other))) ? [[other.id, Math.max(...orders)]] : [];
  });
}

/** Nearer than this they touch, mm. */
const TOUCH_mm = 3;
type Box = readonly (readonly [number, number])[];

const cornersOf = ({ u, profile }: Solid): Point3[] =>
  u.flatMap((at) => profile.map(([w, v]): Point3 => [at, v, w]));
const pointsOf = (piece: Piece): readonly Point3[] => {
  if (piece.form === 'sheet') return piece.sheet.faces.flatMap(({ space }) => space);
  return piece.form === 'bead' ? piece.paths.flat() : piece.solids.flatMap(cornersOf);
};
const boxOf = (points: readonly Point3[]): Box =>
  ([0, 1, 2] as const).map((axis) => {
    const all = points.map((p) => p[axis]);
    return [Math.min(...all), Math.max(...all)];
  });
const touch = (a: Box, b: Box): boolean =>
  a.every(([from, to], axis) => {
    const [low, high] = b[axis] ?? [Infinity, -Infinity];
    return from - TOUCH_mm < high && low - TOUCH_mm < to;
  });
