/** The measured opening with the unit in its best place, every gap at the point where it was measured. */
import type { Gap } from '../fit/placement.ts';
import { sides, type Side } from '../vocabulary/sides.ts';
import { bounds, rectangle, type Polygon } from '../geometry/polygon.ts';
import type { Point2 } from '../geometry/vector.ts';
import type { Fit } from '../build/build.ts';
import type { OpeningFrame, Station } from '../survey/frame.ts';
import type { SurveyPointId } from '../vocabulary/survey-points.ts';
import { LABEL_SIZE, textWidth, type Drawing, type DrawItem, type Tone } from './items.ts';
import { UNIT } from '../methods/names.ts';
import { spread } from './labels.ts';
import { fitView, type View } from './view.ts';

export interface SurveyOptions {
  readonly width: number;
  readonly height: number;
  readonly figure: (mm: number) => string;
  /** The reading being entered, to be lit. */
  readonly point: SurveyPointId | null;
  readonly unit: { readonly width: number; readonly height: number } | null;
  readonly least_mm: number;
  /** Leg of a buck in the opening, mm; the unit and its gaps stand in the hole that it leaves. */
  readonly leg_mm: number;
  /** What the buck is of. */
  readonly buckOf?: 'wood' | 'hd-foam';
  /** Seen from the room, left and right change. */
  readonly fromInside: boolean;
}

const AROUND_mm = 45;
const FRAMING_mm = 38;

export function surveyDrawing(frame: OpeningFrame, fit: Fit | null, options: SurveyOptions): Drawing {
  const corners = outline(frame);
  const us = corners.map((p) => p[0]);
  const vs = corners.map((p) => p[1]);
  const flip = ([u, v]: Point2): Point2 => [options.fromInside ? -u : u, v];
  const low = Math.min(...us) - AROUND_mm;
  const high = Math.max(...us) + AROUND_mm;
  const window = {
    x: options.fromInside ? ([-high, -low] as const) : ([low, high] as const),
    y: [Math.min(...vs) - AROUND_mm, Math.max(...vs) + AROUND_mm] as const,
  };
  // Without gaps there are no figures to leave room for.
  const margin = fit
    ? { left: 76, right: 76, top: 34, bottom: 40 }
    : { left: 12, right: 12, top: 10, bottom: 10 };
  const view = fitView(window, options, margin);
  const to = (p: Point2) => view.to(flip(p));
  return {
    width: options.width,
    height: options.height,
    scale: view.scale,
    items: drawn(frame, fit, corners, to, view, options),
  };
}

function drawn(
  frame: OpeningFrame,
  fit: Fit | null,
  corners: Polygon,
  to: (p: Point2) => Point2,
  view: View,
  options: SurveyOptions,
): DrawItem[] {
  const { placement } = fit ?? {};
  const { unit, leg_mm } = options;
  const inHole = ([u, v]: Point2): Point2 => to([u + leg_mm, v + leg_mm]);
  const items: DrawItem[] = [
    { kind: 'area', points: framingRing(corners).map(to), fill: 'wood', stroke: 'thin', owner: 'framing' },
    ...buckItems(frame, corners, to, options),
  ];
  if (placement && unit) {
    const { left, bottom } = placement;
    const ring: Polygon = [
      [left, bottom],
      [left + unit.width, bottom],
      [left + unit.width, bottom + unit.height],
      [left, bottom + unit.height],
    ];
    items.push({ kind: 'area', points: ring.map(inHole), fill: 'glass', stroke: 'outline', owner: UNIT });
  }
  const lit = options.point ? measuredLine(frame, options.point) : null;
  if (lit) items.push({ kind: 'line', points: lit.map(to), stroke: 'measure', owner: 'reading' });
  if (placement) items.push(...worstLast(gapItems(placement.gaps, inHole, view, options)));
  return items;
}

