/** The finished wall cut for heat: level and plumb boxes of everything with thickness, and what only stops air. */
import { sceneAfter } from '../../build/scene.ts';
import { crossings, sectionOf } from '../../build/section.ts';
import type { CutId } from '../../vocabulary/sides.ts';
import { area, bounds, type Polygon } from '../../geometry/polygon.ts';
import { cutThrough, type CutPlane, type Range, type Solid } from '../../geometry/solid.ts';
import { surfaceOf } from '../../geometry/surface.ts';
import type { Point2 } from '../../geometry/vector.ts';
import { sheetMaterials } from '../../vocabulary/materials.ts';
import { sillHeight } from '../../methods/pieces/context.ts';
import { isOfLayer } from '../../build/base.ts';
import type { Build } from '../../build/build.ts';
import { piecesFor } from '../../build/by-role.ts';
import { UNIT } from '../../methods/names.ts';
import { isVentilated, countedLayers } from '../../build/wall-layers.ts';

/** x runs from the weather into the wall, y along it: up in a plumb cut, to the right in a level one. Millimetres. */
export interface HeatBox {
  readonly thing: string;
  /** A name that `conductivities` knows, or `frame` and `glass` of the unit. */
  readonly material: string;
  readonly x: Range;
  readonly y: Range;
}

export interface CutBoxes {
  readonly cut: CutId;
  readonly plane: CutPlane;
  /** In painting order. */
  readonly boxes: readonly HeatBox[];
  /** Sheets too thin to count for heat: they part the air of a joint from that of the room and the weather. */
  readonly sheets: readonly HeatBox[];
  /** Sheets left out, by thing. */
  readonly leftOut: readonly string[];
}

/** How far the wall goes on beyond the opening: three times its thickness, a metre at least. Source: ISO 10211, from memory. */
const LEAST_WALL_mm = 1000;
/** Solids are drawn this far round the opening; beyond them the wall is its layers. */
const DRAWN_mm = 300;
/** How much of the pane stands beyond the frame. Source: ISO 10077-2, from memory. */
const PANE_mm = 190;
/** Sheets stop air over this thickness here, whatever theirs is. */
const SHEET_mm = 1.5;
const ON_mm = 0.05;

const GLAZED = ['frame', 'glass'];

/** Which way the wall lies from the opening, where it begins and where the unit stands, along y. */
export function sideOf({ context }: Build, cut: CutId) {
  const { opening, unit } = context;
  const right = unit.left + unit.width;
  const top = unit.bottom + unit.height;
  return {
    sill: { outward: -1, edge: 0, unit: unit.bottom, middle: unit.bottom + unit.height / 2 },
    head: { outward: 1, edge: opening.height, unit: top, middle: unit.bottom + unit.height / 2 },
    left: { outward: -1, edge: 0, unit: unit.left, middle: unit.left + unit.width / 2 },
    right: { outward: 1, edge: opening.width, unit: right, middle: unit.left + unit.width / 2 },
  }[cut];
}

/** The whole range along y that is solved: the wall far from the opening, and the unit's frame and pane. */
export function extentOf(build: Build, cut: CutId): Range {
  const { outward, edge, unit, middle } = sideOf(build, cut);
  const layers = countedLayers(build);
  const thick = Math.max(...layers.map((l) => l.x[1])) - Math.min(...layers.map((l) => l.x[0]));
  const leg = build.context.opening.buck?.leg ?? 0;
  const far = edge + outward * (leg + Math.max(LEAST_WALL_mm, 3 * thick));
  const pane = unit - outward * (build.context.unit.frameFace + PANE_mm);
  const near = outward < 0 ? Math.min(pane, middle) : Math.max(pane, middle);
  return outward < 0 ? [far, near] : [near, far];
}

/** @param through a cut through this solid instead of the usual one beside the shims */
export function cutBoxes(build: Build, cut: CutId, through?: Solid): CutBoxes {
  const usual = sectionOf(build, cut).plane;
  const plane = through ? { ...usual, at: middleOf(through, usual) } : usual;
  const extent = extentOf(build, cut);
  const { layers } = sceneAfter(build, build.steps.length);
  const level = leveller(build, plane);
  const ventilated = isVentilated(build);
  const window = { w: [-10_000, 10_000] as const, across: extent };
  const cutSolids = (solids: readonly Solid[], thing: string | null): HeatBox[] =>
    cutThrough(solids, plane, window).map(({ owner, material, outline }) => ({
      thing: thing ?? owner,
      material,
      ...boxOf(level(outline)),
    }));
  const solids = [
    ...farWall(build, cut, extent),
    // A ventilated cladding is weather: the wall ends at its cavity.
    ...cutSolids(ventilated ? build.base.filter((solid) => !isOfLayer(solid, 'cladding')) : build.base, null),
    ...layers.flatMap((l) => (l.kind === 'solid' ? cutSolids(l.solids, l.thing) : [])),
  ];
  const faces = layers.flatMap((layer) => {
    if (layer.kind !== 'face' || layer.lifted) return [];
    const { normal } = surfaceOf(build.context.opening.surfaces, layer.face.surface);
    const out: Point2 = [-normal[2], plane.axis === 'u' ? normal[1] : normal[0]];
    const { material } = layer.sheet;
    return crossings(layer.face, plane).map((line) => ({
      thing: layer.thing,
      material,
      metal: material === 'sheet-metal',
      line: level(line, true).map(([w, v]): Point2 => [-w, v]),
      out,
    }));
  });
  const slab = (thick: number) => (face: (typeof faces)[number]) => ({
    thing: face.thing,
    material: face.material,
    ...slabOf(face.line, face.out, thick),
  });
  const metal = faces.filter((f) => f.metal).map(slab(sheetMaterials['sheet-metal'].thickness_mm));
  return {
    cut,
    plane,
    boxes: [...solids, ...metal].flatMap((box) => clipped(box, extent)),
    // On the side of what they lie on, where a joint behind them begins.
    sheets: faces
      .map((f) => slab(SHEET_mm)({ ...f, out: [-f.out[0], -f.out[1]] }))
      .flatMap((box) => clipped(box, extent)),
    leftOut: [...new Set(faces.filter((f) => !f.metal).map((f) => f.thing))],
  };
}

