/** The opening seen from outside at any moment of the work. */
import { sashItems } from './sash.ts';
import {
  area as ringArea,
  bounds,
  clipSegment,
  edgesOf,
  intersection,
  mirrored,
  overlaps,
  rectangle,
  sameSegment,
  type Polygon,
  type Segment,
} from '../geometry/polygon.ts';
import { silhouette, type Range, type Solid } from '../geometry/solid.ts';
import type { Point2, Point3 } from '../geometry/vector.ts';
import { UNIT } from '../methods/names.ts';
import type { Build } from '../build/build.ts';
import { dimensionItems, trackSpace, type Dimension } from './dimensions.ts';
import { faceHandles } from './handles.ts';
import { LABEL_SIZE, textBox, textWidth, type AreaItem, type Drawing, type DrawItem } from './items.ts';
import { sceneAfter, type Layer } from '../build/scene.ts';
import { CLEAR_mm, layersOfOthers } from './to-come.ts';
import { fitView, type View } from './view.ts';

/** Wall shown round the opening: to the sides and below, and above where the flap stands up. */
const AROUND_mm = 200;
const ABOVE_mm = 330;

/** Parts of a drawing that can be left out. */
export const drawingLayers = ['dimensions', 'names', 'wall', 'sheets'] as const;
export type DrawingLayer = (typeof drawingLayers)[number];

export interface DrawOptions {
  readonly width: number;
  readonly height: number;
  /** Steps done so far. */
  readonly step: number;
  readonly figure: (mm: number) => string;
  readonly hide?: ReadonlySet<DrawingLayer>;
  /** Pixels per millimetre, for drawings to measure on: the paper is then as large as it must be. */
  readonly fixedScale?: number;
}

export interface FaceOptions extends DrawOptions {
  readonly from?: 'outside' | 'inside';
  /** What the two dimensions each way are of; without it they bear figures alone. */
  readonly dimensionNames?: { readonly opening: string; readonly unit: string };
  /** Names what stood before the work, where it is seen and has room for its name. */
  readonly wallName?: (thing: string) => string;
}

export function faceDrawing(build: Build, options: FaceOptions): Drawing {
  const { width: W, height: H } = build.context.opening;
  const inside = options.from === 'inside';
  const x = [-AROUND_mm, W + AROUND_mm] as const;
  const tracks = options.hide?.has('dimensions') ? 0 : trackSpace(2);
  const plain = fitView({ x: inside ? [-x[1], -x[0]] : x, y: [-AROUND_mm, H + ABOVE_mm] }, options, {
    left: tracks + 8,
    right: 16,
    top: 12,
    bottom: tracks + 6,
  });
  // From the room left and right change.
  const view: View = inside ? { ...plain, to: ([u, v]) => plain.to([-u, v]) } : plain;
  const scene = sceneAfter(build, options.step);
  const shown = shownWall(build);
  const seen = [
    ...(options.hide?.has('wall') ? [] : build.base.map((solid) => baseLayer(solid))),
    ...scene.layers.filter((l) => !(options.hide?.has('sheets') && l.kind === 'face')),
  ].sort((a, b) => depthOf(a, inside) - depthOf(b, inside) || a.order - b.order);
  const items: DrawItem[] = [
    {
      kind: 'area',
      points: rectangle([0, W], [0, H]).map(view.to),
      fill: 'room',
      stroke: 'outline',
      owner: 'opening',
    },
    ...seen.flatMap((layer) => layerItems(layer, view, shown)),
    ...(scene.layers.some(({ thing }) => thing === UNIT) ? sashItems(build, view.to) : []),
    ...(options.hide?.has('dimensions') ? [] : dimensionItems(dimensions(build, view, options), view)),
    ...(options.wallName && !options.hide?.has('names') && !options.hide?.has('wall')
      ? [
          ...wallNames(seen, view, shown, options.wallName),
          ...(scene.layers.some(({ thing }) => thing === UNIT)
            ? [
                ...frameName(build, view, options.wallName),
                ...(inside ? [] : claddingToCome(build, view, options.wallName)),
              ]
            : []),
        ]
      : []),
  ];
  const handles = inside || options.hide?.has('sheets') ? [] : faceHandles(scene.layers, view.to);
  const place = ([u, v]: Point3): Point2 => view.to([u, v]);
  const { width, height, scale, frame } = view;
  return { width, height, scale, items, handles, place, frame };
}

