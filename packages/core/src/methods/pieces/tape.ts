/** Tapes over the fin outside, over the slits of the flap, and the strips round the frame inside. */
import { foldSheet, stripRound, type FaceSpec, type Sheet } from '../../geometry/sheet.ts';
import { rectangle } from '../../geometry/polygon.ts';
import type { Surface } from '../../geometry/surface.ts';
import type { Side } from '../../vocabulary/sides.ts';
import type { Point2 } from '../../geometry/vector.ts';
import type { SheetMaterialId } from '../../vocabulary/materials.ts';
import { sillHeight, surfaceIn, withUnit, type PieceContext, type UnitContext } from './context.ts';
import { CAP_ABOVE_mm, CAP_PAST_mm } from './cap.ts';
import { worked, type SheetPiece } from './piece.ts';
import { jambFlapTrim, slitReach, wrapPlane } from './wall.ts';

interface Strip {
  readonly at: Point2;
  readonly along: Point2;
  readonly length: number;
  readonly across: readonly [number, number];
}

/** A single straight strip on the wall face. */
const wallStrip = (
  id: string,
  on: Surface,
  strip: Strip,
  material: SheetMaterialId = 'flashing-tape',
): SheetPiece =>
  worked(
    id,
    foldSheet({ id, material }, strip, [
      { id: 'face', surface: on, flat: rectangle([0, strip.length], strip.across) },
    ]),
  );

/** How far from the frame a tape on the fin starts: 0 at its edge, less where it turns onto the frame. */
const startsAt = ({ numbers, choices }: PieceContext): number =>
  choices.tapeEdge === 'gasket' ? numbers.gasketZone : 0;
const turnsUp = ({ numbers, choices, unit }: UnitContext): number =>
  choices.tapeEdge === 'onto-frame' ? Math.min(numbers.tapeOnFrame, Math.max(0, unit.front)) : 0;

/** Outer edge of the jamb tapes from the frame. */
export const jambTapeReach = (context: UnitContext): number =>
  startsAt(context) + context.numbers.jambTapeWidth - turnsUp(context);

/** Over the jamb fin and onto the wall: from above the head fin down past the sill fin and the pan's leg. */
export function jambTape(id: string, side: 'left' | 'right', context: PieceContext): SheetPiece {
  const known = withUnit(context, id);
  const { unit, numbers, opening } = known;
  const top = unit.bottom + unit.height + unit.finWidth + numbers.jambTapeAboveFin;
  const panEnd = numbers.boardFront - numbers.panLap;
  const bottom = Math.min(unit.bottom - unit.finWidth - numbers.jambTapeBelowFin, panEnd);
  const up = turnsUp(known);
  const from = startsAt(known);
  const reach = numbers.jambTapeWidth - up;
  const u = side === 'left' ? unit.left - from : unit.left + unit.width + from;
  const sign = side === 'left' ? 1 : -1;
  const band = (a: number, b: number) => [Math.min(a, b), Math.max(a, b)] as const;
  const length = top - bottom;
  if (up === 0)
    return wallStrip(id, opening.surfaces.wall, {
      at: [u, bottom],
      along: [0, 1],
      length,
      across: band(0, sign * reach),
    });
  // Relief cuts at the frame's corners, where the turned edge goes flat again.
  const foot = unit.bottom - bottom;
  const head = foot + unit.height;
  const withCuts: Point2[] =
    side === 'left'
      ? [
          [0, 0],
          [foot, 0],
          [head, 0],
          [length, 0],
          [length, reach],
          [0, reach],
        ]
      : [
          [0, 0],
          [0, -reach],
          [length, -reach],
          [length, 0],
          [head, 0],
          [foot, 0],
        ];
  const onFrame = rectangle([foot, head], band(0, -sign * up));
  return worked(
    id,
    foldSheet({ id, material: 'flashing-tape' }, { at: [u, bottom], along: [0, 1] }, [
      { id: 'face', surface: opening.surfaces.wall, flat: withCuts },
      { id: 'frame', surface: surfaceIn(context, `unit-${side}`), flat: onFrame, from: 'face' },
    ]),
  );
}

