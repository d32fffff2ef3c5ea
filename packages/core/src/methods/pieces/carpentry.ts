/** Wood, foam and metal round the opening: sill board, dam, buck, exterior board, drip cap, guard, trim. */
import { foldSheet } from '../../geometry/sheet.ts';
import { rectangle } from '../../geometry/polygon.ts';
import { box, type Range, type Solid } from '../../geometry/solid.ts';
import type { SolidMaterial } from '../../vocabulary/materials.ts';
import type { Point3 } from '../../geometry/vector.ts';
import type { Side } from '../../vocabulary/sides.ts';
import { CAP_ABOVE_mm, capShelf, TRAY_ABOVE_mm, trayShelf } from './cap.ts';
import { edgesOfUnit, sillHeight, surfaceIn, type BuckGeometry, type PieceContext } from './context.ts';
import { solidPiece, worked, type BeadPiece, type SheetPiece, type SolidPiece } from './piece.ts';

/** Bevelled board on the rough sill, over the full depth of the reveal, thin edge to the weather. */
export function bevelledBoard(id: string, { opening, numbers }: PieceContext): SolidPiece {
  const { width, depth } = opening;
  const thick = sillHeight(numbers, depth);
  const profile = [
    [0, 0],
    [0, numbers.boardFront],
    [-depth, thick],
    [-depth, 0],
  ] as const;
  return solidPiece(
    id,
    [{ id, material: 'wood', u: [0, width], profile }],
    [{ length_mm: width, width_mm: depth, thickness_mm: thick, count: 1 }],
  );
}

const DAM_THICK_mm = 18;

/** An upright strip bedded on the pan behind the frame. */
export function backDam(id: string, context: PieceContext): SolidPiece {
  const { opening, numbers } = context;
  const { back } = edgesOfUnit(context, id);
  const inner = Math.max(back - DAM_THICK_mm, -opening.depth);
  const w: Range = [inner, Math.max(back, inner + 1)];
  const low = sillHeight(numbers, -w[1]);
  const size = {
    length_mm: opening.width,
    width_mm: numbers.damHeight,
    thickness_mm: DAM_THICK_mm,
    count: 1,
  };
  return solidPiece(id, [box(id, 'wood', [0, opening.width], [low, low + numbers.damHeight], w)], [size]);
}

function buckIn({ opening }: PieceContext, id: string): BuckGeometry {
  if (!opening.buck) throw new Error(`${id} without a buck`);
  return opening.buck;
}

const BUCK_MATERIAL: Readonly<Record<BuckGeometry['kind'], SolidMaterial>> = {
  lumber: 'wood',
  'foam-l': 'hd-foam',
  'panel-frame': 'panel',
};

/**
 * One side of a buck: the part before the wall's face, and the leg inside the opening. The sill's top falls outward.
 * Sill and head run through, the jambs stand between them.
 */
export function buckSide(id: string, side: Side, context: PieceContext): SolidPiece {
  const { opening, numbers } = context;
  const buck = buckIn(context, id);
  const { width: W, height: H, sheathing, framing } = opening;
  const material = BUCK_MATERIAL[buck.kind];
  const { leg, face } = buck;
  const short = leg > 0 ? numbers.buckShort : 0;
  const before: Range = [sheathing, 0];
  const through: Range = [-face, W + face];
  const inside: Range = [framing, sheathing];
  const low = sillHeight(numbers, opening.depth);
  const slope: Solid = {
    id: `${id}-slope`,
    material,
    u: [0, W],
    profile: [
      [0, 0],
      [0, numbers.boardFront],
      [framing, low],
      [framing, 0],
    ],
  };
  const solids: Record<Side, Solid[]> = {
    sill: [
      box(`${id}-front`, material, through, [-face, 0], before),
      ...(leg > 0 ? [box(`${id}-leg`, material, [-leg + short, W + leg - short], [-leg, 0], inside)] : []),
      ...(low > 0 ? [slope] : []),
    ],
    head: [
      box(`${id}-front`, material, through, [H, H + face], before),
      ...(leg > 0 ? [box(`${id}-leg`, material, [-leg + short, W + leg - short], [H, H + leg], inside)] : []),
    ],
    left: [
      box(`${id}-front`, material, [-face, 0], [0, H], before),
      ...(leg > 0 ? [box(`${id}-leg`, material, [-leg, 0], [0, H], inside)] : []),
    ],
    right: [
      box(`${id}-front`, material, [W, W + face], [0, H], before),
      ...(leg > 0 ? [box(`${id}-leg`, material, [W, W + leg], [0, H], inside)] : []),
    ],
  };
  const upright = side === 'left' || side === 'right';
  const length_mm = (upright ? H : W + 2 * face) - short;
  const size = {
    length_mm,
    width_mm: leg > 0 ? opening.depth : buck.projection,
    thickness_mm: Math.max(face, leg),
    count: 1,
  };
  return solidPiece(id, solids[side], [size]);
}

