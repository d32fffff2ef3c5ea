/** A wall by itself: its layers side by side, weather on the left, room on the right. */
import type { Wall } from '../documents/wall.ts';
import { layerSolids } from '../vocabulary/materials.ts';
import type { Point2 } from '../geometry/vector.ts';
import { dimensionItems, tracksNeeded, trackSpace, type Dimension } from './dimensions.ts';
import { LABEL_SIZE, textWidth, type Drawing, type DrawItem, type Fill } from './items.ts';
import { labelColumn, type Label } from './labels.ts';
import { fitView, type Margins } from './view.ts';

export interface WallOptions {
  readonly width: number;
  readonly height: number;
  readonly figure: (mm: number) => string;
  readonly name: (layer: Wall['layers'][number]) => string;
}

/** How much of the wall's height is shown for each millimetre of its depth. */
const TALL = 1.1;
const MARGIN_px = 16;

const fillOf = ({ role, material }: Wall['layers'][number]): Fill =>
  role === 'framing' && material === 'stud'
    ? 'insulation'
    : material === 'batten'
      ? 'room'
      : (layerSolids[material] ?? 'wood');

/** Layers in their true thickness; names stand in a column on the room side, figures below. */
export function wallDrawing({ layers }: Pick<Wall, 'layers'>, o: WallOptions): Drawing {
  const ends = layers.reduce<number[]>((at, { thickness }) => [...at, (at.at(-1) ?? 0) + thickness.mm], [0]);
  const depth = Math.max(1, ends.at(-1) ?? 0);
  const window = { x: [0, depth], y: [0, depth * TALL] } as const;
  const spans = layers.map((layer, i) => ({ layer, from: ends[i] ?? 0, to: ends[i + 1] ?? 0 }));
  const names = Math.max(0, ...layers.map((layer) => textWidth(o.name(layer), LABEL_SIZE)));
  const at = (margins: Margins) => fitView(window, o, margins);
  const measured = (view: ReturnType<typeof at>): Dimension[] => [
    ...spans.map(({ from, to, layer }): Dimension => ({
      side: 'below',
      from: view.to([from, 0])[0],
      to: view.to([to, 0])[0],
      edge: view.frame.bottom,
      text: o.figure(to - from),
      owner: layer.role,
    })),
    {
      side: 'below',
      from: view.frame.left,
      to: view.frame.right,
      edge: view.frame.bottom,
      text: o.figure(depth),
      owner: 'wall',
    },
  ];
  const free: Margins = { left: MARGIN_px, right: names + 3 * MARGIN_px, top: MARGIN_px, bottom: MARGIN_px };
  const tracks = tracksNeeded(measured(at(free)));
  const view = at({ ...free, bottom: MARGIN_px + trackSpace(tracks.below) });
  const areas = spans.map(({ layer, from, to }): DrawItem => {
    const corners: Point2[] = [
      [from, 0],
      [to, 0],
      [to, window.y[1]],
      [from, window.y[1]],
    ];
    return {
      kind: 'area',
      points: corners.map(view.to),
      fill: fillOf(layer),
      stroke: 'outline',
      owner: layer.role,
    };
  });
  const labels = spans.map(({ layer, from, to }, i): Label => ({
    text: o.name(layer),
    target: view.to([(from + to) / 2, (window.y[1] * (i + 0.5)) / Math.max(1, spans.length)]),
    owner: layer.role,
  }));
  return {
    width: view.width,
    height: view.height,
    scale: view.scale,
    items: [
      ...areas,
      ...labelColumn(labels, view.frame.right + 2 * MARGIN_px, 'right', [view.frame.top, view.frame.bottom]),
      ...dimensionItems(measured(view), view),
    ],
  };
}
