/** A unit by itself, seen from outside: fin, frame, lights, and how it opens. */
import type { Unit } from '../documents/unit.ts';
import { UNIT } from '../methods/names.ts';
import type { Point2 } from '../geometry/vector.ts';
import { dimensionItems, trackSpace, type Dimension } from './dimensions.ts';
import type { Drawing, DrawItem, Fill } from './items.ts';
import { sashLines } from './sash.ts';
import { fitView } from './view.ts';

export interface UnitOptions {
  readonly width: number;
  readonly height: number;
  readonly figure: (mm: number) => string;
}

const MARGIN_px = 16;

export function unitDrawing(unit: Unit, o: UnitOptions): Drawing {
  const [width, height, face] = [unit.width.mm, unit.height.mm, unit.frameFace.mm];
  const fin = unit.fin.kind === 'none' ? 0 : unit.fin.width.mm;
  const view = fitView({ x: [-fin, width + fin], y: [-fin, height + fin] }, o, {
    left: MARGIN_px + trackSpace(1),
    right: MARGIN_px,
    top: MARGIN_px,
    bottom: MARGIN_px + trackSpace(1),
  });
  const box = (left: number, right: number, bottom: number, top: number, fill: Fill): DrawItem => {
    const corners: Point2[] = [
      [left, bottom],
      [right, bottom],
      [right, top],
      [left, top],
    ];
    return { kind: 'area', points: corners.map(view.to), fill, stroke: 'outline', owner: UNIT };
  };
  // Lights stand between the frame and its mullions.
  const edges = [0, ...(unit.mullions ?? []).map((m) => m.mm), width];
  const lights = edges.slice(1).flatMap((right, i) => {
    const [l, r] = [
      (edges[i] ?? 0) + (i === 0 ? face : face / 2),
      right - (right === width ? face : face / 2),
    ];
    return r > l && height > 2 * face ? [box(l, r, face, height - face, 'glass')] : [];
  });
  const [left, bottom] = [view.to([0, 0])[0], view.to([0, 0])[1]];
  const [right, top] = view.to([width, height]);
  const dimensions: Dimension[] = [
    { side: 'below', from: left, to: right, edge: view.frame.bottom, text: o.figure(width), owner: UNIT },
    { side: 'left', from: top, to: bottom, edge: view.frame.left, text: o.figure(height), owner: UNIT },
  ];
  return {
    width: view.width,
    height: view.height,
    scale: view.scale,
    items: [
      ...(fin > 0 ? [box(-fin, width + fin, -fin, height + fin, 'fin')] : []),
      box(0, width, 0, height, 'frame'),
      ...lights,
      ...sashLines(unit, { left: 0, bottom: 0, width, height, frameFace: face }, view.to),
      ...dimensionItems(dimensions, view),
    ],
  };
}
