/** Flashing that lies on the reveals: pans of every kind, the jambs to full depth, the head. */
import { foldSheet, type Fan, type FaceSpec, type SheetSpec } from '../../geometry/sheet.ts';
import { rectangle } from '../../geometry/polygon.ts';
import { radians, type Point2 } from '../../geometry/vector.ts';
import type { SheetMaterialId } from '../../vocabulary/materials.ts';
import { sillHeight, type PieceContext } from './context.ts';
import { worked, type SheetPiece } from './piece.ts';

/** Tape on each side of a stretched corner that gives way: the creped middle of a hand's breadth. */
const FAN_ZONE_mm = 50;

/** Depth of a pan along the slope of the sill. */
const panDepth = ({ opening, numbers }: PieceContext): number =>
  (opening.depth - numbers.panInset) / Math.cos(radians(numbers.slope));

/**
 * One strip along the sill and up both jambs, its outer part folded down the face. The upturns are the strip's
 * own straight run, so on a sloped sill they lean outward by the slope.
 */
function strip(context: PieceContext): FaceSpec[] {
  const { width: W, surfaces } = context.opening;
  const { panLap: lap, panUpturn: up, slope } = context.numbers;
  const deep = panDepth(context);
  const drift = up * Math.tan(radians(slope));
  const end = (side: 'left' | 'right'): FaceSpec[] => {
    const x = (out: number) => (side === 'left' ? -out : W + out);
    return [
      {
        id: `${side}-upturn`,
        surface: surfaces[`${side}-reveal`],
        flat: [
          [x(0), 0],
          [x(0), deep],
          [x(up), deep],
          [x(up), drift],
        ],
        from: 'sill',
      },
      {
        id: `${side}-face`,
        surface: surfaces.wall,
        flat: [
          [x(0), 0],
          [x(up), drift],
          [x(up), -lap],
          [x(0), -lap],
        ],
        from: `${side}-upturn`,
      },
    ];
  };
  return [
    { id: 'sill', surface: surfaces['sill-reveal'], flat: rectangle([0, W], [0, deep]) },
    { id: 'face', surface: surfaces.wall, flat: rectangle([0, W], [-lap, 0]), from: 'sill' },
    ...end('left'),
    ...end('right'),
  ];
}

const laidOnSill = { at: [0, 0], along: [1, 0] } as const;

/** One piece, its two outer corners stretched and not cut. */
export function stretchPan(id: string, context: PieceContext): SheetPiece {
  const { opening, numbers } = context;
  const fans = [fan(0, 1, numbers), fan(opening.width, -1, numbers)];
  return worked(id, foldSheet({ id, material: 'stretch-flashing', fans }, laidOnSill, strip(context)));
}

/** Brushed or trowelled: the same faces, the corners filled, nothing cut. */
export function fluidPan(id: string, context: PieceContext): SheetPiece {
  const { opening, numbers } = context;
  const fans = [fan(0, 1, numbers), fan(opening.width, -1, numbers)];
  const sheet = foldSheet({ id, material: 'fluid', fans }, laidOnSill, strip(context));
  return { ...worked(id, sheet), film_mm: numbers.film };
}

/** Straight tape does not stretch: slit at both corners, where the patches below it close the wall. */
export function tapePan(id: string, context: PieceContext): SheetPiece {
  const { width: W } = context.opening;
  const lap = context.numbers.panLap;
  const cut = (x: number) => [[x, 0] as Point2, [x, -lap] as Point2] as const;
  const spec: SheetSpec = { id, material: 'flashing-tape', slits: [cut(0), cut(W)] };
  return worked(id, foldSheet(spec, laidOnSill, strip(context)));
}

