/** Strips on the face: one that lies the wrong way over another, one that ends too soon, one that nobody rolled. */
import { kindOf } from '../../../build/by-role.ts';
import { stackAt } from '../../../build/stack.ts';
import { stripEnds } from '../../../methods/strip-ends.ts';
import { intersection, contains, bounds, rectangle, area, type Polygon } from '../../../geometry/polygon.ts';
import type { Point2 } from '../../../geometry/vector.ts';
import type { DrawItem } from '../../../drawing/items.ts';
import { proveWater } from '../../../proofs/water/proof.ts';
import { sheetMaterials } from '../../../vocabulary/materials.ts';
import type { Dice } from '../../dice.ts';
import { byLevel } from '../../make.ts';
import type { Extra } from '../../wall-views.ts';
import { type Plant, flat, onWall, placedAfter, isWetter, changedBy } from './planted.ts';

export const reverseLap: Plant = (wall, _level, dice) => {
  const { build } = wall;
  const laps = proveWater(build, wall.exposed).laps.filter(
    ({ pair, fault }) => pair.plane === 'wall' && fault === null,
  );
  for (const { pair } of dice.shuffled(laps)) {
    const [upper, lower] = [pair.upper[0], pair.lower[0]];
    const laid = (id: string) => build.steps[placedAfter(build, id) - 1]?.id;
    const [step, before] = [laid(upper), laid(lower)];
    if (step === undefined || before === undefined || step === before) continue;
    const changed = changedBy(wall, { kind: 'moved', step, before });
    if (!changed) continue;
    const rings = onWall(build, upper)
      .flatMap((a) => onWall(build, lower).map((b) => intersection(a, b)))
      .filter((ring) => ring.length > 2 && Math.abs(area(ring)) > LEAST_SEEN_mm2);
    const [ring] = rings;
    if (!ring) continue;
    const { x, y } = bounds([...ring]);
    const middle: Point2 = [(x[0] + x[1]) / 2, (y[0] + y[1]) / 2];
    const count = Math.max(placedAfter(changed.build, upper), placedAfter(changed.build, lower));
    const seen = stackAt(changed.build, 'wall', middle, count).at(-1)?.thing;
    const should = stackAt(
      build,
      'wall',
      middle,
      Math.max(placedAfter(build, upper), placedAfter(build, lower)),
    ).at(-1);
    if (seen !== lower || should?.thing !== upper || !isWetter(wall, changed)) continue;
    return {
      fault: 'reverse-lap',
      drawn: changed.build,
      traced: changed,
      view: 'face',
      step: count,
      parts: [kindOf(build, upper), kindOf(build, lower)],
      rings: rings.map(flat),
      piece: lower,
      other: upper,
      mm: null,
    };
  }
  return null;
};

const LEAST_SEEN_mm2 = 300;

/** How much of a strip's end is missing, by level, mm. */
const SHORT_mm = [160, 120, 90, 70, 55] as const;

export const short: Plant = (wall, level, dice) => {
  const { build } = wall;
  const mm = byLevel(level, SHORT_mm);
  for (const [piece, edge] of dice.shuffled(stripEnds)) {
    const before = onWall(build, piece);
    if (before.length === 0) continue;
    const changed = changedBy(wall, { kind: 'short', piece, edge, mm });
    if (!changed) continue;
    const { x, y } = bounds(before.flat());
    const long = edge === 'left' || edge === 'right' ? x[1] - x[0] : y[1] - y[0];
    // An end, and not the side of a strip: that would be another width.
    if (long < 3 * mm || long < Math.max(x[1] - x[0], y[1] - y[0]) - 1) continue;
    if (!isWetter(wall, changed)) continue;
    const band: Record<typeof edge, Polygon> = {
      left: rectangle([x[0], x[0] + mm], y),
      right: rectangle([x[1] - mm, x[1]], y),
      top: rectangle(x, [y[1] - mm, y[1]]),
      bottom: rectangle(x, [y[0], y[0] + mm]),
    };
    return {
      fault: 'short',
      drawn: changed.build,
      traced: changed,
      view: 'face',
      step: placedAfter(changed.build, piece),
      parts: [kindOf(build, piece)],
      rings: [flat(band[edge])],
      piece,
      other: null,
      mm,
    };
  }
  return null;
};

/** Blisters of a strip that nobody rolled: rings strewn over it, the same for the same seed. */
function blisters(rings: readonly Polygon[], seed: Dice): Extra {
  const places = rings.flatMap((ring) => {
    const { x, y } = bounds([...ring]);
    const many = Math.max(3, Math.round(((x[1] - x[0]) * (y[1] - y[0])) / 9000));
    return Array.from({ length: many }, (): Point2 => [
      x[0] + seed() * (x[1] - x[0]),
      y[0] + seed() * (y[1] - y[0]),
    ]).filter((point) => contains(ring, point));
  });
  const wide = places.map(() => 12 + seed() * 16);
  return ({ place, scale }): DrawItem[] =>
    place
      ? places.map((at, i) => {
          const [cx, cy] = place([at[0], at[1], 0]);
          const r = Math.max(3, ((wide[i] ?? 12) * scale) / 2);
          return {
            kind: 'line',
            points: Array.from({ length: 13 }, (_, k): Point2 => {
              const turn = (k / 12) * 2 * Math.PI;
              return [cx + Math.cos(turn) * r, cy + Math.sin(turn) * r * 0.7];
            }),
            stroke: 'thin',
            owner: '',
          };
        })
      : [];
}

export const notRolled: Plant = (wall, _level, dice) => {
  const { build } = wall;
  const strips = build.pieces.filter(
    (piece) =>
      piece.form === 'sheet' &&
      piece.stock === 'worked' &&
      piece.film_mm === undefined &&
      sheetMaterials[piece.sheet.material].bond === 'self-adhesive' &&
      onWall(build, piece.id).some((ring) => Math.abs(area(ring)) > 8000),
  );
  for (const { id } of dice.shuffled(strips)) {
    const traced = changedBy(wall, { kind: 'bond-lost', piece: id });
    if (!traced || !isWetter(wall, traced)) continue;
    const rings = onWall(build, id);
    return {
      fault: 'not-rolled',
      drawn: build,
      traced,
      view: 'face',
      step: placedAfter(build, id),
      extra: blisters(rings, dice),
      parts: [kindOf(build, id)],
      rings: rings.map(flat),
      piece: id,
      other: null,
      mm: null,
    };
  }
  return null;
};
