/** The opening seen from outside at any moment of the work. */
import {
  clipSegment,
  edgesOf,
  intersection,
  mirrored,
  rectangle,
  sameSegment,
  type Polygon,
} from '../geometry/polygon.ts';
import { silhouette } from '../geometry/solid.ts';
import type { Build } from '../plan/draft.ts';
import { dimensionItems, trackSpace, type Dimension } from './dimensions.ts';
import type { AreaItem, Drawing, DrawItem } from './items.ts';
import { sceneAfter, type Layer } from './scene.ts';
import { fitView, type View } from './view.ts';

/** Wall shown round the opening: to the sides and below, and above where the flap stands up. */
const AROUND_mm = 200;
const ABOVE_mm = 330;

export interface DrawOptions {
  readonly width: number;
  readonly height: number;
  /** Steps done so far. */
  readonly step: number;
  readonly figure: (mm: number) => string;
}

export function faceDrawing(build: Build, options: DrawOptions): Drawing {
  const { width: W, height: H } = build.context.opening;
  const view = fitView({ x: [-AROUND_mm, W + AROUND_mm], y: [-AROUND_mm, H + ABOVE_mm] }, options, {
    left: trackSpace(2) + 8,
    right: 16,
    top: 12,
    bottom: trackSpace(2) + 6,
  });
  const scene = sceneAfter(build, options.step);
  // What lies deeper than the wall's face is seen first and covered by all that lies on the face.
  const depthFirst = [...scene.layers].sort((a, b) => Number(onFace(a)) - Number(onFace(b)));
  const items: DrawItem[] = [
    ...background(build, view),
    ...depthFirst.flatMap((layer) => layerItems(layer, view, shownWall(build))),
    ...dimensionItems(dimensions(build, view, options), view),
  ];
  return { width: options.width, height: options.height, scale: view.scale, items };
}

const onFace = (layer: Layer): boolean => {
  if (layer.kind === 'face') return layer.face.surface === 'wall';
  return layer.kind === 'bead' || layer.solids.some((solid) => silhouette(solid).front > 0);
};

/** The part of the wall on the drawing; sheets that run on are cut off at its edge. */
function shownWall({ context }: Build): Polygon {
  const { width, height } = context.opening;
  return rectangle([-AROUND_mm, width + AROUND_mm], [-AROUND_mm, height + ABOVE_mm]);
}

function background(build: Build, view: View): DrawItem[] {
  const { width: W, height: H } = build.context.opening;
  const hole = rectangle([0, W], [0, H]);
  return [
    {
      kind: 'area',
      points: shownWall(build).map(view.to),
      fill: 'wood-board',
      stroke: 'thin',
      owner: 'sheathing',
    },
    { kind: 'area', points: hole.map(view.to), fill: 'room', stroke: 'outline', owner: 'opening' },
  ];
}

function layerItems(layer: Layer, view: View, shown: Polygon): DrawItem[] {
  const stroke = layer.fresh ? 'new' : 'thin';
  const area = (points: Polygon, fill: AreaItem['fill']): AreaItem => ({
    kind: 'area',
    points: intersection(points, shown).map(view.to),
    fill,
    stroke,
    owner: layer.thing,
  });
  if (layer.kind === 'bead') {
    const points = layer.bead.path.map(([u, v]) => view.to([u, v]));
    return [
      {
        kind: 'line',
        points,
        stroke,
        width: Math.max(3, layer.bead.diameter_mm * view.scale),
        fill: 'sealant',
        owner: layer.thing,
      },
    ];
  }
  if (layer.kind === 'solid')
    return layer.solids.map((solid) => area(silhouette(solid).outline, solid.material));
  const fans = layer.fans
    .filter((fan) => fan.surface === 'wall')
    .map((fan) => area(fan.placed, layer.sheet.material));
  if (layer.face.surface !== 'wall') return fans;
  const ring = layer.lifted ? foldedBack(layer) : layer.face.placed;
  const edges = edgesOf(ring)
    .filter((_, i) => !goesOn(layer, i))
    .map((edge) => clipSegment(edge, shown))
    .filter((edge) => edge !== null);
  return [
    ...fans,
    { ...area(ring, layer.lifted ? 'wrap-back' : layer.sheet.material), stroke: 'none' },
    ...edges.map((edge): DrawItem => ({
      kind: 'line',
      points: edge.map(view.to),
      stroke,
      owner: layer.thing,
    })),
  ];
}

/** Whether a face goes on into another one of its sheet on the same surface: no edge is seen there. */
function goesOn({ sheet, face, lifted }: Extract<Layer, { kind: 'face' }>, edge: number): boolean {
  const own = edgesOf(face.flat)[edge];
  return sheet.hinges.some(({ a, b, edge: hinge }) => {
    if ((a !== face.id && b !== face.id) || !own || !sameSegment(own, hinge)) return false;
    const other = sheet.faces.find((f) => f.id === (a === face.id ? b : a));
    return other?.surface === face.surface && !lifted;
  });
}

/** A lifted face turned over about the line it hangs on. */
function foldedBack({ face, hangs }: Extract<Layer, { kind: 'face' }>): Polygon {
  return hangs ? face.placed.map((p) => mirrored(p, hangs)) : face.placed;
}

function dimensions({ context }: Build, view: View, { figure }: DrawOptions): Dimension[] {
  const { opening, unit } = context;
  const x = (u: number) => view.to([u, 0])[0];
  const y = (v: number) => view.to([0, v])[1];
  const across = (from: number, to: number, owner: string): Dimension => ({
    side: 'below',
    from: x(from),
    to: x(to),
    edge: view.frame.bottom,
    text: figure(to - from),
    owner,
  });
  const upright = (from: number, to: number, owner: string): Dimension => ({
    side: 'left',
    from: y(from),
    to: y(to),
    edge: view.frame.left,
    text: figure(to - from),
    owner,
  });
  return [
    across(0, opening.width, 'opening'),
    across(unit.left, unit.left + unit.width, 'unit'),
    upright(0, opening.height, 'opening'),
    upright(unit.bottom, unit.bottom + unit.height, 'unit'),
  ];
}