const middleOf = ({ u, profile }: Solid, { axis }: CutPlane): number => {
  const { y } = bounds(profile);
  return axis === 'u' ? (u[0] + u[1]) / 2 : (y[0] + y[1]) / 2;
};

/** Whether the frame's middle stands among the layers that count or in a buck; beyond them nothing joins it to the wall. */
export function standsInWall(build: Build): boolean {
  const { front, back } = build.context.unit;
  // A buck's face is where the depth is counted from.
  const layers = countedLayers(build);
  const outer = build.context.opening.buck ? 0 : Math.min(...layers.map((l) => l.x[0]));
  const inner = Math.max(...layers.map((l) => l.x[1]));
  const middle = -(front + back) / 2;
  return middle > outer && middle < inner;
}

/** The unit alone: its frame and pane, cut as in the wall. */
export const unitBoxes = ({ boxes }: CutBoxes): HeatBox[] =>
  boxes.filter(({ thing, material }) => thing === UNIT && GLAZED.includes(material));

/** Layers where no solid stands for them: all of them far from the opening, and those that come after the unit. */
function farWall(build: Build, cut: CutId, extent: Range): HeatBox[] {
  const { outward, edge } = sideOf(build, cut);
  const drawn = new Set(build.base.map(({ id }) => id.replace(/-(below|above|left|right)$/, '')));
  const board = piecesFor(build, 'exterior-board').length > 0;
  const range = (from: number): Range => (outward < 0 ? [extent[0], from] : [from, extent[1]]);
  return countedLayers(build).map(({ role, material, x }) => {
    const stands =
      role === 'framing' || drawn.has(role) || (role === 'exterior-board' && board) || role === 'sheathing';
    return { thing: role, material, x, y: range(stands ? edge + outward * DRAWN_mm : edge) };
  });
}

/**
 * Slopes enter as level boxes of mean thickness: what lies on the sloped sill is moved to its height in the middle of
 * the reveal. Jambs are cut level and have no slopes.
 */
function leveller({ context }: Build, { axis }: CutPlane): (outline: Polygon, isLine?: boolean) => Polygon {
  const { numbers, opening } = context;
  const mean = sillHeight(numbers, opening.depth / 2);
  if (axis === 'v' || sillHeight(numbers, opening.depth) - numbers.boardFront < ON_mm)
    return (outline) => outline;
  const onSlope = ([w, v]: Point2) =>
    w < ON_mm && w > -opening.depth - ON_mm && Math.abs(v - sillHeight(numbers, -w)) < ON_mm;
  return (outline, isLine = false) => {
    const on = outline.filter(onSlope);
    if (on.length === 0) return outline;
    if (isLine) return outline.map((p): Point2 => (onSlope(p) ? [p[0], mean] : p));
    const lowest = Math.min(...outline.map((p) => p[1]));
    // A single corner that touches the slope lies on it when it is the outline's foot.
    const foot = on.some((p) => p[1] < lowest + ON_mm);
    if (on.length === 1 && !foot) return outline;
    return outline.map((p): Point2 => (onSlope(p) || (foot && p[1] < lowest + ON_mm) ? [p[0], mean] : p));
  };
}

/** The box of an outline in (w, v): its depth, and its mean thickness on the side that is level. */
function boxOf(outline: Polygon): { x: Range; y: Range } {
  const { x, y } = bounds(outline);
  const depth = x[1] - x[0];
  const thick = depth > 0 ? Math.abs(area(outline)) / depth : 0;
  const levelBelow = outline.filter((p) => p[1] < y[0] + ON_mm).length > 1;
  return {
    x: [-x[1], -x[0]],
    y: levelBelow ? [y[0], y[0] + thick] : [y[1] - thick, y[1]],
  };
}

/** A level or plumb slab on one side of a line, a little longer than it so that slabs meet at their folds. */
function slabOf(line: readonly Point2[], out: Point2, thick: number): { x: Range; y: Range } {
  const { x, y } = bounds(line);
  if (x[1] - x[0] >= y[1] - y[0]) {
    const middle = (y[0] + y[1]) / 2;
    const side = out[1] < 0 ? -1 : 1;
    const other = middle + side * thick;
    return { x: [x[0] - thick, x[1] + thick], y: [Math.min(middle, other), Math.max(middle, other)] };
  }
  const middle = (x[0] + x[1]) / 2;
  const other = middle + (out[0] < 0 ? -1 : 1) * thick;
  return { x: [Math.min(middle, other), Math.max(middle, other)], y: [y[0] - thick, y[1] + thick] };
}

function clipped(box: HeatBox, [low, high]: Range): HeatBox[] {
  const y: Range = [Math.max(box.y[0], low), Math.min(box.y[1], high)];
  return y[1] - y[0] > 1e-6 && box.x[1] - box.x[0] > 1e-6 ? [{ ...box, y }] : [];
}
