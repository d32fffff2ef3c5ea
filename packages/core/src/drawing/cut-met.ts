/** What the knife of a cut meets: regions of things with thickness, lines of sheets. */
import { cutThrough, type CutRegion, type Range, type Solid } from '../geometry/solid.ts';
import { surfaceOf } from '../geometry/surface.ts';
import { distance2, type Point2 } from '../geometry/vector.ts';
import type { Build } from '../build/build.ts';
import type { Layer } from '../build/scene.ts';
import { crossings, FOLD_mm, type CutSection } from '../build/section.ts';
import type { DrawOptions } from './face.ts';

/** Thin things are drawn this thick on paper, side by side where they lie on each other. */
export const SHEET_px = 3;

export interface Region {
  readonly region: CutRegion;
  readonly thing: string;
  readonly fresh: boolean;
  readonly base: boolean;
}

export function solidRegions(
  build: Build,
  layers: readonly Layer[],
  { plane, window }: CutSection,
  { hide }: Pick<DrawOptions, 'hide'>,
): Region[] {
  const cut = (solids: readonly Solid[], thing: string | null, fresh: boolean): Region[] =>
    cutThrough(solids, plane, window).map((region) => ({
      region,
      thing: thing ?? region.owner,
      fresh,
      base: thing === null,
    }));
  return [
    ...(hide?.has('wall') ? [] : cut(build.base, null, false)),
    ...layers.flatMap((l) => (l.kind === 'solid' ? cut(l.solids, l.thing, l.fresh) : [])),
  ];
}

export interface SheetLine {
  readonly layer: Extract<Layer, { kind: 'face' }>;
  /** (w, across) ends. */
  readonly line: readonly [Point2, Point2];
  readonly normal: Point2;
  readonly beneath: number;
}

/** Faces met by the cut, with how many others lie under each. */
export function sheetLines(
  build: Build,
  layers: readonly Layer[],
  { plane, window }: CutSection,
): SheetLine[] {
  const met: SheetLine[] = [];
  for (const layer of layers) {
    if (layer.kind !== 'face' || layer.lifted) continue;
    const { normal: n } = surfaceOf(build.context.opening.surfaces, layer.face.surface);
    const normal: Point2 = [n[2], plane.axis === 'u' ? n[1] : n[0]];
    for (const whole of crossings(layer.face, plane)) {
      const line = withinWindow(whole, window.across);
      if (!line) continue;
      const beneath = met.filter(
        (m) => m.layer.face.surface === layer.face.surface && reaches(m.line, line),
      ).length;
      met.push({ layer, line, normal, beneath });
    }
  }
  return met;
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

/** The part of a line inside the window: long sheets run out of the drawing. */
export function withinWindow([a, b]: readonly [Point2, Point2], [low, high]: Range): [Point2, Point2] | null {
  if (Math.max(a[1], b[1]) <= low || Math.min(a[1], b[1]) >= high) return null;
  const at = (v: number): Point2 => {
    const held = Math.min(Math.max(v, low), high);
    return b[1] === a[1] ? [a[0], held] : [a[0] + ((held - a[1]) / (b[1] - a[1])) * (b[0] - a[0]), held];
  };
  return b[1] === a[1] ? [a, b] : [at(a[1]), at(b[1])];
}

/** A point of a sheet's line moved out by what lies beneath it. */
export function setOff({ normal, beneath }: SheetLine, { up }: CutSection, [x, y]: Point2): Point2 {
  const off = (SHEET_px + 1) * (beneath + 0.5);
  return [x - normal[0] * off, y - up * normal[1] * off];
}

/** Lines on paper, set off by what lies beneath; faces of one sheet that meet at a fold are one line. */
export function joined(sheets: readonly SheetLine[], toPaper: (p: Point2) => Point2, section: CutSection) {
  const lines: { layer: SheetLine['layer']; ends: readonly Point2[]; points: readonly Point2[] }[] = [];
  for (const met of sheets) {
    const { layer, line } = met;
    const points = line.map((p) => setOff(met, section, toPaper(p)));
    const meets = (p?: Point2, q?: Point2) => p !== undefined && q !== undefined && distance2(p, q) < FOLD_mm;
    const before = lines.find(
      (l) =>
        l.layer.thing === layer.thing &&
        [l.ends[0], l.ends.at(-1)].some((e) => line.some((p) => meets(e, p))),
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
