/** Points that a total station gave, and what they are on a façade: along it, up, and before its plane. */
import { tableOf } from './survey-table.ts';

export interface StationPoint {
  readonly name: string;
  /** East, north, up, mm. */
  readonly at: readonly [number, number, number];
}

export const stationUnits = ['mm', 'm', 'ft', 'in'] as const;
export type StationUnit = (typeof stationUnits)[number];
const MM_IN: Readonly<Record<StationUnit, number>> = { mm: 1, m: 1000, ft: 304.8, in: 25.4 };

export type StationProblem =
  | { readonly code: 'empty' | 'no-columns' | 'no-unit' | 'too-many' }
  | { readonly code: 'not-a-number' | 'name-twice' | 'out-of-range' | 'no-name'; readonly line: number };

export type StationRead =
  | {
      readonly ok: true;
      readonly points: readonly StationPoint[];
      /** As its headings say. */ readonly unit: StationUnit;
    }
  | { readonly ok: false; readonly problem: StationProblem };

const MOST = 5000;
/** Grids of a country count far; a figure beyond this is none. */
const FARTHEST_mm = 1e11;

const NAMES: readonly (readonly [RegExp, number])[] = [
  [/^(name|point|pt|no|nr|id|number|mark|code)\b/i, 0],
  [/^(e|x|east|easting)\b/i, 1],
  [/^(n|y|north|northing)\b/i, 2],
  [/^(h|z|height|elevation|elev|up|level)\b/i, 3],
];

/** Which column is what, by its headings; `null` where the first line is no heading. */
function columnsOf(first: readonly string[]): (number | undefined)[] | null {
  if (first.slice(1).some((cell) => cell.trim() !== '' && Number.isFinite(numberOf(cell)))) return null;
  const found: (number | undefined)[] = [undefined, undefined, undefined, undefined];
  first.forEach((cell, i) => {
    const which = NAMES.find(([pattern]) => pattern.test(cell.trim()))?.[1];
    if (which !== undefined && found[which] === undefined) found[which] = i;
  });
  return found;
}

const numberOf = (cell: string): number => {
  const bare = cell.trim().replace(/^(-?\d+),(\d+)$/, '$1.$2');
  return bare === '' ? NaN : Number(bare);
};

/** Reads a list. @param unit what bare figures are in, until a heading says it */
export function readStation(text: string, unit: StationUnit | null): StationRead {
  const table = tableOf(text);
  const refuse = (problem: StationProblem): StationRead => ({ ok: false, problem });
  const [first] = table;
  if (!first) return refuse({ code: 'empty' });
  const named = columnsOf(first);
  const columns = named ?? [0, 1, 2, 3];
  const [name, x, y, z] = columns;
  if (name === undefined || x === undefined || y === undefined || z === undefined || first.length < 4)
    return refuse({ code: 'no-columns' });
  const said = named && /\[(mm|m|ft|in)\]|\((mm|m|ft|in)\)/i.exec(first[x] ?? '');
  const own = stationUnits.find((one) => one === (said?.[1] ?? said?.[2])?.toLowerCase()) ?? unit;
  if (own === null) return refuse({ code: 'no-unit' });
  const lines = table.slice(named ? 1 : 0);
  if (lines.length > MOST) return refuse({ code: 'too-many' });
  const points: StationPoint[] = [];
  const seen = new Set<string>();
  for (const [i, cells] of lines.entries()) {
    const line = i + (named ? 2 : 1);
    const called = (cells[name] ?? '').trim();
    if (called === '' && cells.every((cell) => cell.trim() === '')) continue;
    if (called === '') return refuse({ code: 'no-name', line });
    const figures = [x, y, z].map((column) => numberOf(cells[column] ?? '') * MM_IN[own]);
    const [east = NaN, north = NaN, up = NaN] = figures;
    if (figures.some((figure) => !Number.isFinite(figure))) return refuse({ code: 'not-a-number', line });
    if (figures.some((figure) => Math.abs(figure) > FARTHEST_mm))
      return refuse({ code: 'out-of-range', line });
    if (seen.has(called.toLowerCase())) return refuse({ code: 'name-twice', line });
    seen.add(called.toLowerCase());
    points.push({ name: called, at: [east, north, up] });
  }
  return points.length === 0 ? refuse({ code: 'empty' }) : { ok: true, points, unit: own };
}

