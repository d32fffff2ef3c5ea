/** Wood, foam and metal round the opening: sill board, dam, buck, exterior board, drip cap, guard, trim. */
import { foldSheet } from '../../geometry/sheet.ts';
import { rectangle } from '../../geometry/polygon.ts';
import { box, type Range, type Solid } from '../../geometry/solid.ts';
import { positionsAlong } from '../../fit/shims.ts';
import { radians } from '../../geometry/vector.ts';
import { CAPPED } from '../../vocabulary/axes.ts';
import { sheetMaterials, type SolidMaterial } from '../../vocabulary/materials.ts';
import type { Point3 } from '../../geometry/vector.ts';
import type { Side } from '../../vocabulary/sides.ts';
import { CAP_ABOVE_mm, CAP_PAST_mm, capShelf, TRAY_ABOVE_mm, trayShelf } from './cap.ts';
import { edgesOfUnit, sillHeight, surfaceIn, type BuckGeometry, type PieceContext } from './context.ts';
import { solidPiece, worked, type BeadPiece, type SheetPiece, type SolidPiece } from './piece.ts';

/** A wedge on the rough sill over the full depth of the reveal, thin edge to the weather; it follows what it lies on. */
function sillWedge(id: string, material: SolidMaterial, { opening, numbers }: PieceContext): SolidPiece {
  const { width, depth, sillFall_deg = 0 } = opening;
  const under = depth * Math.tan(radians(sillFall_deg));
  const over = sillHeight(numbers, depth);
  const profile = [
    [0, 0],
    [0, numbers.boardFront],
    [-depth, over],
    [-depth, under],
  ] as const;
  return solidPiece(
    id,
    [{ id, material, u: [0, width], profile }],
    [{ length_mm: width, width_mm: depth, thickness_mm: over - under, count: 1 }],
  );
}

export const bevelledBoard = (id: string, context: PieceContext): SolidPiece =>
  sillWedge(id, 'wood', context);

/** A sill of mortar, stone or what is formed: the load goes to the inner leaf, and no timber bridges the cavity. */
export function masonrySill(id: string, context: PieceContext): SolidPiece {
  const { solids } = sillWedge(id, 'masonry', context);
  return solidPiece(id, solids);
}

/** How far a damp course turns up at both ends: common practice, no source. */
const COURSE_UP_mm = 75;

/** Under a sill of masonry from the inner leaf to the face, its ends turned up. */
export function dampCourse(id: string, context: PieceContext): SheetPiece {
  const { width: W, depth } = context.opening;
  const sheet = foldSheet({ id, material: 'membrane' }, { at: [0, 0], along: [1, 0] }, [
    { id: 'bed', surface: surfaceIn(context, 'sill-bed'), flat: rectangle([0, W], [0, depth]) },
    {
      id: 'left-end',
      surface: surfaceIn(context, 'left-reveal'),
      flat: rectangle([-COURSE_UP_mm, 0], [0, depth]),
      from: 'bed',
    },
    {
      id: 'right-end',
      surface: surfaceIn(context, 'right-reveal'),
      flat: rectangle([W, W + COURSE_UP_mm], [0, depth]),
      from: 'bed',
    },
  ]);
  return worked(id, sheet);
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
      ...(leg > 0
        ? [box(`${id}-leg`, material, [-leg + short / 2, W + leg - short / 2], [-leg, 0], inside)]
        : []),
      ...(low > 0 ? [slope] : []),
    ],
    head: [
      box(`${id}-front`, material, through, [H, H + face], before),
      ...(leg > 0
        ? [box(`${id}-leg`, material, [-leg + short / 2, W + leg - short / 2], [H, H + leg], inside)]
        : []),
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
  // The front runs on over the jambs' fronts, the leg fits between the studs: short of them by the allowance in all.
  const front = {
    length_mm: upright ? H : W + 2 * face,
    width_mm: buck.projection,
    thickness_mm: face,
    count: 1,
  };
  const inner = {
    length_mm: (upright ? H : W + 2 * leg) - short,
    width_mm: sheathing - framing,
    thickness_mm: leg,
    count: 1,
  };
  return solidPiece(id, solids[side], leg > 0 ? [front, inner] : [front]);
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

/** Sealant in the seam between a buck and the board beside it, all round, a little behind their face. */
export function boardBead(id: string, context: PieceContext): BeadPiece {
  const { width: W, height: H } = context.opening;
  const { face } = buckIn(context, id);
  const w = -context.numbers.buckBead / 2;
  const ring: Point3[] = [
    [-face, -face, w],
    [W + face, -face, w],
    [W + face, H + face, w],
    [-face, H + face, w],
    [-face, -face, w],
  ];
  return { form: 'bead', id, paths: [ring], diameter_mm: context.numbers.buckBead };
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

/** Open joints through the outer leaf above a tray: so far apart, so wide, one course high; common practice, no source. */
const WEEP_SPACING_mm = 450;
const WEEP_WIDE_mm = 10;
const WEEP_HIGH_mm = 65;

/** Where what the tray catches leaves the outer leaf, two at least. */
export function weepHoles(id: string, { opening }: PieceContext): SolidPiece {
  const { width: W, height: H, layers } = opening;
  const leaf = layers.find(({ role }) => role === 'cladding');
  const w: Range = leaf ? [leaf.w[0], leaf.w[1]] : [-1, 0];
  const places = positionsAlong({ length: W, edge: WEEP_SPACING_mm / 3, spacing: WEEP_SPACING_mm });
  const half = WEEP_WIDE_mm / 2;
  return solidPiece(
    id,
    places.map((u, i) =>
      // Of the leaf's own stuff as far as heat goes: an open joint is a small part of it.
      box(
        `${id}-${i + 1}`,
        'masonry',
        [u - half, u + half],
        [H + TRAY_ABOVE_mm / 2, H + TRAY_ABOVE_mm / 2 + WEEP_HIGH_mm],
        w,
      ),
    ),
  );
}

export const GUARD_THICK_mm = 6;

/** A thin strip on the framing round the opening, over the edge of the inner seal: the board cutter runs along it. */
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
      box(`${id}-sill`, 'wood-board', [-g, W + g], [low - g, low], w),
    ],
    [strip(H - low, 2), strip(W + 2 * g, 2)],
  );
}

