/** Dimension lines on tracks beside the drawing, so that no figure lies on another. */
import type { Point2 } from '../geometry/vector.ts';
import { DIMENSION_SIZE, textWidth, type DrawItem } from './items.ts';
import type { View } from './view.ts';

export type DimensionSide = 'below' | 'above' | 'left' | 'right';

export interface Dimension {
  readonly side: DimensionSide;
  /** Paper coordinates along the track: x for below/above, y for left/right. */
  readonly from: number;
  readonly to: number;
  /** Where the measured edge is, for the extension lines. */
  readonly edge: number;
  readonly text: string;
  readonly owner: string;
}

const TRACK = 22;
const FIRST_TRACK = 24;
const GAP = 6;
const TICK = 4;

/** Space that `count` tracks need beside the drawing. */
export const trackSpace = (count: number): number => (count === 0 ? 0 : FIRST_TRACK + TRACK * count);

interface Placed extends Dimension {
  readonly low: number;
  readonly high: number;
  readonly middle: number;
  readonly track: number;
}

/** Puts short dimensions nearest to the drawing; a figure too wide for its span stands beside it. */
export function dimensionItems(dimensions: readonly Dimension[], view: View): DrawItem[] {
  return (['below', 'above', 'left', 'right'] as const).flatMap((side) =>
    onTracks(dimensions.filter((d) => d.side === side)).flatMap((d) => draw(d, view)),
  );
}

/** How many tracks these dimensions take up on each side. */
export function tracksNeeded(dimensions: readonly Dimension[]): Record<DimensionSide, number> {
  const on = (side: DimensionSide) =>
    Math.max(0, ...onTracks(dimensions.filter((d) => d.side === side)).map((d) => d.track + 1));
  return { left: on('left'), right: on('right'), above: on('above'), below: on('below') };
}

function onTracks(dimensions: readonly Dimension[]): Placed[] {
  const taken: [number, number][][] = [];
  const shortFirst = [...dimensions].sort((a, b) => Math.abs(a.to - a.from) - Math.abs(b.to - b.from));
  return shortFirst.map((d) => {
    const [low, high] = [Math.min(d.from, d.to), Math.max(d.from, d.to)];
    const wide = textWidth(d.text, DIMENSION_SIZE) + GAP;
    const inside = wide <= high - low;
    // Beside a level line the figure stands to its right, beside an upright one above it: away from the other tracks.
    const upright = d.side === 'left' || d.side === 'right';
    const beside = upright ? low - wide / 2 - TICK : high + wide / 2 + TICK;
    const middle = inside ? (low + high) / 2 : beside;
    // Links of a chain may touch; a figure beside its span needs its own room.
    const need: [number, number] = inside
      ? [low + GAP / 2, high - GAP / 2]
      : [Math.min(low, middle - wide / 2), Math.max(high, middle + wide / 2)];
    let track = 0;
    while (taken[track]?.some(([a, b]) => need[0] < b + GAP && need[1] > a - GAP)) track++;
    (taken[track] ??= []).push(need);
    return { ...d, low, high, middle, track };
  });
}

function draw(d: Placed, view: View): DrawItem[] {
  const out = FIRST_TRACK + d.track * TRACK;
  const flat = d.side === 'below' || d.side === 'above';
  const sign = d.side === 'below' || d.side === 'right' ? 1 : -1;
  const base = {
    below: view.frame.bottom,
    above: view.frame.top,
    left: view.frame.left,
    right: view.frame.right,
  };
  const across = base[d.side] + sign * out;
  const point = (along: number, at: number): Point2 => (flat ? [along, at] : [at, along]);
  const line = (a: Point2, b: Point2): DrawItem => ({
    kind: 'line',
    points: [a, b],
    stroke: 'dimension',
    owner: d.owner,
  });
  // Figures stand above a level line and to the left of an upright one, as on any site drawing.
  const textAcross = across - (TICK + DIMENSION_SIZE / 2);
  return [
    line(point(d.low, across), point(d.high, across)),
    ...[d.low, d.high].map((along) =>
      line(point(along, d.edge + sign * 3), point(along, across + sign * TICK)),
    ),
    ...[d.low, d.high].map((along) =>
      line(point(along - TICK / 1.5, across + TICK / 1.5), point(along + TICK / 1.5, across - TICK / 1.5)),
    ),
    {
      kind: 'text',
      at: point(d.middle, textAcross),
      text: d.text,
      size: DIMENSION_SIZE,
      turned: !flat,
      tone: 'plain',
      owner: d.owner,
    },
  ];
}