/** Over the head fin and past the outer edges of both jamb tapes. */
export function headTape(id: string, context: PieceContext): SheetPiece {
  const known = withUnit(context, id);
  const { unit, numbers, opening } = known;
  const past = jambTapeReach(known) + numbers.headTapePast;
  const up = turnsUp(known);
  const top = unit.bottom + unit.height;
  const strip: Strip = {
    at: [unit.left - past, top + startsAt(known)],
    along: [1, 0],
    length: unit.width + 2 * past,
    across: [0, numbers.headTapeWidth - up],
  };
  if (up === 0) return wallStrip(id, opening.surfaces.wall, strip);
  const [l, r] = [past, past + unit.width];
  const h = strip.across[1];
  return worked(
    id,
    foldSheet({ id, material: 'flashing-tape' }, strip, [
      {
        id: 'face',
        surface: opening.surfaces.wall,
        flat: [
          [0, 0],
          [l, 0],
          [r, 0],
          [strip.length, 0],
          [strip.length, h],
          [0, h],
        ],
      },
      {
        id: 'frame',
        surface: surfaceIn(context, 'unit-head'),
        flat: rectangle([l, r], [-up, 0]),
        from: 'face',
      },
    ]),
  );
}

/** A second strip over the first, higher and wider: its upper edge lies on the wall's own layer. */
export function secondHeadTape(id: string, context: PieceContext): SheetPiece {
  const known = withUnit(context, id);
  const { unit, numbers, opening } = known;
  const past = jambTapeReach(known) + 2 * numbers.headTapePast;
  const first = unit.bottom + unit.height + startsAt(known) + numbers.headTapeWidth - turnsUp(known);
  return wallStrip(id, opening.surfaces.wall, {
    at: [unit.left - past, first - SECOND_OVER_FIRST_mm],
    along: [1, 0],
    length: unit.width + 2 * past,
    across: [0, numbers.headTape2Width],
  });
}

/** Overlap of two strips that meet on the wall, common practice, no source. */
const SECOND_OVER_FIRST_mm = 50;

/** Closed bottom of the barrier school: the first tape to go on, over the sill fin and past both sides. */
export function sillTape(id: string, context: PieceContext): SheetPiece {
  const known = withUnit(context, id);
  const { unit, numbers, opening } = known;
  const past = numbers.jambTapeWidth;
  return wallStrip(id, opening.surfaces.wall, {
    at: [unit.left - past, unit.bottom],
    along: [1, 0],
    length: unit.width + 2 * past,
    across: [-numbers.sillTapeWidth, 0],
  });
}

/**
 * Over the seam between a buck and the board beside it, half on each. Below a fin the strip stays clear of it, so that
 * what leaves the pan runs out over it.
 */
export function faceTape(id: string, side: Side, context: PieceContext): SheetPiece {
  const { unit, numbers, opening } = withUnit(context, id);
  const { width: W, height: H, surfaces } = opening;
  const face = opening.buck?.face ?? 0;
  const half = numbers.faceTapeWidth / 2;
  const [l, r] = [-face - half, W + face + half];
  const strip = (at: Point2, along: Point2, length: number): SheetPiece =>
    wallStrip(id, surfaces.wall, { at, along, length, across: [-half, half] });
  if (side === 'head') {
    const past = numbers.headTapePast;
    return strip([l - past, H + face], [1, 0], r - l + 2 * past);
  }
  const low =
    unit.finWidth > 0 ? Math.min(-face, unit.bottom - unit.finWidth - CLEAR_OF_FIN_mm - half) : -face;
  if (side === 'sill') return strip([l, low], [1, 0], r - l);
  return strip([side === 'left' ? -face : W + face, low - half], [0, 1], H + face - low + half);
}

/** Between the bottom fin and a strip below it, common practice, no source. */
const CLEAR_OF_FIN_mm = 5;

/** A strip of wrap hung on the bottom fin that slows wind and lets water leave below. */
export function windSkirt(id: string, context: PieceContext): SheetPiece {
  const { unit, numbers, opening } = withUnit(context, id);
  const past = unit.finWidth + SKIRT_PAST_mm;
  return wallStrip(
    id,
    opening.surfaces.wall,
    {
      at: [unit.left - past, unit.bottom],
      along: [1, 0],
      length: unit.width + 2 * past,
      across: [-numbers.skirtHeight, 0],
    },
    'wrap',
  );
}

const SKIRT_PAST_mm = 25;

/** Over the upper edge of the head tape, or from it up over a seam of the sheathing above. */
export function seamTape(id: string, context: PieceContext): SheetPiece {
  const known = withUnit(context, id);
  const { unit, numbers, opening } = known;
  const first = unit.bottom + unit.height + startsAt(known) + numbers.headTapeWidth - turnsUp(known);
  return wallStrip(id, opening.surfaces.wall, {
    at: [unit.left + unit.width / 2, first - SECOND_OVER_FIRST_mm],
    along: [0, 1],
    length: SEAM_mm,
    across: [-numbers.headTape2Width / 2, numbers.headTape2Width / 2],
  });
}

