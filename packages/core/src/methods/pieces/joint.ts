/** What fills and closes the gap round the frame: beads, bands, rods, sealant, insulation. */
import { box, type Range, type Solid } from '../../geometry/solid.ts';
import type { SolidMaterial } from '../../vocabulary/materials.ts';
import { rodFor } from '../../vocabulary/rods.ts';
import type { Point2, Point3 } from '../../geometry/vector.ts';
import { edgesOfUnit, sillHeight, type PieceContext } from './context.ts';
import { solidPiece, type BeadPiece, type Sawn, type SolidPiece } from './piece.ts';

export type BeadCourse = 'drained' | 'interrupted' | 'closed';

const inPlane =
  (w: number) =>
  ([u, v]: Point2): Point3 => [u, v, w];

/** Bead in line with the fin holes: at both jambs and the head; along the sill not, broken, or closed. */
export function finBead(id: string, course: BeadCourse, context: PieceContext): BeadPiece {
  const { left, right, bottom, top, holeFromFrame: hole } = edgesOfUnit(context, id);
  const { numbers } = context;
  const foot = course === 'drained' ? bottom : bottom - hole;
  const [l, r] = [left - hole, right + hole];
  const arch: Point2[] = [
    [l, foot],
    [l, top + hole],
    [r, top + hole],
    [r, foot],
  ];
  const paths: Point2[][] =
    course === 'closed'
      ? [[...arch, [l, foot]]]
      : course === 'drained'
        ? [arch]
        : [
            arch,
            ...dashes(l + numbers.beadBreak, r - numbers.beadBreak, numbers.beadBreak).map(
              ([a, b]): Point2[] => [
                [a, foot],
                [b, foot],
              ],
            ),
          ];
  return {
    form: 'bead',
    id,
    paths: paths.map((path) => path.map(inPlane(0))),
    diameter_mm: numbers.beadDiameter,
  };
}

/** Lengths of bead between breaks of `gap`, no longer than six of them. */
function dashes(from: number, to: number, gap: number): [number, number][] {
  if (to - from <= gap) return [];
  const n = Math.max(2, Math.ceil((to - from + gap) / (7 * gap)));
  const dash = (to - from - (n - 1) * gap) / n;
  if (dash <= 0) return [[from, to - gap]];
  return Array.from({ length: n }, (_, i) => [from + i * (dash + gap), from + i * (dash + gap) + dash]);
}

/** From the frame's edge onto the tapes round it, all four sides. */
export function tapeBead(id: string, context: PieceContext): BeadPiece {
  const { left, right, bottom, top } = edgesOfUnit(context, id);
  const ring: Point2[] = [
    [left, bottom],
    [left, top],
    [right, top],
    [right, bottom],
    [left, bottom],
  ];
  return {
    form: 'bead',
    id,
    paths: [ring.map(inPlane(0))],
    diameter_mm: context.numbers.beadDiameter,
  };
}

/** Back bead of a pocket unit on the old stops, the sill left with a way out. */
export function stopBead(id: string, context: PieceContext): BeadPiece {
  const { left, right, bottom, top, front } = edgesOfUnit(context, id);
  const inset = context.numbers.beadDiameter;
  const arch: Point2[] = [
    [left + inset, bottom],
    [left + inset, top - inset],
    [right - inset, top - inset],
    [right - inset, bottom],
  ];
  return { form: 'bead', id, paths: [arch.map(inPlane(front))], diameter_mm: context.numbers.beadDiameter };
}

/** The sides of the gap between frame and reveal over a depth, each a bar; the sill follows the slope. */
export function gapBars(
  id: string,
  material: SolidMaterial,
  w: Range,
  sill: boolean,
  context: PieceContext,
): Solid[] {
  const { opening, numbers } = context;
  const { left, right, bottom, top } = edgesOfUnit(context, id);
  const W = opening.width;
  const bars: (Solid | null)[] = [
    sill
      ? {
          id: `${id}-sill`,
          material,
          u: [0, W],
          profile: [
            [w[0], sillHeight(numbers, -w[0])],
            [w[1], sillHeight(numbers, -w[1])],
            [w[1], bottom],
            [w[0], bottom],
          ],
        }
      : null,
    box(`${id}-left`, material, [0, left], [bottom, top], w),
    box(`${id}-right`, material, [right, W], [bottom, top], w),
    box(`${id}-head`, material, [0, W], [top, opening.height], w),
  ];
  return bars.filter((bar) => bar !== null);
}

/** A band is butted at a corner with this much to spare at each end: common practice, no source. */
const BAND_SPARE_mm = 5;