/** The opening, and a buck in it with the hole that it leaves. */
function buckItems(
  frame: OpeningFrame,
  corners: Polygon,
  to: (p: Point2) => Point2,
  { leg_mm, buckOf = 'hd-foam' }: SurveyOptions,
): DrawItem[] {
  const opening = { kind: 'area', points: corners.map(to), stroke: 'outline', owner: 'opening' } as const;
  if (leg_mm <= 0) return [{ ...opening, fill: 'room' }];
  const hole = outline(inset(frame, leg_mm)).map(to);
  return [
    { ...opening, fill: buckOf },
    { kind: 'area', points: hole, fill: 'room', stroke: 'thin', owner: 'buck' },
  ];
}

const inset = (frame: OpeningFrame, by: number): OpeningFrame => {
  const level = (dv: number) => (s: Station) => ({ ...s, u: s.u + by * (1 - 2 * s.place), v: s.v + dv });
  const upright = (du: number) => (s: Station) => ({ ...s, u: s.u + du });
  return {
    ...frame,
    left: frame.left.map(upright(by)),
    right: frame.right.map(upright(-by)),
    bottom: frame.bottom.map(level(by)),
    top: frame.top.map(level(-by)),
  };
};

/** Studs, header and sill round the opening, as a plain band. */
function framingRing(corners: Polygon): Polygon {
  const { x, y } = bounds(corners);
  return rectangle([x[0] - FRAMING_mm, x[1] + FRAMING_mm], [y[0] - FRAMING_mm, y[1] + FRAMING_mm]);
}

/** Bottom from left to right, up the right side, back along the top, down the left. */
function outline({ left, right, bottom, top }: OpeningFrame): Polygon {
  const middle = (side: readonly Station[]) =>
    side.filter((s) => s.place === 0.5).map(({ u, v }): Point2 => [u, v]);
  const corner = (jamb: Station | undefined, level: Station | undefined): Point2[] =>
    jamb && level ? [[jamb.u, level.v]] : [];
  return [
    ...bottom.map(({ u, v }): Point2 => [u, v]),
    ...middle(right),
    ...corner(right.at(-1), top.at(-1)),
    ...middle(top),
    ...corner(left.at(-1), top[0]),
    ...middle(left),
  ];
}

const nearest = (list: readonly Station[], place: number): Station | undefined =>
  [...list].sort((a, b) => Math.abs(a.place - place) - Math.abs(b.place - place))[0];

/** A jamb at its bottom, middle and top, also where it was not measured there. */
function upright(frame: OpeningFrame, side: 'left' | 'right'): { u: number; v: number }[] {
  return [0, 0.5, 1].map((place) => {
    const station = nearest(frame[side], place);
    return { u: station?.u ?? 0, v: frame.cover.height * place };
  });
}

/** The head at its left, centre and right, also where it was not measured there. */
function head(frame: OpeningFrame): { u: number; v: number }[] {
  const from = upright(frame, 'left')[2]?.u ?? 0;
  const to = upright(frame, 'right')[2]?.u ?? 0;
  return [0, 0.5, 1].map((place) => ({
    u: from + (to - from) * place,
    v: nearest(frame.top, place)?.v ?? frame.cover.height,
  }));
}

/** The line a tape or level would lie along for one reading. */
function measuredLine(frame: OpeningFrame, point: SurveyPointId): Point2[] | null {
  const p = (s: { u: number; v: number } | undefined): Point2[] => (s ? [[s.u, s.v]] : []);
  const { bottom } = frame;
  const [left, right, top] = [upright(frame, 'left'), upright(frame, 'right'), head(frame)];
  const at = (list: readonly { u: number; v: number }[], place: 0 | 0.5 | 1) => list[place * 2];
  const pair = (a: Point2[], b: Point2[]): Point2[] => [...a, ...b];
  const lines: Partial<Record<SurveyPointId, Point2[]>> = {
    roughWidth: pair(p(at(left, 0.5)), p(at(right, 0.5))),
    roughHeight: pair(p(at(bottom, 0.5)), p(at(top, 0.5))),
    widthBottom: pair(p(at(left, 0)), p(at(right, 0))),
    widthMiddle: pair(p(at(left, 0.5)), p(at(right, 0.5))),
    widthTop: pair(p(at(left, 1)), p(at(right, 1))),
    heightLeft: pair(p(at(bottom, 0)), p(at(top, 0))),
    heightCentre: pair(p(at(bottom, 0.5)), p(at(top, 0.5))),
    heightRight: pair(p(at(bottom, 1)), p(at(top, 1))),
    diagonalRising: pair(p(at(bottom, 0)), p(at(top, 1))),
    diagonalFalling: pair(p(at(top, 0)), p(at(bottom, 1))),
    plumbLeft: pair(p(at(left, 0)), p(at(left, 1))),
    plumbRight: pair(p(at(right, 0)), p(at(right, 1))),
    sillLeft: pair(p(at(bottom, 0)), p(at(bottom, 0.5))),
    sillMiddle: pair(p(at(bottom, 0)), p(at(bottom, 1))),
    bowLeft: pair(p(at(left, 0)), p(at(left, 1))),
    bowRight: pair(p(at(right, 0)), p(at(right, 1))),
    twistLeft: pair(p(at(left, 0)), p(at(left, 1))),
    twistRight: pair(p(at(right, 0)), p(at(right, 1))),
    stringGap: pair(p(at(bottom, 0)), p(at(top, 1))),
    sillRight: pair(p(at(bottom, 0.5)), p(at(bottom, 1))),
  };
  return lines[point] ?? null;
}