/** Length of the upright seam over the head that is drawn: it runs on up the wall. */
const SEAM_mm = 250;

/** Half on the leg of a cap, half on the wall above it, past both ends. */
export function capTape(id: string, context: PieceContext): SheetPiece {
  const { unit, numbers, opening } = withUnit(context, id);
  const past = CAP_PAST_mm + numbers.headTapePast;
  const half = numbers.capTapeWidth / 2;
  return wallStrip(id, opening.surfaces.wall, {
    at: [unit.left - past, unit.bottom + unit.height + CAP_ABOVE_mm + numbers.capLeg],
    along: [1, 0],
    length: unit.width + 2 * past,
    across: [-half, half],
  });
}

/** A layer of wrap that comes down from above over the head tape, its lower edge a hand above the frame. */
export function headLayer(id: string, context: PieceContext): SheetPiece {
  const known = withUnit(context, id);
  const { unit, numbers, opening } = known;
  const past = jambTapeReach(known) + 2 * numbers.headTapePast;
  return wallStrip(
    id,
    opening.surfaces.wall,
    {
      at: [unit.left - past, unit.bottom + unit.height + startsAt(known) + numbers.flapTrim],
      along: [1, 0],
      length: unit.width + 2 * past,
      across: [0, numbers.headLayerHeight],
    },
    'wrap',
  );
}

/** Along the lower edge of the upper course beside the apron, over the seam that goes on along the wall. */
export function courseSeam(
  id: string,
  side: 'left' | 'right',
  { opening, numbers }: PieceContext,
): SheetPiece {
  const half = numbers.jambTapeWidth / 2;
  const from = side === 'left' ? -numbers.apronPast - COURSE_DRAWN_mm : opening.width + numbers.apronPast;
  return wallStrip(id, opening.surfaces.wall, {
    at: [from, -numbers.courseLap],
    along: [1, 0],
    length: COURSE_DRAWN_mm,
    across: [-half, half],
  });
}

/** How much of the courses is drawn beyond the apron: the seam runs on along the wall. */
const COURSE_DRAWN_mm = 100;

/** Along a 45° slit of the returned flap, running past both of its ends. */
export function slitTape(id: string, side: 'left' | 'right', context: PieceContext): SheetPiece {
  const { numbers, choices } = context;
  const { on, W, H } = wrapPlane(context);
  const reach = slitReach(numbers.flapSlit);
  const beyond = numbers.headTapePast / Math.SQRT2;
  const out = side === 'left' ? -1 : 1;
  const back = choices.wrapEdge === 'cut-back' ? numbers.cutBack : 0;
  const corner = side === 'left' ? -back : W + back;
  const half = numbers.slitTapeWidth / 2;
  return wallStrip(id, on, {
    at: [corner - out * beyond, H - beyond],
    along: [out * reach, reach],
    length: numbers.flapSlit + 2 * numbers.headTapePast,
    across: [-half, half],
  });
}

/** Along a lower slit, from where the jamb flap is trimmed out past its end: nearer in the jamb tape closes it. */
export function lowerSlitTape(id: string, side: 'left' | 'right', context: PieceContext): SheetPiece {
  const { numbers, choices } = context;
  const { on, W } = wrapPlane(context);
  const out = side === 'left' ? -1 : 1;
  const back = choices.wrapEdge === 'cut-back' ? numbers.cutBack : 0;
  const low = choices.wrapEdge === 'cut-back' ? -back : Math.min(0, numbers.boardFront);
  const corner = side === 'left' ? -back : W + back;
  const free = jambFlapTrim(numbers);
  const half = numbers.slitTapeWidth / 2;
  return wallStrip(id, on, {
    at: [corner + out * free, low - free],
    along: [out, -1],
    length: (slitReach(numbers.flapSlit) - free) * Math.SQRT2 + numbers.headTapePast,
    across: [-half, half],
  });
}

