/** Flashing that lies on the reveals: the one-piece stretched pan, the jambs to full depth, the head. */
import { foldSheet, type Fan } from '../../geometry/sheet.ts';
import { rectangle } from '../../geometry/polygon.ts';
import { radians, type Point2 } from '../../geometry/vector.ts';
import { sillHeight, type PieceContext } from './context.ts';
import type { SheetPiece } from './piece.ts';

/** Tape on each side of a stretched corner that gives way: the creped middle of a hand's breadth. */
const FAN_ZONE_mm = 50;

/**
 * One strip along the sill and up both jambs, its outer part folded down the face. The upturns are the strip's
 * own straight run, so on a sloped sill they lean outward by the slope. The two outer corners are stretched.
 */
export function stretchPan(id: string, { opening, numbers }: PieceContext): SheetPiece {
  const { width: W, depth, surfaces } = opening;
  const { panLap: lap, panUpturn: up, slope } = numbers;
  const deep = (depth - numbers.panInset) / Math.cos(radians(slope));
  const drift = up * Math.tan(radians(slope));
  const across = [0, deep] as const;
  const sheet = foldSheet(
    { id, material: 'stretch-flashing', fans: [fan(0, 1, numbers), fan(W, -1, numbers)] },
    { at: [0, 0], along: [1, 0] },
    [
      { id: 'sill', surface: surfaces['sill-reveal'], flat: rectangle([0, W], across) },
      { id: 'face', surface: surfaces.wall, flat: rectangle([0, W], [-lap, 0]), from: 'sill' },
      {
        id: 'left-upturn',
        surface: surfaces['left-reveal'],
        flat: [
          [0, 0],
          [0, deep],
          [-up, deep],
          [-up, drift],
        ],
        from: 'sill',
      },
      {
        id: 'left-face',
        surface: surfaces.wall,
        flat: [
          [0, 0],
          [-up, drift],
          [-up, -lap],
          [0, -lap],
        ],
        from: 'left-upturn',
      },
      {
        id: 'right-upturn',
        surface: surfaces['right-reveal'],
        flat: [
          [W, 0],
          [W, deep],
          [W + up, deep],
          [W + up, drift],
        ],
        from: 'sill',
      },
      {
        id: 'right-face',
        surface: surfaces.wall,
        flat: [
          [W, 0],
          [W + up, drift],
          [W + up, -lap],
          [W, -lap],
        ],
        from: 'right-upturn',
      },
    ],
  );
  return { form: 'sheet', id, stock: 'worked', sheet };
}

/** The quarter of the face below an outer corner that only stretched tape covers. */
function fan(u: number, towards: 1 | -1, { panLap: r, slope, boardFront }: PieceContext['numbers']): Fan {
  const angle_deg = 90 - slope;
  const corner: Point2 = [u, boardFront];
  const rim = Array.from({ length: 9 }, (_, i): Point2 => {
    const a = radians((angle_deg * i) / 8);
    return [corner[0] - towards * r * Math.sin(a), corner[1] - r * Math.cos(a)];
  });
  const arc_mm = r * radians(angle_deg);
  return {
    surface: 'wall',
    corner,
    radius_mm: r,
    angle_deg,
    placed: [corner, ...rim],
    stretch: (2 * FAN_ZONE_mm + arc_mm) / (2 * FAN_ZONE_mm),
  };
}

/** Jamb flashing from the sill to the head over the full depth, a leg on the face that runs on above the head. */
export function jambFlashing(
  id: string,
  side: 'left' | 'right',
  { opening, numbers }: PieceContext,
): SheetPiece {
  const { height, depth, surfaces } = opening;
  const bottom = sillHeight(numbers, depth);
  const length = height - bottom;
  const above = length + numbers.jambAboveHead;
  const out = side === 'left' ? 1 : -1;
  const leg = out * numbers.jambFaceLeg;
  const deep = -out * depth;
  const sheet = foldSheet(
    {
      id,
      material: 'flashing-tape',
      slits: [
        [
          [length, 0],
          [above, 0],
        ],
      ],
    },
    { at: [bottom, 0], along: [1, 0] },
    [
      {
        id: 'reveal',
        surface: surfaces[`${side}-reveal`],
        flat: [
          [0, 0],
          [length, 0],
          [length, deep],
          [0, deep],
        ],
      },
      {
        id: 'face',
        surface: surfaces.wall,
        flat: [
          [0, 0],
          [length, 0],
          [above, 0],
          [above, leg],
          [0, leg],
        ],
        from: 'reveal',
      },
      {
        id: 'head-tab',
        surface: surfaces['head-reveal'],
        flat: [
          [length, 0],
          [above, 0],
          [above, deep],
          [length, deep],
        ],
        from: 'reveal',
      },
    ],
  );
  return { form: 'sheet', id, stock: 'worked', sheet };
}

/** Head flashing over the jamb pieces: ends turned down the jambs, leg turned out over their legs. */
export function headFlashing(id: string, { opening, numbers }: PieceContext): SheetPiece {
  const { width: W, depth, surfaces } = opening;
  const { headPast: past, jambFaceLeg: leg } = numbers;
  const reveal = [-depth, 0] as const;
  const sheet = foldSheet(
    {
      id,
      material: 'flashing-tape',
      slits: [
        [
          [-past, 0],
          [0, 0],
        ],
        [
          [W, 0],
          [W + past, 0],
        ],
      ],
    },
    { at: [0, 0], along: [1, 0] },
    [
      { id: 'reveal', surface: surfaces['head-reveal'], flat: rectangle([0, W], reveal) },
      {
        id: 'face',
        surface: surfaces.wall,
        flat: [
          [-past, 0],
          [0, 0],
          [W, 0],
          [W + past, 0],
          [W + past, leg],
          [-past, leg],
        ],
        from: 'reveal',
      },
      {
        id: 'left-tab',
        surface: surfaces['left-reveal'],
        flat: rectangle([-past, 0], reveal),
        from: 'reveal',
      },
      {
        id: 'right-tab',
        surface: surfaces['right-reveal'],
        flat: rectangle([W, W + past], reveal),
        from: 'reveal',
      },
    ],
  );
  return { form: 'sheet', id, stock: 'worked', sheet };
}