/** Bent from one sheet: sill, front lip, both ends up the jambs and a rear leg that dams. */
export function rigidPan(id: string, context: PieceContext): SheetPiece {
  const { width: W, surfaces } = context.opening;
  const { panLap: lap, panUpturn: up, panRearLeg: rear, slope } = context.numbers;
  const deep = panDepth(context);
  const drift = up * Math.tan(radians(slope));
  const end = (side: 'left' | 'right'): FaceSpec => {
    const x = (out: number) => (side === 'left' ? -out : W + out);
    return {
      id: `${side}-upturn`,
      surface: surfaces[`${side}-reveal`],
      flat: [
        [x(0), 0],
        [x(0), deep],
        [x(up), deep],
        [x(up), drift],
      ],
      from: 'sill',
    };
  };
  return worked(
    id,
    foldSheet({ id, material: 'sheet-metal' }, laidOnSill, [
      { id: 'sill', surface: surfaces['sill-reveal'], flat: rectangle([0, W], [0, deep]) },
      { id: 'face', surface: surfaces.wall, flat: rectangle([0, W], [-lap, 0]), from: 'sill' },
      {
        id: 'rear',
        surface: surfaces['sill-rear'],
        flat: rectangle([0, W], [deep, deep + rear]),
        from: 'sill',
      },
      end('left'),
      end('right'),
    ]),
  );
}

/**
 * A patch under the corner of a straight-tape pan: half on the sill, half up the jamb, slit once so that its outer
 * part comes down over the corner of the wall.
 */
export function cornerPatch(
  id: string,
  side: 'left' | 'right',
  { opening, numbers }: PieceContext,
): SheetPiece {
  const half = numbers.patchSize / 2;
  const into = Math.min(PATCH_INTO_mm, opening.depth / 2);
  const out = half;
  const drift = half * Math.tan(radians(numbers.slope));
  const W = opening.width;
  // x grows along the sill; the jamb's half lies beyond the corner.
  const x = (along: number) => (side === 'left' ? along : W - along);
  const sheet = foldSheet(
    {
      id,
      material: 'flashing-tape',
      slits: [
        [
          [x(-half), 0],
          [x(0), 0],
        ],
      ],
    },
    laidOnSill,
    [
      {
        id: 'sill',
        surface: opening.surfaces['sill-reveal'],
        flat: [
          [x(0), 0],
          [x(NECK_mm), 0],
          [x(half), 0],
          [x(half), into],
          [x(0), into],
        ],
      },
      {
        id: 'jamb',
        surface: opening.surfaces[`${side}-reveal`],
        flat: [
          [x(0), 0],
          [x(0), into],
          [x(-half), into],
          [x(-half), drift],
        ],
        from: 'sill',
      },
      {
        id: 'face',
        surface: opening.surfaces.wall,
        flat: [
          [x(0), 0],
          [x(NECK_mm), 0],
          [x(NECK_mm), -out],
          [x(-half), -out],
          [x(-half), 0],
        ],
        from: 'sill',
      },
    ],
  );
  return worked(id, sheet);
}

/** How far a patch reaches into the reveal, and the neck that joins its outer part: common practice, no source. */
const PATCH_INTO_mm = 100;
const NECK_mm = 10;

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
  material: SheetMaterialId,
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
      material,
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
  return brushed(id, sheet, numbers.film);
}

/** Head flashing over the jamb pieces: ends turned down the jambs, leg turned out over their legs. */
export function headFlashing(
  id: string,
  material: SheetMaterialId,
  { opening, numbers }: PieceContext,
): SheetPiece {
  const { width: W, depth, surfaces } = opening;
  const { headPast: past, jambFaceLeg: leg } = numbers;
  const reveal = [-depth, 0] as const;
  const sheet = foldSheet(
    {
      id,
      material,
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
  return brushed(id, sheet, numbers.film);
}

/** Tape is cut; a fluid is brushed on and has a film instead. */
const brushed = (id: string, sheet: SheetPiece['sheet'], film_mm: number): SheetPiece =>
  sheet.material === 'fluid' ? { ...worked(id, sheet), film_mm } : worked(id, sheet);
