/** How a unit opens, drawn over its frame: a sketch, for nobody knows the maker's profiles. */
import type { Unit } from '../documents/unit.ts';
import type { Point2 } from '../geometry/vector.ts';
import type { Build } from '../build/build.ts';
import { UNIT } from '../methods/names.ts';
import type { DrawItem } from './items.ts';

/** Width of a sash's own profile: common practice, no source. */
const SASH_mm = 45;

type Box = readonly [left: number, right: number, bottom: number, top: number];

const inset = ([l, r, b, t]: Box, by: number): Box => [l + by, r - by, b + by, t - by];
const outline = ([l, r, b, t]: Box): Point2[] => [
  [l, b],
  [r, b],
  [r, t],
  [l, t],
  [l, b],
];

/** The sashes in the light of a frame, by the way they open. */
function sashesOf({ operation }: Unit, light: Box): readonly Box[] {
  const [l, r, b, t] = light;
  switch (operation) {
    case 'fixed':
      return [];
    case 'sliding':
      return [
        [l, (l + r) / 2 + SASH_mm / 2, b, t],
        [(l + r) / 2 - SASH_mm / 2, r, b, t],
      ];
    case 'hung':
    case 'double-hung':
      return [
        [l, r, b, (b + t) / 2 + SASH_mm / 2],
        [l, r, (b + t) / 2 - SASH_mm / 2, t],
      ];
    case 'single-hung':
      return [[l, r, b, (b + t) / 2 + SASH_mm / 2]];
    default:
      return [light];
  }
}

/** Lines of the sashes on the face. @param to from the wall to the paper */
export const sashItems = ({ unit, context }: Build, to: (p: Point2) => Point2): DrawItem[] =>
  sashLines(unit, context.unit, to);

interface Frame {
  readonly left: number;
  readonly bottom: number;
  readonly width: number;
  readonly height: number;
  readonly frameFace: number;
}

/** The same of a unit that stands nowhere yet. */
export function sashLines(unit: Unit, frame: Frame, to: (p: Point2) => Point2): DrawItem[] {
  const { left, bottom, width, height, frameFace } = frame;
  const light: Box = [
    left + frameFace,
    left + width - frameFace,
    bottom + frameFace,
    bottom + height - frameFace,
  ];
  // A unit of joined frames opens in ways of its own, and a small one has no room for the sketch.
  if (
    (unit.mullions?.length ?? 0) > 0 ||
    light[1] - light[0] < 4 * SASH_mm ||
    light[3] - light[2] < 4 * SASH_mm
  )
    return [];
  return sashesOf(unit, light).flatMap((sash) =>
    [sash, inset(sash, SASH_mm)].map((box): DrawItem => ({
      kind: 'line',
      points: outline(box).map(to),
      stroke: 'thin',
      owner: UNIT,
    })),
  );
}