export const gapTone = ({ flashed_mm, side }: Gap, least_mm: number): Tone => {
  if (side === 'sill') return 'quiet';
  if (flashed_mm < 0) return 'bad';
  return flashed_mm < least_mm - 1e-6 ? 'watch' : 'good';
};

const GRAVITY: readonly Tone[] = ['plain', 'quiet', 'good', 'watch', 'bad'];

/** Two sides share a corner: the worse mark must not lie under the better one. */
const worstLast = (items: readonly DrawItem[]): DrawItem[] =>
  [...items].sort((a, b) => gravity(a) - gravity(b));
const gravity = (item: DrawItem): number => ('tone' in item ? GRAVITY.indexOf(item.tone) : 0);

/** A mark where it was measured and the flashed gap beside it, outside the opening. */
function gapItems(
  gaps: readonly Gap[],
  to: (p: Point2) => Point2,
  view: View,
  options: SurveyOptions,
): DrawItem[] {
  return sides.flatMap((side) => {
    const own = gaps.filter((gap) => gap.side === side);
    const marks = own.map((gap) => to(gap.at));
    const texts = own.map((gap) => options.figure(gap.flashed_mm));
    const places = labelPlaces(side, marks, texts, view, options.fromInside);
    return own.flatMap((gap, i): DrawItem[] => {
      const tone = gapTone(gap, options.least_mm);
      const [mark, place] = [marks[i], places[i]];
      if (!mark || !place) return [];
      return [
        { kind: 'mark', at: mark, tone, owner: `${side}-${gap.place}` },
        {
          kind: 'text',
          at: place,
          text: texts[i] ?? '',
          size: LABEL_SIZE + 1,
          turned: false,
          tone,
          owner: `${side}-${gap.place}`,
        },
      ];
    });
  });
}

function labelPlaces(
  side: Side,
  marks: readonly Point2[],
  texts: readonly string[],
  view: View,
  fromInside: boolean,
): Point2[] {
  const upright = side === 'left' || side === 'right';
  const size = LABEL_SIZE + 1;
  if (upright) {
    const onLeft = (side === 'left') !== fromInside;
    const clear = 12 + FRAMING_mm * view.scale;
    const ys = spread(
      marks.map((m) => m[1]),
      size + 8,
      [view.frame.top + size, view.frame.bottom - size],
    );
    return marks.map((m, i) => [
      m[0] + (onLeft ? -1 : 1) * (clear + textWidth(texts[i] ?? '', size) / 2),
      ys[i] ?? m[1],
    ]);
  }
  const wide = Math.max(0, ...texts.map((t) => textWidth(t, size))) + 8;
  const xs = spread(
    marks.map((m) => m[0]),
    wide,
    [view.frame.left, view.frame.right],
  );
  return marks.map((m, i) => [
    xs[i] ?? m[0],
    m[1] + (side === 'head' ? -1 : 1) * (size + FRAMING_mm * view.scale),
  ]);
}
