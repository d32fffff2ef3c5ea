/** The opening before work begins: its surfaces, and the wall round it. */
import type { MethodDocument } from '../documents/method.ts';
import type { Unit } from '../documents/unit.ts';
import type { Wall } from '../documents/wall.ts';
import { box, type Range, type Solid } from '../geometry/solid.ts';
import { layerSolids, type SolidMaterial } from '../vocabulary/materials.ts';
import { surface, type Surface, type Surfaces } from '../geometry/surface.ts';
import { radians, snap } from '../geometry/vector.ts';
import type { Choices } from '../vocabulary/axes.ts';
import type { ParameterValues } from '../vocabulary/parameters.ts';
import { CAP_ABOVE_mm, capFall, capInward, TRAY_ABOVE_mm, trayInward } from '../methods/pieces/cap.ts';
import {
  sillHeight,
  type BuckGeometry,
  type OpeningGeometry,
  type UnitGeometry,
  type WallLayer,
} from '../methods/pieces/context.ts';
import { isMasonry } from '../vocabulary/wall-layers.ts';
import { barOf, isBarOf } from '../vocabulary/wall-bars.ts';
import { OUTER, ROOM, type Role, layerSum, layeredDepth, hasOuterLeaf } from '../methods/wall-depths.ts';

/** Sawn framing timber, nominal two inches: common practice, no source. */
const TIMBER_mm = 38;
/** How much wall is modelled round the opening. */
const AROUND_mm = 300;
const HEADER_mm = 184;

/** What a buck of this method measures; a buck given with the method goes before the numbers. */
export function buckOf(
  choices: Choices,
  numbers: ParameterValues,
  method: MethodDocument | null,
): BuckGeometry | null {
  if (choices.buck === 'none') return null;
  return {
    kind: choices.buck,
    leg: choices.buck === 'panel-frame' ? 0 : (method?.buck?.leg.mm ?? numbers.buckLeg),
    projection: method?.buck?.projection.mm ?? numbers.buckProjection,
    face: numbers.buckFace,
  };
}

/** Where the face that the unit's joint lies in stands before the sheathing, mm. */
export function faceProjection(wall: Wall, choices: Choices, buck: BuckGeometry | null): number {
  if (buck) return buck.projection;
  if (choices.waterLayer === 'foam-face') return layerSum(wall, 'exterior-board');
  if (choices.waterLayer !== 'masonry') return 0;
  return hasOuterLeaf(wall) ? layerSum(wall, ...OUTER) : layerSum(wall, 'exterior-board');
}

/**
 * Returns the opening's faces for pieces to lie on. A measured reveal depth goes before the sum of the layers; the
 * difference counts as framing.
 */
export function openingGeometry(o: {
  cover: { width: number; height: number };
  wall: Wall;
  measuredDepth_mm: number | undefined;
  numbers: ParameterValues;
  choices: Choices;
  buck: BuckGeometry | null;
  /** How much of the sill's slope is the fall of what is there, degrees outward. */
  sillFall_deg?: number;
}): OpeningGeometry {
  const { cover, wall, measuredDepth_mm, numbers, choices, buck, sillFall_deg } = o;
  const leg = buck?.leg ?? 0;
  const W = snap(cover.width - 2 * leg);
  const H = snap(cover.height - 2 * leg);
  const out = snap(faceProjection(wall, choices, buck));
  const inner = snap(measuredDepth_mm ?? layeredDepth(wall));
  const depth = out + inner;
  const geometry = {
    width: W,
    height: H,
    origin: [leg, leg, out] as const,
    sheathing: -out,
    framing: -depth,
    depth,
    layers: layersInDepth(wall, inner, out),
    buck,
    ...(sillFall_deg !== undefined && { sillFall_deg }),
  };
  return { ...geometry, surfaces: surfacesOf(geometry, numbers, choices.waterLayer === 'masonry') };
}

