/** One lap enlarged: two strips on the wall with the thickness of a finger, so that one sees which lies outside. */
import { rectangle } from '../geometry/polygon.ts';
import type { Range } from '../geometry/solid.ts';
import type { Point2 } from '../geometry/vector.ts';
import type { Lap } from '../proofs/water/laps.ts';
import { LABEL_SIZE, textWidth, type Drawing, type DrawItem, type Tone } from './items.ts';

export interface LapOptions {
  readonly width: number;
  readonly height: number;
  readonly figure: (mm: number) => string;
  readonly name: (piece: string) => string;
}

/** On paper, pixels. */
const WALL_px = 26;
const STRIP_px = 9;
const MARGIN_px = 16;
/** Wall shown beyond the lap at both ends, as a share of what is between. */
const BEYOND = 0.8;
const LEAST_mm = 20;

export function lapDrawing(lap: Lap, { width, height, figure, name }: LapOptions): Drawing {
  const { upper, lower, outside, lap_mm } = lap;
  const [low, high] = [Math.min(upper[0], lower[1]), Math.max(upper[0], lower[1])];
  const beyond = Math.max(high - low, LEAST_mm) * BEYOND;
  const window: Range = [low - beyond, high + beyond];
  const scale = (height - 2 * MARGIN_px) / (window[1] - window[0]);
  const y = (v: number) =>
    height - MARGIN_px - (Math.min(Math.max(v, window[0]), window[1]) - window[0]) * scale;
  // Weather on the left, as in every cut.
  const wall = width / 2;
  const strip = (layer: number, [from, to]: Range, piece: string): DrawItem => ({
    kind: 'area',
    points: rectangle([wall - (layer + 1) * STRIP_px, wall - layer * STRIP_px], [y(from), y(to)]),
    fill: 'flashing-tape',
    stroke: 'outline',
    owner: piece,
  });
  const [inner, outer] = outside ? ([1, 0] as const) : ([0, 1] as const);
  const tone: Tone = lap.fault ? 'bad' : 'plain';
  const items: DrawItem[] = [
    {
      kind: 'area',
      points: rectangle([wall, wall + WALL_px], [y(window[0]), y(window[1])]),
      fill: 'wood-board',
      stroke: 'outline',
      owner: 'sheathing',
    },
    strip(inner, upper, lap.pair.upper[0]),
    strip(outer, lower, lap.pair.lower[0]),
    ...measure(wall + WALL_px + 22, [y(upper[0]), y(lower[1])], figure(Math.abs(lap_mm)), tone),
    word(name(lap.pair.upper[0]), [wall - 2 * STRIP_px, y(window[1]) + LABEL_SIZE]),
    word(name(lap.pair.lower[0]), [wall - 2 * STRIP_px, y(window[0]) - LABEL_SIZE]),
    ...drop(wall - (outside ? 2 : 1) * STRIP_px - 4, y(window[1]), y(upper[0])),
  ];
  return { width, height, scale, items };
}

const word = (text: string, [right, at]: Point2): DrawItem => ({
  kind: 'text',
  at: [right - 8 - textWidth(text, LABEL_SIZE) / 2, at],
  text,
  size: LABEL_SIZE,
  turned: false,
  tone: 'plain',
  owner: 'name',
});

function measure(x: number, [a, b]: Range, text: string, tone: Tone): DrawItem[] {
  const line = (points: readonly Point2[]): DrawItem => ({
    kind: 'line',
    points,
    stroke: 'dimension',
    owner: 'lap',
  });
  return [
    line([
      [x, a],
      [x, b],
    ]),
    ...[a, b].map((at) =>
      line([
        [x - 5, at],
        [x + 5, at],
      ]),
    ),
    {
      kind: 'text',
      at: [x + 12 + textWidth(text, LABEL_SIZE) / 2, (a + b) / 2],
      text,
      size: LABEL_SIZE,
      turned: false,
      tone,
      owner: 'lap',
    },
  ];
}

/** Water on the outer side of the upper strip, down to its edge. */
const drop = (x: number, from: number, to: number): DrawItem[] => [
  {
    kind: 'line',
    points: [
      [x, from],
      [x, to],
    ],
    stroke: 'water',
    owner: 'water',
  },
  { kind: 'mark', at: [x, to], tone: 'water', owner: 'water' },
];