/** Wrap of the courses taped to the frame's edge: over fin tapes and wrap, both jambs and the head. */
export function wrapTape(id: string, side: 'left' | 'right' | 'head', context: PieceContext): SheetPiece {
  const { unit, numbers, opening } = withUnit(context, id);
  const [l, r, b, t] = [unit.left, unit.left + unit.width, unit.bottom, unit.bottom + unit.height];
  const w = numbers.jambTapeWidth;
  const on = opening.surfaces.wall;
  if (side === 'head')
    return wallStrip(id, on, {
      at: [l - w - numbers.headTapePast, t],
      along: [1, 0],
      length: r - l + 2 * (w + numbers.headTapePast),
      across: [0, w + numbers.headTapePast],
    });
  return wallStrip(id, on, {
    at: [side === 'left' ? l : r, b - unit.finWidth],
    along: [0, 1],
    length: t - b + unit.finWidth + w / 2,
    across: side === 'left' ? [0, w] : [-w, 0],
  });
}

/** Least tape that must lie on the reveal behind the joint, whatever its width leaves. */
const LEAST_ON_REVEAL_mm = 1;

/** Width of the inner seal that is left for the reveal once frame and joint are bridged; may be negative. */
export function sealOnReveal(side: Side, context: PieceContext): number {
  return context.numbers.sealWidth - context.numbers.sealOnFrame - jointAtSeal(side, context);
}

/** Width of the open joint at the inner face of the frame. */
function jointAtSeal(side: Side, context: PieceContext): number {
  const { unit, opening, numbers } = withUnit(context, 'seal');
  const joints: Record<Side, number> = {
    left: unit.left,
    right: opening.width - unit.left - unit.width,
    head: opening.height - unit.bottom - unit.height,
    sill: unit.bottom - sillHeight(numbers, -unit.back),
  };
  return joints[side];
}

/** Strip from the frame over the joint onto the reveal; sill and head strips turn their ends onto the jambs. */
export function innerSeal(
  id: string,
  side: Side,
  material: SheetMaterialId,
  context: PieceContext,
): SheetPiece {
  return worked(id, sealStrip(id, side, material, context, context.numbers.sealLap));
}

function sealStrip(
  id: string,
  side: Side,
  material: SheetMaterialId,
  context: PieceContext,
  lap: number,
): Sheet {
  const { unit, opening, numbers } = withUnit(context, id);
  const { width: W, height: H, surfaces } = opening;
  const low = sillHeight(numbers, -unit.back);
  const onFrame = jointAtSeal(side, context) + numbers.sealOnFrame;
  const onReveal = Math.max(LEAST_ON_REVEAL_mm, sealOnReveal(side, context));
  // On the frame's inner face y runs right for an upright strip, down for a level one.
  const towardsFrame = side === 'left' || side === 'head' ? 1 : -1;
  const upright = side === 'left' || side === 'right';
  const length = upright ? H - low : W;
  const band = (from: number, to: number): readonly [number, number] => [
    Math.min(from, to),
    Math.max(from, to),
  ];
  const reveal = band(-towardsFrame * onReveal, 0);
  const root: Record<Side, Point2> = { left: [0, -low], right: [W, -low], head: [0, -H], sill: [0, -low] };
  const tab = (name: 'left' | 'right', x: readonly [number, number]): FaceSpec => ({
    id: `${name}-tab`,
    surface: surfaces[`${name}-reveal`],
    flat: rectangle(x, reveal),
    from: 'reveal',
  });
  const tabs = upright || lap === 0 ? [] : [tab('left', [-lap, 0]), tab('right', [W, W + lap])];
  return foldSheet({ id, material }, { at: root[side], along: upright ? [0, -1] : [1, 0] }, [
    {
      id: 'frame',
      surface: surfaceIn(context, 'unit-inside'),
      flat: rectangle([0, length], band(0, towardsFrame * onFrame)),
    },
    {
      id: 'reveal',
      surface: surfaces[`${side}-reveal`],
      flat: rectangle([0, length], reveal),
      from: 'frame',
    },
    ...tabs,
  ]);
}

/** Folded double at each corner, and the closing overlap of its ends: a maker's values, common practice. */
const PLEAT_mm = 25;
const CLOSING_mm = 50;

/** One strip set on the frame before the unit goes in, a pleat at each corner, laid onto the reveal afterwards. */
export function frameMembrane(id: string, context: PieceContext): SheetPiece {
  const part = (side: Side) => ({
    sheet: sealStrip(side, side, 'membrane', context, 0),
    turned: side === 'sill' || side === 'right',
  });
  const parts = (['sill', 'right', 'head', 'left'] as const).map(part);
  return worked(id, stripRound(id, parts, { pleat_mm: 2 * PLEAT_mm, closing_mm: CLOSING_mm }));
}
