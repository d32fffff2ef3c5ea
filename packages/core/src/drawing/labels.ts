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

/** Places changed between names until no two leaders cross: each change makes both together shorter, so it ends. */
function uncrossed(labels: readonly Label[], wanted: readonly number[], x: number): number[] {
  const ys = [...wanted];
  const far = (i: number, j: number): number => {
    const [tx, ty] = labels[i]?.target ?? [0, 0];
    return Math.hypot(x - tx, (ys[j] ?? 0) - ty);
  };
  for (let changed = true; changed;) {
    changed = false;
    for (let i = 0; i < labels.length; i++)
      for (let j = i + 1; j < labels.length; j++) {
        if (far(i, j) + far(j, i) >= far(i, i) + far(j, j) - 0.01) continue;
        [ys[i], ys[j]] = [ys[j] ?? 0, ys[i] ?? 0];
        changed = true;
      }
  }
  return ys;
}

/** A column of names whose text starts (or, on the left, ends) at `x`. */
export function labelColumn(
  labels: readonly Label[],
  x: number,
  side: 'left' | 'right',
  range: readonly [number, number],
): DrawItem[] {
  const out = side === 'right' ? 1 : -1;
  const ys = uncrossed(
    labels,
    spread(
      labels.map((l) => l.target[1]),
      LABEL_LINE,
      range,
    ),
    x - out * 14,
  );
  return labels.flatMap((label, i): DrawItem[] => {
    const y = ys[i] ?? label.target[1];
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