/** Trim stands off the wall so that it dries: common practice, no source. */
const TRIM_OFF_WALL_mm = 4;

/** A picture frame joined on the bench, oversize round the unit, clear of the head flashing; its cap on top. */
export function trimFrame(id: string, context: PieceContext): SolidPiece {
  const { numbers } = context;
  const { left, right, bottom } = edgesOfUnit(context, id);
  const { trimWidth: t, trimThickness, trimGap: g } = numbers;
  const w: Range = [TRIM_OFF_WALL_mm, TRIM_OFF_WALL_mm + trimThickness];
  const [l, r, b, h] = [left - g, right + g, bottom - g, trimHeadFrom(context, id)];
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
    ],
    [size(r - l + 2 * t, 2), size(h - b, 2)],
  );
}

/** Lower edge of the trim's head piece: clear of the frame, and on spacers above a head flashing. */
function trimHeadFrom(context: PieceContext, id: string): number {
  const { numbers, choices } = context;
  const { top } = edgesOfUnit(context, id);
  const capped = (CAPPED.head as readonly string[]).includes(choices.head);
  return capped ? top + Math.max(numbers.trimGap, CAP_ABOVE_mm + numbers.trimHeadGap) : top + numbers.trimGap;
}

/** Up the wall, and down before the trim: common practice, no source. */
const TRIM_CAP_LEG_mm = 40;
const TRIM_CAP_DROP_mm = 12;

/** The trim's own cap, past both ends: they are notched and bent down over the ends of the trim. */
export function trimCap(id: string, context: PieceContext): SolidPiece {
  const { numbers } = context;
  const { left, right } = edgesOfUnit(context, id);
  const { trimWidth: t, trimThickness, trimGap: g } = numbers;
  const over = trimHeadFrom(context, id) + t;
  const u: Range = [left - g - t - CAP_PAST_mm, right + g + t + CAP_PAST_mm];
  const out = TRIM_OFF_WALL_mm + trimThickness + CAP_PAST_mm;
  const thick = sheetMaterials['sheet-metal'].thickness_mm;
  return solidPiece(
    id,
    [
      box(`${id}-leg`, 'metal', u, [over, over + TRIM_CAP_LEG_mm], [0, thick]),
      box(`${id}-shelf`, 'metal', u, [over, over + 2], [0, out]),
      box(`${id}-drop`, 'metal', u, [over - TRIM_CAP_DROP_mm, over], [out - thick, out]),
    ],
    [
      {
        // The bent ends come off the same strip.
        length_mm: u[1] - u[0] + 2 * TRIM_CAP_DROP_mm,
        width_mm: TRIM_CAP_LEG_mm + out + TRIM_CAP_DROP_mm,
        thickness_mm: thick,
        count: 1,
      },
    ],
  );
}
