/** A plumb cut through the sill, weather on the left, room on the right, at any moment of the work. */
import type { SheetFace } from '../geometry/sheet.ts';
import { cutAcross, type Range, type Solid } from '../geometry/solid.ts';
import type { SurfaceId } from '../geometry/surface.ts';
import { distance2, type Point2 } from '../geometry/vector.ts';
import { sillHeight } from '../methods/pieces/context.ts';
import type { Build } from '../plan/draft.ts';
import { dimensionItems, trackSpace, type Dimension } from './dimensions.ts';
import type { DrawOptions } from './face.ts';
import { LABEL_SIZE, textWidth, type Drawing, type DrawItem } from './items.ts';
import { labelColumn, type Label } from './labels.ts';
import { sceneAfter, type Layer } from './scene.ts';
import { fitView, type View } from './view.ts';

const BELOW_mm = 130;
const ABOVE_mm = 150;
const OUTSIDE_mm = 40;
const INSIDE_mm = 40;
/** Thin things are drawn this thick on paper, side by side where they lie on each other. */
const SHEET_px = 3;
const FOLD_mm = 0.1;
/** On narrower paper the drawing needs the room that names would take. */
const NAMES_FROM_px = 560;

export interface SillOptions extends DrawOptions {
  readonly name: (piece: string) => string;
}

/** Cut next to the middle, where no shim stands in the way. */
export function sillDrawing(build: Build, options: SillOptions): Drawing {
  const { opening, unit } = build.context;
  const u = cutPlane(build);
  const window = {
    w: [-opening.depth - INSIDE_mm, Math.max(unit.front, 0) + OUTSIDE_mm],
    v: [-BELOW_mm, unit.bottom + ABOVE_mm],
  } as const;
  const scene = sceneAfter(build, options.step);
  const sheets = sheetLines(build, scene.layers, u, window.v);
  const named = options.width >= NAMES_FROM_px;
  const room = named ? namesWidth(sheets, options.name) : { outside: 12, inside: 12 };
  const view = fitView({ x: [-window.w[1], -window.w[0]], y: window.v }, options, {
    left: room.outside + trackSpace(1),
    right: room.inside + trackSpace(2),
    top: trackSpace(1) + 14,
    bottom: trackSpace(2) + 6,
  });
  const solids = scene.layers.flatMap((layer) =>
    layer.kind === 'solid' ? layer.solids.map((s) => ({ solid: s, layer })) : [],
  );
  const cut = (list: readonly Solid[]) => cutAcross(list, u, window);
  const toPaper = ([w, v]: Point2): Point2 => view.to([-w, v]);
  const items: DrawItem[] = [
    ...cut(build.base).map((r): DrawItem => ({
      kind: 'area',
      points: r.outline.map(toPaper),
      fill: r.material,
      stroke: 'outline',
      owner: r.owner,
    })),
    ...solids.flatMap(({ solid, layer }) =>
      cut([solid]).map((r): DrawItem => ({
        kind: 'area',
        points: r.outline.map(toPaper),
        fill: r.material,
        stroke: layer.fresh ? 'new' : 'outline',
        owner: layer.thing,
      })),
    ),
    ...joined(sheets, toPaper).map(({ layer, points }): DrawItem => ({
      kind: 'line',
      points,
      stroke: layer.fresh ? 'new' : 'none',
      width: SHEET_px,
      fill: layer.sheet.material,
      owner: layer.thing,
    })),
    ...dimensionItems(dimensions(build, view, options), view),
    ...(named ? names(sheets, view, toPaper, options) : []),
  ];
  return { width: options.width, height: options.height, scale: view.scale, items };
}

/** A point of a sheet's line moved out by what lies beneath it. */
function setOff({ normal, beneath }: SheetLine, [x, y]: Point2): Point2 {
  const off = (SHEET_px + 1) * (beneath + 0.5);
  return [x - normal[0] * off, y - normal[1] * off];
}

/** Lines on paper, set off by what lies beneath; faces of one sheet that meet at a fold are one line. */
function joined(sheets: readonly SheetLine[], toPaper: (p: Point2) => Point2) {
  const lines: { layer: SheetLine['layer']; ends: readonly Point2[]; points: readonly Point2[] }[] = [];
  for (const met of sheets) {
    const { layer, line } = met;
    const points = line.map((p) => setOff(met, toPaper(p)));
    const meets = (p?: Point2, q?: Point2) => p !== undefined && q !== undefined && distance2(p, q) < FOLD_mm;
    const before = lines.find(
      (l) => l.layer.thing === layer.thing && l.ends.some((e) => line.some((p) => meets(e, p))),
    );
    if (!before) {
      lines.push({ layer, ends: line, points });
      continue;
    }
    const { ends } = before;
    const startsThere = meets(ends.at(-1), line[0]) || meets(ends[0], line[0]);
    const [here, there] = startsThere ? [line, points] : [line.toReversed(), points.toReversed()];
    const atEnd = meets(ends.at(-1), here[0]);
    before.ends = atEnd ? [...ends, ...here] : [...here.toReversed(), ...ends];
    before.points = atEnd ? [...before.points, ...there] : [...there.toReversed(), ...before.points];
  }
  return lines;
}

/** Sideways place of the cut: the middle between the first two sill shims. */
function cutPlane({ context, pieces }: Build): number {
  const shims = pieces.find((p) => p.id === 'sill-shims');
  const [first, second] = shims?.form === 'solid' ? shims.solids : [];
  if (!first || !second) return context.unit.left + context.unit.width / 2;
  return (first.u[1] + second.u[0]) / 2;
}