const BEFORE_WORK = -1;

const baseLayer = (solid: Solid): Layer => ({
  kind: 'solid',
  thing: solid.id,
  solids: [solid],
  order: BEFORE_WORK,
  fresh: false,
});

/** How near to the eye a layer lies: what is deeper is seen first and covered. Sheets lie on the solids under them. */
function depthOf(layer: Layer, inside: boolean): number {
  if (layer.kind === 'bead') return (inside ? -1 : 1) * (layer.bead.paths[0]?.[0]?.[2] ?? 0);
  if (layer.kind === 'face') {
    const ws = layer.face.space.map((p) => p[2]);
    return Math.round(inside ? -Math.min(...ws) : Math.max(...ws));
  }
  const parts = layer.solids.map(silhouette);
  const front = Math.max(...parts.map((p) => p.front));
  const back = Math.min(...parts.map((p) => p.back));
  // Thin packs lie under the sheet that is pressed onto them.
  const near = front - back < THIN_mm ? [back, back] : [back, front];
  return (inside ? -(near[0] ?? back) : (near[1] ?? front)) - UNDER_mm;
}

const THIN_mm = 5;
const UNDER_mm = 1;

/** The part of the wall on the drawing; sheets that run on are cut off at its edge. */
function shownWall({ context }: Build): Polygon {
  const { width, height } = context.opening;
  return rectangle([-AROUND_mm, width + AROUND_mm], [-AROUND_mm, height + ABOVE_mm]);
}

/** Faces seen edge-on are nothing to draw. */
const LEAST_AREA_mm2 = 1;

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
    return layer.bead.paths.map((path): DrawItem => ({
      kind: 'line',
      points: path.map(([u, v]) => view.to([u, v])),
      stroke,
      width: Math.max(3, layer.bead.diameter_mm * view.scale),
      fill: 'sealant',
      owner: layer.thing,
    }));
  }
  if (layer.kind === 'solid')
    return layer.solids.map((solid) => area(silhouette(solid).outline, solid.material));
  const fans = layer.fans
    .filter((fan) => fan.surface === 'wall')
    .map((fan) => area(fan.placed, layer.sheet.material));
  const flat = layer.face.space.map(([u, v]): Point2 => [u, v]);
  if (Math.abs(ringArea(flat)) < LEAST_AREA_mm2) return fans;
  const ring = layer.lifted ? foldedBack(layer) : flat;
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

/** Names of what stood before the work, in the middle of what is seen of it; what is covered or too small bears none. */
function wallNames(
  seen: readonly Layer[],
  view: View,
  shown: Polygon,
  name: (thing: string) => string,
): DrawItem[] {
  const named = new Set<string>();
  return seen.flatMap((layer, i): DrawItem[] => {
    if (layer.order !== BEFORE_WORK || layer.kind !== 'solid' || named.has(layer.thing)) return [];
    const points = layer.solids.flatMap((solid) =>
      intersection(silhouette(solid).outline, shown).map(view.to),
    );
    if (points.length === 0) return [];
    const { x, y } = bounds(points);
    const [wide, high] = [x[1] - x[0], y[1] - y[0]];
    const at: Point2 = [(x[0] + x[1]) / 2, (y[0] + y[1]) / 2];
    const text = name(layer.thing);
    const turned = high > wide;
    const room =
      textWidth(text, LABEL_SIZE) + 8 < (turned ? high : wide) && LABEL_SIZE + 4 < (turned ? wide : high);
    // What lies nearer to the eye must leave the name free.
    const box = rectangle(...boxRanges({ at, text, turned }));
    const covered = seen
      .slice(i + 1)
      .some((other) =>
        silhouettesOf(other).some((ring) => overlaps(intersection(ring, shown).map(view.to), box)),
      );
    if (!room || covered) return [];
    named.add(layer.thing);
    return [{ kind: 'text', at, text, size: LABEL_SIZE, turned, tone: 'quiet', owner: layer.thing }];
  });
}