/** Three beads under each side of the buck, on the sheathing and round the edge of the opening. */
export function buckBeads(id: string, context: PieceContext): BeadPiece {
  const { width: W, height: H, sheathing } = context.opening;
  const { leg, face } = buckIn(context, id);
  const ring = (free: number): Point3[] =>
    (
      [
        [-free, -free],
        [W + free, -free],
        [W + free, H + free],
        [-free, H + free],
        [-free, -free],
      ] as const
    ).map(([u, v]) => [u, v, sheathing]);
  const inner = leg + BEAD_FROM_EDGE_mm;
  const outer = Math.max(inner + BEAD_FROM_EDGE_mm, face - BEAD_FROM_EDGE_mm);
  return {
    form: 'bead',
    id,
    paths: [inner, (inner + outer) / 2, outer].map(ring),
    diameter_mm: context.numbers.buckBead,
  };
}

const BEAD_FROM_EDGE_mm = 10;

/** From the wall's own layer over the buck's outer side onto its face, so that water behind the board runs over it. */
export function buckFlashing(id: string, side: Side, context: PieceContext): SheetPiece {
  const { opening, numbers } = context;
  const { face, projection, leg } = buckIn(context, id);
  const { width: W, height: H } = opening;
  const up = numbers.jambFaceLeg;
  // Low before high: each leg runs past its corner, the jambs' over the sill's, the head's over both jambs'.
  const past = { sill: up, left: numbers.headPast, right: numbers.headPast, head: up + numbers.headPast }[
    side
  ];
  // On the inner plane, whose corner is that of the rough opening; the fold runs along the buck's outer edge.
  const along: Record<
    Side,
    { at: readonly [number, number]; dir: readonly [number, number]; length: number }
  > = {
    head: { at: [leg + W + face, leg + H + face], dir: [-1, 0], length: W + 2 * face },
    sill: { at: [leg - face, leg - face], dir: [1, 0], length: W + 2 * face },
    left: { at: [leg - face, leg + H + face], dir: [0, -1], length: H + 2 * face },
    right: { at: [leg + W + face, leg - face], dir: [0, 1], length: H + 2 * face },
  };
  const { at, dir, length } = along[side];
  const sheet = foldSheet({ id, material: 'flashing-tape' }, { at, along: dir }, [
    {
      id: 'wall',
      surface: surfaceIn(context, 'inner-plane'),
      flat: [
        [-past, -up],
        [length + past, -up],
        [length + past, 0],
        [length, 0],
        [0, 0],
        [-past, 0],
      ],
    },
    {
      id: 'side',
      surface: surfaceIn(context, `buck-${side}`),
      flat: rectangle([0, length], [0, projection]),
      from: 'wall',
    },
  ]);
  return worked(id, sheet);
}

const FACE_BOARD: Readonly<Record<string, SolidMaterial>> = { 'wool-board': 'insulation' };
const BEYOND_mm = 300;

/** Exterior board set against the buck, or round the frame, once it stands. */
export function exteriorBoard(id: string, context: PieceContext): SolidPiece {
  const { opening } = context;
  const { width: W, height: H, buck } = opening;
  const unit = edgesOfUnit(context, id);
  const board = opening.layers.find((l) => l.role === 'exterior-board');
  if (!board) throw new Error(`${id} without a board in the wall`);
  const material = FACE_BOARD[board.material] ?? 'foam-board';
  const hole = buck
    ? { l: -buck.face, r: W + buck.face, b: -buck.face, t: H + buck.face }
    : { l: unit.left, r: unit.right, b: unit.bottom - unit.finWidth, t: unit.top };
  const [x0, x1, y0, y1] = [-BEYOND_mm, W + BEYOND_mm, -BEYOND_mm, H + BEYOND_mm];
  return solidPiece(id, [
    box(`${id}-below`, material, [x0, x1], [y0, hole.b], board.w),
    box(`${id}-left`, material, [x0, hole.l], [hole.b, hole.t], board.w),
    box(`${id}-right`, material, [hole.r, x1], [hole.b, hole.t], board.w),
    box(`${id}-above`, material, [x0, x1], [hole.t, y1], board.w),
  ]);
}

