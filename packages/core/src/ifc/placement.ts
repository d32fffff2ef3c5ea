/** Where things stand in a building model: frames within frames. Source: ISO 16739-1:2018, IfcLocalPlacement, IfcAxis2Placement3D, from memory. */
import { cross3, dot3, scale3, sub3, type Point3 } from '../geometry/vector.ts';
import { lineIn, numbersIn, type IfcLine, type IfcLines } from './lines.ts';

export type Vec = Point3;

/** Three axes of length 1 and an origin, in the frame above. */
export interface Frame {
  readonly x: Vec;
  readonly y: Vec;
  readonly z: Vec;
  readonly origin: Vec;
}

export const WORLD: Frame = { x: [1, 0, 0], y: [0, 1, 0], z: [0, 0, 1], origin: [0, 0, 0] };

const length = (a: Vec): number => Math.sqrt(dot3(a, a));
const unit = (a: Vec, or: Vec): Vec => (length(a) > 1e-12 ? scale3(a, 1 / length(a)) : or);

/** A direction of a frame, in the frame above. */
export const turned = ({ x, y, z }: Frame, v: Vec): Vec => [
  x[0] * v[0] + y[0] * v[1] + z[0] * v[2],
  x[1] * v[0] + y[1] * v[1] + z[1] * v[2],
  x[2] * v[0] + y[2] * v[1] + z[2] * v[2],
];

/** A point of a frame, in the frame above. */
export const placed = (frame: Frame, v: Vec): Vec => {
  const [a, b, c] = turned(frame, v);
  return [a + frame.origin[0], b + frame.origin[1], c + frame.origin[2]];
};

export const inside = (outer: Frame, inner: Frame): Frame => ({
  x: turned(outer, inner.x),
  y: turned(outer, inner.y),
  z: turned(outer, inner.z),
  origin: placed(outer, inner.origin),
});

const vec = (numbers: readonly number[]): Vec => [numbers[0] ?? 0, numbers[1] ?? 0, numbers[2] ?? 0];

const directionIn = (lines: IfcLines, line: IfcLine, name: string): Vec | null => {
  const found = lineIn(lines, line, name);
  return found ? vec(numbersIn(found, 'DirectionRatios')) : null;
};

/** The frame of an axis placement, in space or in the plane. */
export function axisFrame(lines: IfcLines, line: IfcLine | null): Frame {
  if (!line) return WORLD;
  const at = lineIn(lines, line, 'Location');
  const origin = at ? vec(numbersIn(at, 'Coordinates')) : WORLD.origin;
  if (line.type === 'IFCAXIS2PLACEMENT2D') {
    const [a, b] = unit(directionIn(lines, line, 'RefDirection') ?? WORLD.x, WORLD.x);
    return { x: [a, b, 0], y: [-b, a, 0], z: WORLD.z, origin };
  }
  const z = unit(directionIn(lines, line, 'Axis') ?? WORLD.z, WORLD.z);
  const asked = directionIn(lines, line, 'RefDirection') ?? (Math.abs(z[0]) > 0.999 ? WORLD.z : WORLD.x);
  // What is asked for need not stand upright on the axis.
  const x = unit(sub3(asked, scale3(z, dot3(asked, z))), WORLD.x);
  return { x, y: cross3(z, x), z, origin };
}

/** Frames within frames end somewhere, in a sound file. */
const DEEPEST = 100;

/** Where a product stands in the world; `null` where its placement goes round in a circle. */
export function worldFrame(lines: IfcLines, product: IfcLine): Frame | null {
  let placement = lineIn(lines, product, 'ObjectPlacement');
  let frame = WORLD;
  for (let deep = 0; placement; deep++) {
    if (deep > DEEPEST) return null;
    frame = inside(axisFrame(lines, lineIn(lines, placement, 'RelativePlacement')), frame);
    placement = lineIn(lines, placement, 'PlacementRelTo');
  }
  return frame;
}