/** Every layer with its faces as w in the build's frame. */
function layersInDepth(wall: Wall, inner: number, out: number): WallLayer[] {
  const layers: WallLayer[] = [];
  const stack = (roles: readonly Role[], from: number, direction: 1 | -1) => {
    let at = from;
    const own = wall.layers.filter((l) => roles.includes(l.role));
    for (const { role, material, thickness } of direction === 1 ? own.toReversed() : own) {
      const to = at + direction * thickness.mm;
      layers.push({ role, material, w: [snap(Math.min(at, to)), snap(Math.max(at, to))] });
      at = to;
    }
  };
  stack(OUTER, -out, 1);
  const sheathing = Math.min(layerSum(wall, 'sheathing'), inner);
  stack(['sheathing'], -out, -1);
  const framing = wall.layers.find((l) => l.role === 'framing')?.material ?? 'stud';
  layers.push({ role: 'framing', material: framing, w: [snap(-out - inner), snap(-out - sheathing)] });
  stack(ROOM, -out - inner, -1);
  return layers;
}

type BareGeometry = Omit<OpeningGeometry, 'surfaces'>;

function surfacesOf(
  { width: W, height: H, depth, sheathing, buck }: BareGeometry,
  numbers: ParameterValues,
  masonry: boolean,
): Surfaces {
  const a = radians(numbers.slope);
  const rear = depth - numbers.panInset;
  const low = numbers.boardFront;
  const surfaces: Surfaces = {
    wall: surface('wall', 'face', [0, 0, 0], [1, 0, 0], [0, 1, 0]),
    'sill-reveal': surface('sill-reveal', 'sill', [0, low, 0], [1, 0, 0], [0, Math.sin(a), -Math.cos(a)]),
    'sill-rear': surface('sill-rear', 'dam', [0, sillHeight(numbers, rear), -rear], [1, 0, 0], [0, 1, 0]),
    'left-reveal': surface('left-reveal', 'left-stud', [0, 0, 0], [0, 1, 0], [0, 0, 1]),
    'right-reveal': surface('right-reveal', 'right-stud', [W, 0, 0], [0, 1, 0], [0, 0, -1]),
    'head-reveal': surface('head-reveal', 'header', [0, H, 0], [1, 0, 0], [0, 0, 1]),
    ...(masonry && { 'sill-bed': surface('sill-bed', 'sill', [0, 0, 0], [1, 0, 0], [0, 0, -1]) }),
  };
  if (sheathing === 0 && !buck) return surfaces;
  const leg = buck?.leg ?? 0;
  return {
    ...surfaces,
    'inner-plane': surface('inner-plane', 'sheathing', [-leg, -leg, sheathing], [1, 0, 0], [0, 1, 0]),
    'tray-shelf': surface(
      'tray-shelf',
      'tray',
      [0, H + TRAY_ABOVE_mm, sheathing],
      [1, 0, 0],
      trayInward(sheathing),
    ),
    ...(buck && buckSides({ W, H, sheathing, face: buck.face })),
  };
}

/** The outer sides of a buck, each with its first axis along the side and its second towards the weather. */
function buckSides(o: { W: number; H: number; sheathing: number; face: number }): Record<string, Surface> {
  const { W, H, sheathing: w, face } = o;
  return {
    'buck-head': surface('buck-head', 'buck-head', [0, H + face, w], [-1, 0, 0], [0, 0, 1]),
    'buck-sill': surface('buck-sill', 'buck-sill', [0, -face, w], [1, 0, 0], [0, 0, 1]),
    'buck-left': surface('buck-left', 'buck-left', [-face, 0, w], [0, -1, 0], [0, 0, 1]),
    'buck-right': surface('buck-right', 'buck-right', [W + face, 0, w], [0, 1, 0], [0, 0, 1]),
  };
}