/** Bent metal over the head: a leg on the wall, a shelf that falls outward, a drop; it runs past the frame. */
export function dripCap(id: string, context: PieceContext): SheetPiece {
  const { left, right, top, front } = edgesOfUnit(context, id);
  const { numbers, opening } = context;
  const past = CAP_PAST_mm;
  const x: Range = [left - past, right + past];
  const shelf = capShelf(Math.max(front, 0) + numbers.capOut);
  const sheet = foldSheet({ id, material: 'sheet-metal' }, { at: [0, top + CAP_ABOVE_mm], along: [1, 0] }, [
    { id: 'leg', surface: opening.surfaces.wall, flat: rectangle(x, [0, numbers.capLeg]) },
    { id: 'shelf', surface: surfaceIn(context, 'cap-shelf'), flat: rectangle(x, [-shelf, 0]), from: 'leg' },
    {
      id: 'drop',
      surface: surfaceIn(context, 'cap-drop'),
      flat: rectangle(x, [-shelf - numbers.capDrop, -shelf]),
      from: 'shelf',
    },
  ]);
  return worked(id, sheet);
}

const CAP_PAST_mm = 12;

/** A tray in the cavity over the head: up the inner leaf, down and out through the outer one, past both sides. */
export function cavityTray(id: string, context: PieceContext): SheetPiece {
  const { width: W, height: H, sheathing, buck } = context.opening;
  const leg = buck?.leg ?? 0;
  const x: Range = [-TRAY_PAST_mm, W + TRAY_PAST_mm];
  const at = [leg, leg + H + TRAY_ABOVE_mm] as const;
  const sheet = foldSheet({ id, material: 'membrane' }, { at, along: [1, 0] }, [
    { id: 'leaf', surface: surfaceIn(context, 'inner-plane'), flat: rectangle(x, [0, TRAY_UP_mm]) },
    {
      id: 'shelf',
      surface: surfaceIn(context, 'tray-shelf'),
      flat: rectangle(x, [-trayShelf(sheathing), 0]),
      from: 'leaf',
    },
  ]);
  return worked(id, sheet);
}

const TRAY_UP_mm = 150;
const TRAY_PAST_mm = 150;

const GUARD_THICK_mm = 6;

/** A thin strip over the edge of the inner seal at both jambs and the head, along which the board cutter runs. */
export function guardStrip(id: string, context: PieceContext): SolidPiece {
  const { opening, numbers } = context;
  const { width: W, height: H, framing } = opening;
  const low = sillHeight(numbers, opening.depth);
  const w: Range = [framing - GUARD_THICK_mm, framing];
  const g = numbers.guardWidth;
  const strip = (length_mm: number, count: number) => ({
    length_mm,
    width_mm: g,
    thickness_mm: GUARD_THICK_mm,
    count,
  });
  return solidPiece(
    id,
    [
      box(`${id}-left`, 'wood-board', [-g, 0], [low, H], w),
      box(`${id}-right`, 'wood-board', [W, W + g], [low, H], w),
      box(`${id}-head`, 'wood-board', [-g, W + g], [H, H + g], w),
    ],
    [strip(H - low, 2), strip(W + 2 * g, 1)],
  );
}

/** A picture frame joined on the bench, oversize round the unit, clear of the head flashing; its cap on top. */
export function trimFrame(id: string, context: PieceContext): SolidPiece {
  const { numbers } = context;
  const { left, right, bottom, top } = edgesOfUnit(context, id);
  const { trimWidth: t, trimThickness, trimGap: g } = numbers;
  const w: Range = [4, 4 + trimThickness];
  const [l, r, b, h] = [left - g, right + g, bottom - g, top + g];
  const size = (length_mm: number, count: number) => ({
    length_mm,
    width_mm: t,
    thickness_mm: trimThickness,
    count,
  });
  return solidPiece(
    id,
    [
      box(`${id}-left`, 'wood', [l - t, l], [b, h], w),
      box(`${id}-right`, 'wood', [r, r + t], [b, h], w),
      box(`${id}-sill`, 'wood', [l - t, r + t], [b - t, b], w),
      box(`${id}-head`, 'wood', [l - t, r + t], [h, h + t], w),
      // Its own cap, past both ends, that throws water clear of the trim.
      box(
        `${id}-cap`,
        'metal',
        [l - t - CAP_PAST_mm, r + t + CAP_PAST_mm],
        [h + t, h + t + 2],
        [0, w[1] + CAP_PAST_mm],
      ),
    ],
    [size(r - l + 2 * t, 2), size(h - b, 2)],
  );
}
