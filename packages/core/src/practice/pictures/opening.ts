/** The rough opening with figures where they were measured. */
import { bounds } from '../../geometry/polygon.ts';
import type { Point2 } from '../../geometry/vector.ts';
import { textWidth, type DrawItem, type Drawing } from '../../drawing/items.ts';
import type { PaperSize } from '../task.ts';

const SIZE = 14;

export interface OpeningPicture {
  /** Its corners, from the lower left one round, mm; drawn crooked as they are, by so much more. */
  readonly corners: readonly Point2[];
  readonly lines: readonly {
    readonly from: Point2;
    readonly to: Point2;
    readonly text: string;
    /** Along the line, 0 to 1. */ readonly at: number;
  }[];
  /** Beside it: a figure at a point, on one side of it. */
  readonly notes: readonly {
    readonly at: Point2;
    readonly side: 'left' | 'right' | 'below';
    readonly text: string;
  }[];
}

export function openingPicture(
  { corners, lines, notes }: OpeningPicture,
  { width, height }: PaperSize,
): Drawing {
  const { x, y } = bounds([...corners]);
  const beside = Math.max(
    30,
    ...notes.map(({ side, text }) => (side === 'below' ? 0 : textWidth(text, SIZE) + 14)),
  );
  const scale = Math.min((width - 2 * beside) / (x[1] - x[0]), (height - 2 * 34) / (y[1] - y[0]));
  const left = (width - (x[1] - x[0]) * scale) / 2;
  const low = height - (height - (y[1] - y[0]) * scale) / 2;
  const to = ([u, v]: Point2): Point2 => [left + (u - x[0]) * scale, low - (v - y[0]) * scale];
  const text = (at: Point2, words: string): DrawItem => ({
    kind: 'text',
    at,
    text: words,
    size: SIZE,
    turned: false,
    tone: 'plain',
    owner: '',
  });
  return {
    width,
    height,
    scale,
    items: [
      { kind: 'area', points: corners.map(to), fill: 'room', stroke: 'outline', owner: '' },
      ...lines.flatMap(({ from, to: end, text: words, at }): DrawItem[] => {
        const [a, b] = [to(from), to(end)];
        return [
          { kind: 'line', points: [a, b], stroke: 'measure', owner: '' },
          text([a[0] + (b[0] - a[0]) * at, a[1] + (b[1] - a[1]) * at], words),
        ];
      }),
      ...notes.map(({ at, side, text: words }) => {
        const [px, py] = to(at);
        const half = textWidth(words, SIZE) / 2 + 8;
        return text(side === 'below' ? [px, py + 18] : [px + (side === 'left' ? -half : half), py], words);
      }),
    ],
  };
}