/** The opening with the faces that come with the unit: its sides, its inside, and a cap over its head. */
export function withUnitSurfaces(
  opening: OpeningGeometry,
  unit: UnitGeometry,
  numbers: ParameterValues,
): OpeningGeometry {
  const { left, bottom, front, back } = unit;
  const [right, top] = [left + unit.width, bottom + unit.height];
  const capAt = top + CAP_ABOVE_mm;
  const out = Math.max(front, 0) + numbers.capOut;
  return {
    ...opening,
    surfaces: {
      ...opening.surfaces,
      'unit-inside': surface('unit-inside', 'unit', [0, 0, back], [1, 0, 0], [0, -1, 0]),
      // Each with its first axis along the side and its second from the face of the wall towards the weather.
      'unit-left': surface('unit-left', 'unit', [left, 0, 0], [0, -1, 0], [0, 0, 1]),
      'unit-right': surface('unit-right', 'unit', [right, 0, 0], [0, 1, 0], [0, 0, 1]),
      'unit-head': surface('unit-head', 'unit', [0, top, 0], [-1, 0, 0], [0, 0, 1]),
      'unit-sill': surface('unit-sill', 'unit', [0, bottom, 0], [1, 0, 0], [0, 0, 1]),
      'cap-shelf': surface('cap-shelf', 'drip-cap', [0, capAt, 0], [1, 0, 0], capInward),
      'cap-drop': surface('cap-drop', 'drip-cap', [0, capAt - capFall(out), out], [1, 0, 0], [0, 1, 0]),
    },
  };
}

/** Frame outside and inside as w: a fin lies on the face, a frame without fins stands where it is set. */
export function unitDepth(
  unit: Unit,
  o: { finned: boolean; setback: number },
): { front: number; back: number } {
  const front = o.finned ? unit.fin.fromFront.mm : -o.setback;
  return { front, back: front - unit.frameDepth.mm };
}

export function unitGeometry(
  unit: Unit,
  at: { left: number; bottom: number; front: number; back: number; finned: boolean },
): UnitGeometry {
  return {
    width: unit.width.mm,
    height: unit.height.mm,
    left: at.left,
    bottom: at.bottom,
    frameFace: unit.frameFace.mm,
    mullions: (unit.mullions ?? []).map((m) => at.left + m.mm),
    finWidth: at.finned ? unit.fin.width.mm : 0,
    holeFromFrame: at.finned ? unit.fin.holeFromFrame.mm : 0,
    ...(unit.fin.holePitch && { holePitch: unit.fin.holePitch.mm }),
    front: at.front,
    back: at.back,
  };
}

/** Four bars round the opening that leave a hole of W × H with the edge `free` from it. */
function round(
  role: Role,
  material: SolidMaterial,
  o: { W: number; H: number; free: number; w: Range; sill?: number },
): Solid[] {
  const { W, H, free, w, sill = -free } = o;
  const out: Range = [-AROUND_mm, W + AROUND_mm];
  return [
    box(barOf(role, 'below'), material, out, [-AROUND_mm, Math.min(-free, sill)], w),
    box(barOf(role, 'left'), material, [out[0], -free], [-free, H + free], w),
    box(barOf(role, 'right'), material, [W + free, out[1]], [-free, H + free], w),
    box(barOf(role, 'above'), material, out, [H + free, H + AROUND_mm], w),
  ];
}

/** Whether a solid is one of the bars that a layer of the wall is made of. */
export const isOfLayer = ({ id }: Solid, role: Role): boolean => isBarOf(id, role);

/** What stands before the first step of the work. */
export function baseSolids(geometry: OpeningGeometry, choices: Choices, numbers: ParameterValues): Solid[] {
  const { width: W, height: H, layers, buck } = geometry;
  const leg = buck?.leg ?? 0;
  const old = choices.waterLayer === 'existing' ? oldFrame(geometry, numbers) : [];
  const framed = choices.sillDrain === 'framed-slope' && !buck;
  const outerStands = choices.waterLayer === 'masonry' || (choices.waterLayer === 'foam-face' && !buck);
  const walls = layers.flatMap(({ role, material, w }): Solid[] => {
    // A sill that is framed at a slope has its outer edge below where the opening is measured.
    const whole = { W, H, free: leg, w, ...(framed && { sill: numbers.boardFront }) };
    if (role === 'framing')
      return isMasonry(material)
        ? round(role, 'masonry', whole)
        : studs(geometry, w, framed ? numbers : null);
    if (role === 'sheathing') return round(role, layerSolids[material] ?? 'wood-board', whole);
    if (role === 'exterior-board' || role === 'cladding')
      return outerStands ? round(role, layerSolids[material] ?? 'foam-board', whole) : [];
    // The finish of the room comes after the window; old walls have theirs.
    if (role === 'interior-finish' && choices.waterLayer === 'existing') return round(role, 'plaster', whole);
    return [];
  });
  return [...walls, ...old];
}

