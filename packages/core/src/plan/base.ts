/** The opening before work begins: its surfaces, and the framing and sheathing round it. */
import type { Unit, Wall } from '../documents/schema.ts';
import { box, type Solid } from '../geometry/solid.ts';
import { surface, type SurfaceId } from '../geometry/surface.ts';
import { radians, snap } from '../geometry/vector.ts';
import type { ParameterValues } from '../methods/parameters.ts';
import type { OpeningGeometry, UnitGeometry } from '../methods/pieces/context.ts';

/** Sawn framing timber, nominal two inches: common practice, no source. */
const TIMBER_mm = 38;
/** How much wall is modelled round the opening. */
const AROUND_mm = 300;
const HEADER_mm = 184;

const layer = (wall: Wall, role: Wall['layers'][number]['role']): number =>
  wall.layers.filter((l) => l.role === role).reduce((sum, l) => sum + l.thickness.mm, 0);

/** Depth of the reveal as the wall's layers add up, mm. */
export const layeredDepth = (wall: Wall): number => layer(wall, 'sheathing') + layer(wall, 'framing');

/**
 * Returns the opening's solids' faces for pieces to lie on. A measured reveal depth goes before the sum of the
 * layers; the difference counts as framing.
 */
export function openingGeometry(
  cover: { width: number; height: number },
  wall: Wall,
  measuredDepth_mm: number | undefined,
  numbers: ParameterValues,
  frameBack: number,
): OpeningGeometry {
  const [W, H] = [snap(cover.width), snap(cover.height)];
  const depth = snap(measuredDepth_mm ?? layeredDepth(wall));
  const sheathing = Math.min(layer(wall, 'sheathing'), depth);
  const a = radians(numbers.slope);
  const surfaces = {
    wall: surface('wall', 'sheathing', [0, 0, 0], [1, 0, 0], [0, 1, 0]),
    'sill-reveal': surface(
      'sill-reveal',
      'board',
      [0, numbers.boardFront, 0],
      [1, 0, 0],
      [0, Math.sin(a), -Math.cos(a)],
    ),
    'left-reveal': surface('left-reveal', 'left-stud', [0, 0, 0], [0, 1, 0], [0, 0, 1]),
    'right-reveal': surface('right-reveal', 'right-stud', [W, 0, 0], [0, 1, 0], [0, 0, -1]),
    'head-reveal': surface('head-reveal', 'header', [0, H, 0], [1, 0, 0], [0, 0, 1]),
    'unit-inside': surface('unit-inside', 'unit', [0, 0, frameBack], [1, 0, 0], [0, -1, 0]),
  } satisfies Record<SurfaceId, unknown>;
  return { width: W, height: H, sheathing, framing: depth - sheathing, depth, surfaces };
}

/** Inner face of the frame as w: the fin's back lies on the sheathing. */
export const frameBack = (unit: Unit): number => unit.fin.fromFront.mm - unit.frameDepth.mm;

export function unitGeometry(unit: Unit, at: { left: number; bottom: number }): UnitGeometry {
  return {
    width: unit.width.mm,
    height: unit.height.mm,
    left: at.left,
    bottom: at.bottom,
    frameFace: unit.frameFace.mm,
    mullions: (unit.mullions ?? []).map((m) => at.left + m.mm),
    finWidth: unit.fin.width.mm,
    holeFromFrame: unit.fin.holeFromFrame.mm,
    front: unit.fin.fromFront.mm,
    back: frameBack(unit),
  };
}

export function baseSolids({ width: W, height: H, sheathing, depth }: OpeningGeometry): Solid[] {
  const stud = [-depth, -sheathing] as const;
  const board = [-sheathing, 0] as const;
  const out = [-AROUND_mm, W + AROUND_mm] as const;
  const low = -AROUND_mm;
  const high = H + AROUND_mm;
  return [
    box('insulation-below', 'insulation', out, [low, -TIMBER_mm], stud),
    box('insulation-above', 'insulation', out, [H + HEADER_mm, high], stud),
    box('left-stud', 'wood', [-2 * TIMBER_mm, 0], [low, high], stud),
    box('right-stud', 'wood', [W, W + 2 * TIMBER_mm], [low, high], stud),
    box('rough-sill', 'wood', [-TIMBER_mm, W + TIMBER_mm], [-TIMBER_mm, 0], stud),
    box('header', 'wood', [-TIMBER_mm, W + TIMBER_mm], [H, H + HEADER_mm], stud),
    box('sheathing-below', 'wood-board', out, [low, 0], board),
    box('sheathing-left', 'wood-board', [out[0], 0], [0, H], board),
    box('sheathing-right', 'wood-board', [W, out[1]], [0, H], board),
    box('sheathing-above', 'wood-board', out, [H, high], board),
  ];
}