interface SheetLine {
  readonly layer: Extract<Layer, { kind: 'face' }>;
  /** (w, v) ends. */
  readonly line: readonly Point2[];
  readonly normal: Point2;
  readonly beneath: number;
}

/** Faces met by the cut, with how many others lie under each. */
function sheetLines(build: Build, layers: readonly Layer[], u: number, shown: Range): SheetLine[] {
  const met: SheetLine[] = [];
  for (const layer of layers) {
    if (layer.kind !== 'face' || layer.lifted) continue;
    const whole = cutFace(layer.face, u);
    const line = whole && withinHeight(whole, shown);
    if (!line) continue;
    const { normal } = build.context.opening.surfaces[layer.face.surface];
    const beneath = met.filter(
      (m) => m.layer.face.surface === layer.face.surface && reaches(m.line, line),
    ).length;
    met.push({ layer, line, normal: [normal[2], normal[1]], beneath });
  }
  return met;
}

const SILL_SURFACES: readonly SurfaceId[] = ['wall', 'sill-reveal', 'unit-inside'];

function cutFace(face: SheetFace, u: number): Point2[] | null {
  if (!SILL_SURFACES.includes(face.surface)) return null;
  const crossings = face.space.flatMap((p, i): Point2[] => {
    const q = face.space[(i + 1) % face.space.length] ?? p;
    if (p[0] < u === q[0] < u) return [];
    const t = (u - p[0]) / (q[0] - p[0]);
    return [[p[2] + t * (q[2] - p[2]), p[1] + t * (q[1] - p[1])]];
  });
  return crossings.length === 2 ? crossings : null;
}

function reaches(a: readonly Point2[], b: readonly Point2[]): boolean {
  return [0, 1].every((axis) => {
    const range = (line: readonly Point2[]) => line.map((p) => p[axis] ?? 0);
    return (
      Math.max(...range(a)) > Math.min(...range(b)) - 0.01 &&
      Math.min(...range(a)) < Math.max(...range(b)) + 0.01
    );
  });
}

/** The part of a line inside a range of heights: long sheets run out of the drawing. */
function withinHeight([a, b]: readonly Point2[], [low, high]: Range): Point2[] | null {
  if (!a || !b || Math.max(a[1], b[1]) <= low || Math.min(a[1], b[1]) >= high) return null;
  const at = (v: number): Point2 => {
    const held = Math.min(Math.max(v, low), high);
    return b[1] === a[1] ? [a[0], held] : [a[0] + ((held - a[1]) / (b[1] - a[1])) * (b[0] - a[0]), held];
  };
  return b[1] === a[1] ? [a, b] : [at(a[1]), at(b[1])];
}

const isOutside = ({ layer }: SheetLine): boolean => layer.face.surface === 'wall';

/** Paper that the longest name takes on each side. */
function namesWidth(
  sheets: readonly SheetLine[],
  name: SillOptions['name'],
): { outside: number; inside: number } {
  const widest = (list: readonly SheetLine[]) =>
    Math.max(60, ...list.map((s) => textWidth(name(s.layer.thing), LABEL_SIZE))) + 24;
  return { outside: widest(sheets.filter(isOutside)), inside: widest(sheets.filter((s) => !isOutside(s))) };
}

function names(
  sheets: readonly SheetLine[],
  view: View,
  toPaper: (p: Point2) => Point2,
  { name }: SillOptions,
): DrawItem[] {
  const seen = new Set<string>();
  const labels = sheets.flatMap((met): (Label & { outside: boolean })[] => {
    const { layer, line } = met;
    const [a, b] = line;
    if (!a || !b || seen.has(layer.thing)) return [];
    seen.add(layer.thing);
    const outside = isOutside(met);
    const at: Point2 = outside ? (a[1] < b[1] ? a : b) : [(a[0] + b[0]) / 2, (a[1] + b[1]) / 2];
    const [x, y] = setOff(met, toPaper(at));
    return [
      {
        text: name(layer.thing),
        owner: layer.thing,
        target: [x, Math.min(y, view.frame.bottom - 12) - (outside ? 8 : 0)],
        outside,
      },
    ];
  });
  const range = [view.frame.top + 10, view.frame.bottom - 6] as const;
  return [
    ...labelColumn(
      labels.filter((l) => l.outside),
      view.frame.left - trackSpace(1) - 8,
      'left',
      range,
    ),
    ...labelColumn(
      labels.filter((l) => !l.outside),
      view.frame.right + trackSpace(2) + 4,
      'right',
      range,
    ),
  ];
}

function dimensions({ context }: Build, view: View, { figure }: SillOptions): Dimension[] {
  const { opening, unit, numbers } = context;
  const x = (w: number) => view.to([-w, 0])[0];
  const y = (v: number) => view.to([0, v])[1];
  const level = (side: 'below' | 'above', from: number, to: number, owner: string): Dimension => ({
    side,
    from: x(from),
    to: x(to),
    edge: side === 'below' ? view.frame.bottom : view.frame.top,
    text: figure(Math.abs(to - from)),
    owner,
  });
  const upright = (side: 'left' | 'right', from: number, to: number, owner: string): Dimension => ({
    side,
    from: y(from),
    to: y(to),
    edge: view.frame[side],
    text: figure(Math.abs(to - from)),
    owner,
  });
  return [
    level('below', 0, -opening.depth, 'reveal'),
    level('below', 0, -opening.sheathing, 'sheathing'),
    level('above', unit.front, unit.back, 'unit'),
    upright('left', numbers.boardFront - numbers.panLap, numbers.boardFront, 'pan'),
    upright('right', 0, sillHeight(numbers, opening.depth), 'board'),
    upright('right', 0, unit.bottom, 'unit'),
  ];
}