const STOP_WIDTH_mm = 12;

/** What is kept of the old window: its sloped sill, and the stops that the new unit is set against from inside. */
function oldFrame({ width: W, height: H, depth }: OpeningGeometry, numbers: ParameterValues): Solid[] {
  const stop: Range = [-numbers.setback, 0];
  return [
    {
      id: 'old-sill',
      material: 'wood',
      u: [0, W],
      profile: [
        [0, 0],
        [0, numbers.boardFront],
        [-depth, sillHeight(numbers, depth)],
        [-depth, 0],
      ],
    },
    box('old-stop-left', 'wood', [0, STOP_WIDTH_mm], [0, H], stop),
    box('old-stop-right', 'wood', [W - STOP_WIDTH_mm, W], [0, H], stop),
    box('old-stop-head', 'wood', [0, W], [H - STOP_WIDTH_mm, H], stop),
  ];
}

/** @param sloped numbers of a sill that is framed at a slope */
function studs(
  { width: W, height: H, buck }: OpeningGeometry,
  w: Range,
  sloped: ParameterValues | null,
): Solid[] {
  const leg = buck?.leg ?? 0;
  const [left, right, low, high] = [-leg, W + leg, -leg, H + leg];
  const out: Range = [-AROUND_mm, W + AROUND_mm];
  return [
    sloped
      ? slantedBar('insulation-below', 'insulation', out, w, [slopedAt(sloped, w, -TIMBER_mm), LOWEST])
      : box('insulation-below', 'insulation', out, [-AROUND_mm, low - TIMBER_mm], w),
    box('insulation-above', 'insulation', out, [high + HEADER_mm, H + AROUND_mm], w),
    box('insulation-left', 'insulation', [out[0], left - 2 * TIMBER_mm], [-AROUND_mm, H + AROUND_mm], w),
    box('insulation-right', 'insulation', [right + 2 * TIMBER_mm, out[1]], [-AROUND_mm, H + AROUND_mm], w),
    box('left-stud', 'wood', [left - 2 * TIMBER_mm, left], [-AROUND_mm, H + AROUND_mm], w),
    box('right-stud', 'wood', [right, right + 2 * TIMBER_mm], [-AROUND_mm, H + AROUND_mm], w),
    sloped
      ? slantedBar('rough-sill', 'wood', [left - TIMBER_mm, right + TIMBER_mm], w, [
          slopedAt(sloped, w, 0),
          slopedAt(sloped, w, -TIMBER_mm),
        ])
      : box('rough-sill', 'wood', [left - TIMBER_mm, right + TIMBER_mm], [low - TIMBER_mm, low], w),
    box('header', 'wood', [left - TIMBER_mm, right + TIMBER_mm], [high, high + HEADER_mm], w),
  ];
}

/** Heights at the inner and the outer edge of what is framed. */
type Edges = readonly [inner: number, outer: number];
const LOWEST: Edges = [-AROUND_mm, -AROUND_mm];

/** A sill on cripples that are cut at an angle, or what lies `by_mm` over it. */
const slopedAt = (numbers: ParameterValues, [inner, outer]: Range, by_mm: number): Edges => [
  sillHeight(numbers, -inner) + by_mm,
  sillHeight(numbers, -outer) + by_mm,
];

function slantedBar(
  id: string,
  material: SolidMaterial,
  u: Range,
  [inner, outer]: Range,
  [top, bottom]: readonly [Edges, Edges],
): Solid {
  const profile = [
    [inner, bottom[0]],
    [outer, bottom[1]],
    [outer, top[1]],
    [inner, top[0]],
  ] as const;
  return { id, material, u, profile };
}
