/** Ends of strips and the unit itself as points to be dragged: each moves one number of the method. */
import { bounds } from '../geometry/polygon.ts';
import type { Point2 } from '../geometry/vector.ts';
import { stripEnds } from '../methods/strip-ends.ts';
import { UNIT } from '../methods/names.ts';
import type { ParameterId } from '../vocabulary/parameters.ts';
import type { PieceEdge } from '../vocabulary/piece-edges.ts';
import type { Build } from '../build/build.ts';
import type { Layer } from '../build/scene.ts';

export interface Handle {
  readonly parameter: ParameterId;
  /** The piece whose end it is. */
  readonly piece: string;
  /** On paper, pixels. */
  readonly at: Point2;
  /** Which way on paper the number grows. */
  readonly grows: Point2;
}

const GROWS: Readonly<Record<PieceEdge, Point2>> = {
  top: [0, 1],
  bottom: [0, -1],
  left: [-1, 0],
  right: [1, 0],
};

/** @param to from (u, v) to paper; handles outside the paper are left out */
export function faceHandles(layers: readonly Layer[], to: (p: Point2) => Point2): Handle[] {
  return stripEnds.flatMap(([piece, edge, parameter]): Handle[] => {
    const points = layers.flatMap((l) =>
      l.kind === 'face' && l.thing === piece && l.face.surface === 'wall' && !l.lifted ? l.face.placed : [],
    );
    if (points.length === 0) return [];
    const { x, y } = bounds(points);
    const middle: Point2 = [(x[0] + x[1]) / 2, (y[0] + y[1]) / 2];
    const at: Record<PieceEdge, Point2> = {
      top: [middle[0], y[1]],
      bottom: [middle[0], y[0]],
      left: [x[0], middle[1]],
      right: [x[1], middle[1]],
    };
    return [{ parameter, piece, at: to(at[edge]), grows: onPaper(GROWS[edge], to) }];
  });
}

/** The frame in a cut, where nothing but a number says how deep it stands. */
export function unitHandle({ context }: Build, across: number, to: (p: Point2) => Point2): Handle[] {
  const { unit } = context;
  if (unit.finWidth > 0 || context.choices.mount === 'pocket') return [];
  const middle = (unit.front + unit.back) / 2;
  return [{ parameter: 'setback', piece: UNIT, at: to([middle, across]), grows: onPaper([-1, 0], to) }];
}

/** A direction of the wall as a direction on paper. */
function onPaper(direction: Point2, to: (p: Point2) => Point2): Point2 {
  const [from, there] = [to([0, 0]), to(direction)];
  const length = Math.hypot(there[0] - from[0], there[1] - from[1]);
  return [(there[0] - from[0]) / length, (there[1] - from[1]) / length];
}

/** A dragged figure on the grid that is used on site: 5 mm, or an eighth of an inch. */
export function snapped(
  mm: number,
  o: { units: 'mm' | 'in'; fine: boolean; least: number; most: number },
): number {
  const grid = o.units === 'in' ? (o.fine ? 25.4 / 16 : 25.4 / 8) : o.fine ? 1 : 5;
  const held = Math.min(Math.max(Math.round(mm / grid) * grid, o.least), o.most);
  return Math.round(held * 100) / 100;
}
