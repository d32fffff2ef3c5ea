/** Names beside a drawing with leaders to what they name, pushed apart until none overlap. */
import type { Point2 } from '../geometry/vector.ts';
import { LABEL_SIZE, textWidth, type DrawItem, type Tone } from './items.ts';

export interface Label {
  readonly text: string;
  readonly target: Point2;
  readonly owner: string;
  readonly tone?: Tone;
}

/** Height of a line of names. */
export const LABEL_LINE = LABEL_SIZE + 6;

/** Spreads wanted positions so that neighbours keep `apart`, moving them as little as order allows. */
export function spread(wanted: readonly number[], apart: number, range: readonly [number, number]): number[] {
  const order = wanted.map((_, i) => i).sort((a, b) => (wanted[a] ?? 0) - (wanted[b] ?? 0));
  const placed: number[] = [];
  order.forEach((index, i) => {
    const before = order[i - 1];
    const least = before === undefined ? range[0] : (placed[before] ?? range[0]) + apart;
    placed[index] = Math.max(least, wanted[index] ?? least);
  });
  let limit = range[1];
  for (const index of order.toReversed()) {
    placed[index] = Math.min(placed[index] ?? limit, limit);
    limit = (placed[index] ?? limit) - apart;
  }
  return placed;
}

/** A column of names whose text starts (or, on the left, ends) at `x`. */
export function labelColumn(
  labels: readonly Label[],
  x: number,
  side: 'left' | 'right',
  range: readonly [number, number],
): DrawItem[] {
  const ys = spread(
    labels.map((l) => l.target[1]),
    LABEL_LINE,
    range,
  );
  return labels.flatMap((label, i): DrawItem[] => {
    const y = ys[i] ?? label.target[1];
    const out = side === 'right' ? 1 : -1;
    const w = textWidth(label.text, LABEL_SIZE);
    return [
      {
        kind: 'line',
        points: [label.target, [x - out * 14, y], [x - out * 4, y]],
        stroke: 'leader',
        owner: label.owner,
      },
      {
        kind: 'text',
        at: [x + (out * w) / 2, y],
        text: label.text,
        size: LABEL_SIZE,
        turned: false,
        tone: label.tone ?? 'plain',
        owner: label.owner,
      },
    ];
  });
}