/** What to cut for the bars of a joint: lengths of one width are one size. */
function lengthsOf(bars: readonly Solid[]): Sawn[] {
  const sizes = new Map<string, Sawn>();
  for (const { u, profile, material } of bars) {
    const [low, high] = spanOf(profile.map(([, v]) => v));
    const [back, front] = spanOf(profile.map(([w]) => w));
    const [across, along] = [u[1] - u[0], high - low].sort((a, b) => a - b) as [number, number];
    const size = {
      length_mm: along + (material === 'band' ? 2 * BAND_SPARE_mm : 0),
      // A rod is bought by its diameter; a joint wider than any that is kept takes what its own width asks for.
      width_mm: material === 'rod' ? (rodFor(across, 'closed-cell')?.diameter_mm ?? across) : across,
      thickness_mm: front - back,
      count: 1,
    };
    const key = [size.length_mm, size.width_mm].map(Math.round).join();
    const known = sizes.get(key);
    sizes.set(key, known ? { ...known, count: known.count + 1 } : size);
  }
  return [...sizes.values()];
}

const spanOf = (list: readonly number[]): [number, number] => [Math.min(...list), Math.max(...list)];

/** Insulation in the inner part of the frame's depth, at the sill too where that is chosen; the outer part stays open to drain. */
export function gapFill(id: string, material: SolidMaterial, context: PieceContext): SolidPiece {
  const { front, back } = edgesOfUnit(context, id);
  const { choices, numbers } = context;
  const outer = Math.min(front, 0);
  const inner = hasInnerJoint(context) ? back + 2 * numbers.innerSealDepth : back;
  // Where the outer joint is closed all round the whole depth behind it is filled.
  const to =
    choices.mount === 'clips' || choices.mount === 'frame-screws'
      ? outer - 2 * numbers.outerSealDepth
      : (back + outer) / 2;
  const w: Range = [inner, Math.max(inner + 1, to)];
  return solidPiece(id, gapBars(id, material, w, choices.fillSides === 'all', context));
}

const hasInnerJoint = ({ choices }: PieceContext): boolean =>
  choices.innerSeal === 'sealant-rod' || choices.innerSeal === 'precompressed';

/** Seal in the outer edge of the joint of a frame without fins; the sill open, broken or closed as the bedding is. */
export function outerSeal(id: string, material: SolidMaterial, context: PieceContext): SolidPiece {
  const { front } = edgesOfUnit(context, id);
  const deep = context.numbers.outerSealDepth;
  const closed = context.choices.bedding === 'barrier';
  const bars = gapBars(id, material, [Math.min(front, 0) - deep, Math.min(front, 0)], closed, context);
  return solidPiece(id, bars, lengthsOf(bars));
}

/** Rod behind a seal: it sets the seal's depth and keeps it from sticking on three sides. */
export function outerRod(id: string, context: PieceContext): SolidPiece {
  const { front } = edgesOfUnit(context, id);
  const deep = context.numbers.outerSealDepth;
  const closed = context.choices.bedding === 'barrier';
  const outer = Math.min(front, 0) - deep;
  const bars = gapBars(id, 'rod', [outer - deep, outer], closed, context);
  return solidPiece(id, bars, lengthsOf(bars));
}

/** Seal in the inner edge of the joint, all four sides. */
export function innerJoint(id: string, material: SolidMaterial, context: PieceContext): SolidPiece {
  const { back } = edgesOfUnit(context, id);
  const deep = context.numbers.innerSealDepth;
  const bars = gapBars(id, material, [back, back + deep], true, context);
  return solidPiece(id, bars, lengthsOf(bars));
}

export function innerRod(id: string, context: PieceContext): SolidPiece {
  const { back } = edgesOfUnit(context, id);
  const deep = context.numbers.innerSealDepth;
  const bars = gapBars(id, 'rod', [back + deep, back + 2 * deep], true, context);
  return solidPiece(id, bars, lengthsOf(bars));
}

/** A line of acoustic sealant round the reveal on which a sheet strip is laid. */
export function revealBead(id: string, context: PieceContext): BeadPiece {
  const { opening, numbers } = context;
  const { back } = edgesOfUnit(context, id);
  const w = back - numbers.sealWidth / 3;
  const low = sillHeight(numbers, -w);
  const ring: Point2[] = [
    [0, low],
    [opening.width, low],
    [opening.width, opening.height],
    [0, opening.height],
    [0, low],
  ];
  return { form: 'bead', id, paths: [ring.map(inPlane(w))], diameter_mm: numbers.innerSealDepth };
}