/** The frame is narrow: its name stands in the glass, with a line to it. */
function frameName({ context: { unit } }: Build, view: View, name: (thing: string) => string): DrawItem[] {
  const text = name(UNIT);
  const [left, right] = [view.to([unit.left, 0])[0], view.to([unit.left + unit.width, 0])[0]];
  const [from, to] = [Math.min(left, right), Math.max(left, right)];
  const wide = textWidth(text, LABEL_SIZE);
  if (to - from < wide + 4 * FRAME_px) return [];
  const y = view.to([0, unit.bottom + unit.height * NAME_HEIGHT])[1];
  const middle = (from + to) / 2;
  return [
    {
      kind: 'line',
      points: [
        [middle - wide / 2 - 4, y],
        [from + FRAME_px / 2, y],
      ],
      stroke: 'leader',
      owner: UNIT,
    },
    { kind: 'text', at: [middle, y], text, size: LABEL_SIZE, turned: false, tone: 'quiet', owner: UNIT },
  ];
}

/** About as wide as a frame is drawn, px; and at which share of the unit's height its name stands. */
const FRAME_px = 10;
const NAME_HEIGHT = 0.62;

/** The edge of the cladding round the frame, as it will stand. */
function claddingToCome(build: Build, view: View, name: (thing: string) => string): DrawItem[] {
  if (!layersOfOthers(build).some(({ role }) => role === 'cladding')) return [];
  const { unit } = build.context;
  const ring = rectangle(
    [unit.left - CLEAR_mm, unit.left + unit.width + CLEAR_mm],
    [unit.bottom - CLEAR_mm, unit.bottom + unit.height + CLEAR_mm],
  ).map(view.to);
  const text = name('cladding');
  const at = view.to([unit.left + unit.width / 2, unit.bottom - CLEAR_mm - AROUND_mm / 2]);
  return [
    { kind: 'line', points: [...ring, ...ring.slice(0, 1)], stroke: 'hidden', owner: 'cladding' },
    { kind: 'text', at, text, size: LABEL_SIZE, turned: false, tone: 'quiet', owner: 'cladding' },
  ];
}

const boxRanges = (of: { at: Point2; text: string; turned: boolean }): [Range, Range] => {
  const { x, y } = textBox({ ...of, size: LABEL_SIZE });
  return [x, y];
};

const silhouettesOf = (layer: Layer): Polygon[] =>
  layer.kind === 'solid'
    ? layer.solids.map((solid) => silhouette(solid).outline)
    : layer.kind === 'face'
      ? [layer.face.space.map(([u, v]): Point2 => [u, v])]
      : [];

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
  const flat = face.space.map(([u, v]): Point2 => [u, v]);
  if (!hangs) return flat;
  const line: Segment = [
    [hangs[0][0], hangs[0][1]],
    [hangs[1][0], hangs[1][1]],
  ];
  return flat.map((p) => mirrored(p, line));
}

function dimensions({ context }: Build, view: View, { figure, dimensionNames }: FaceOptions): Dimension[] {
  const { opening, unit } = context;
  const named = (owner: typeof UNIT | 'opening', mm: number): string =>
    dimensionNames ? `${dimensionNames[owner === UNIT ? 'unit' : 'opening']} ${figure(mm)}` : figure(mm);
  const x = (u: number) => view.to([u, 0])[0];
  const y = (v: number) => view.to([0, v])[1];
  const across = (from: number, to: number, owner: typeof UNIT | 'opening'): Dimension => ({
    side: 'below',
    from: x(from),
    to: x(to),
    edge: view.frame.bottom,
    text: named(owner, to - from),
    owner,
  });
  const upright = (from: number, to: number, owner: typeof UNIT | 'opening'): Dimension => ({
    side: 'left',
    from: y(from),
    to: y(to),
    edge: view.frame.left,
    text: named(owner, to - from),
    owner,
  });
  return [
    across(0, opening.width, 'opening'),
    across(unit.left, unit.left + unit.width, UNIT),
    upright(0, opening.height, 'opening'),
    upright(unit.bottom, unit.bottom + unit.height, UNIT),
  ];
}