/** A façade by its ends as somebody outside sees them, and the height of its zero line. */
export interface FacadeEnds {
  readonly left: readonly [number, number, number];
  readonly right: readonly [number, number, number];
  readonly zero_mm: number;
}

/** On the façade, mm: along from its left end, up from zero, and out of its plane towards outside. */
export interface OnFacade {
  readonly u: number;
  readonly v: number;
  readonly w: number;
}

/** @returns `null` where the ends are one point from above */
export function onFacade({ left, right, zero_mm }: FacadeEnds, at: StationPoint['at']): OnFacade | null {
  const [dx, dy] = [right[0] - left[0], right[1] - left[1]];
  const long = Math.hypot(dx, dy);
  if (long < 1) return null;
  const [ax, ay] = [dx / long, dy / long];
  const [px, py] = [at[0] - left[0], at[1] - left[1]];
  // Outside lies to the right of whoever walks from the left end to the right one.
  return { u: px * ax + py * ay, v: at[2] - zero_mm, w: px * ay - py * ax };
}

export const stationCorners = ['bottom-left', 'bottom-right', 'top-left', 'top-right'] as const;
export type StationCorner = (typeof stationCorners)[number];

const CORNERS: Readonly<Record<string, StationCorner>> = {
  BL: 'bottom-left',
  LL: 'bottom-left',
  BR: 'bottom-right',
  LR: 'bottom-right',
  TL: 'top-left',
  UL: 'top-left',
  TR: 'top-right',
  UR: 'top-right',
};

/** The mark and corner that a point's name says; `null` where it says none. */
export function cornerOf(name: string): { readonly mark: string; readonly corner: StationCorner } | null {
  const [, mark, at] = /^(.+?)[\s._-]+([a-z]{2})$/i.exec(name.trim()) ?? [];
  const corner = CORNERS[at?.toUpperCase() ?? ''];
  return mark !== undefined && corner ? { mark, corner } : null;
}

/** A rough opening as its corners were surveyed. */
export interface SurveyedOpening {
  readonly mark: string;
  /** Of its lower left corner. */
  readonly u: number;
  readonly v: number;
  /** Between its corners, mm, where both of them are there. */
  readonly widthBottom: number | null;
  readonly widthTop: number | null;
  readonly heightLeft: number | null;
  readonly heightRight: number | null;
  /** How far its corners lie apart out of the plane. */
  readonly twist_mm: number;
}

/** Openings of which at least the lower left corner was surveyed. */
export function surveyedOpenings(points: readonly StationPoint[], ends: FacadeEnds): SurveyedOpening[] {
  const found = new Map<string, { mark: string; corners: Partial<Record<StationCorner, OnFacade>> }>();
  for (const { name, at } of points) {
    const said = cornerOf(name);
    const place = said && onFacade(ends, at);
    if (!said || !place) continue;
    const key = said.mark.toLowerCase();
    const one = found.get(key) ?? { mark: said.mark, corners: {} };
    one.corners[said.corner] = place;
    found.set(key, one);
  }
  return [...found.values()].flatMap(({ mark, corners }) => {
    const low = corners['bottom-left'];
    if (!low) return [];
    const [across, above, far] = [corners['bottom-right'], corners['top-left'], corners['top-right']];
    const depths = Object.values(corners).map(({ w }) => w);
    return [
      {
        mark,
        u: low.u,
        v: low.v,
        widthBottom: across ? across.u - low.u : null,
        widthTop: above && far ? far.u - above.u : null,
        heightLeft: above ? above.v - low.v : null,
        heightRight: across && far ? far.v - across.v : null,
        twist_mm: Math.max(...depths) - Math.min(...depths),
      },
    ];
  });
}
