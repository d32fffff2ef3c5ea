/** What is measured at a step: what, within which limits from the plan, and what to make of a figure outside them. */
import { pieceNamed } from '../build/by-role.ts';
import type { Build, PlannedStep } from '../build/build.ts';
import type { Entry } from '../documents/entry.ts';
import type { Material } from '../documents/material.ts';
import type { MeasuredWhat } from '../vocabulary/measured.ts';
import { sides } from '../vocabulary/sides.ts';

/** A figure that a step asks for; limits are in mm, °C or percent. */
export interface Ask {
  readonly what: MeasuredWhat;
  /** Which of several: a piece, a side, before or after. Empty where there is one. */
  readonly place: string;
  readonly least: number | null;
  readonly most: number | null;
}

/** Out of level, plumb or square over a usual unit, mm: 1/16 and 1/8 in, common practice, no source. */
const LEVEL_mm = 1.6;
const SQUARE_mm = 3.2;
/** How far margins round a sash, or depths at corners, may differ, mm: common practice, no source. */
const EVEN_mm = 1.6;
/** How far foam may bow a jamb, mm: common practice, no source. */
const BOW_mm = 1.5;
/** Adhesives hold on no wetter wood, percent: common practice, no source. */
const WOOD_percent = 19;
/** Tapes and sealants where no maker says otherwise, °C: common practice, no source. */
const WARM_C = [5, 40] as const;

export const corners = ['top-left', 'top-right', 'bottom-right', 'bottom-left'] as const;
/** After which groups of fasteners a frame is looked at again. */
export const fasteningGroups = ['after-first', 'after-hinge', 'after-rest'] as const;

const ask = (what: MeasuredWhat, o: Partial<Omit<Ask, 'what'>> = {}): Ask => ({
  what,
  place: '',
  least: null,
  most: null,
  ...o,
});

/** Everything a step asks to be measured, in the order of the work. */
export function asksAt(
  build: Build,
  step: Pick<PlannedStep, 'role' | 'needs' | 'places'>,
  materials: readonly Material[] = [],
): Ask[] {
  const pieces = step.places.flatMap((id) => pieceNamed(build, id) ?? []);
  const films = pieces.flatMap((piece) =>
    piece.form === 'sheet' && piece.film_mm !== undefined
      ? [ask('film', { place: piece.id, least: piece.film_mm })]
      : [],
  );
  const kinds = pieces.map((piece) =>
    piece.form === 'sheet'
      ? piece.sheet.material
      : piece.form === 'bead'
        ? 'sealant'
        : (piece.solids[0]?.material ?? ''),
  );
  const own = materials.filter(({ kind }) => kinds.includes(kind));
  const least = own.flatMap(({ least_C }) => least_C ?? []);
  const most = own.flatMap(({ most_C }) => most_C ?? []);
  const sticks = step.needs.includes('above-minimum-temperature');
  const isFast = step.role === 'align' || step.role === 'fasten';
  const { limits } = build.fit;
  /** Corners of the frame against a string, before foam and after it. */
  const depths = (when: 'before' | 'after') =>
    corners.map((corner) => ask('depth', { place: `${when} ${corner}` }));
  const bows = step.role === 'fill' && kinds.includes('foam');
  return [
    ...(sticks
      ? [
          ask('surface', {
            least: least.length > 0 ? Math.max(...least) : WARM_C[0],
            most: most.length > 0 ? Math.min(...most) : WARM_C[1],
          }),
        ]
      : []),
    ...(sticks ? [ask('air'), ask('humidity')] : []),
    ...(sticks && step.needs.includes('dry') ? [ask('moisture', { most: WOOD_percent })] : []),
    ...films,
    ...(isFast
      ? [
          ask('sill-level', { most: LEVEL_mm }),
          ask('head-level', { most: LEVEL_mm }),
          ask('plumb', { place: 'left', most: LEVEL_mm }),
          ask('plumb', { place: 'right', most: LEVEL_mm }),
          ask('diagonals', { most: SQUARE_mm }),
          ask('diagonals', { place: 'outside', most: SQUARE_mm }),
        ]
      : []),
    ...(step.role === 'align'
      ? [
          ...corners.map((place) => ask('margin', { place })),
          ...sides.map((side) =>
            ask('joint', {
              place: side,
              least: limits.least_mm,
              most: side === 'sill' ? null : limits.largest_mm,
            }),
          ),
        ]
      : []),
    ...(step.role === 'fasten'
      ? fasteningGroups.map((place) => ask('diagonals', { place, most: SQUARE_mm }))
      : []),
    ...(bows
      ? [
          ask('bow', { place: 'before', most: BOW_mm }),
          ask('bow', { place: 'after', most: BOW_mm }),
          ...depths('before'),
          ...depths('after'),
        ]
      : []),
  ];
}

export const isOutside = ({ least, most }: Pick<Ask, 'least' | 'most'>, value: number): boolean =>
  (least !== null && value < least - 1e-9) || (most !== null && value > most + 1e-9);

export interface Measured {
  readonly ask: Ask;
  /** The newest that stands; `null` where nobody measured. */
  readonly entry: Entry | null;
  readonly value: number | null;
  readonly outside: boolean;
  /** Why a figure outside the limits stays. */
  readonly accepted: string | null;
  /** All of them, oldest first. */
  readonly all: readonly Entry[];
}

/** What of a step was measured. @param entries of the step, that stand, oldest first */
export const measuredAt = (asks: readonly Ask[], entries: readonly Entry[]): Measured[] =>
  asks.map((one) => {
    const all = entries.filter(
      ({ facts }) => facts?.kind === 'measured' && facts.what === one.what && facts.place === one.place,
    );
    const entry = all.at(-1) ?? null;
    const facts = entry?.facts?.kind === 'measured' ? entry.facts : null;
    const value = facts?.value ?? null;
    return {
      ask: one,
      entry,
      value,
      outside: value !== null && isOutside(one, value),
      accepted: facts?.accepted ?? null,
      all,
    };
  });

/** Figures that are judged by one another: how far they lie apart, once all of them are there. */
export interface Apart {
  readonly what: 'margin' | 'depth';
  readonly apart_mm: number;
  readonly most_mm: number;
}

/** Margins against each other; of depths each corner after foam against the same before it. */
export function apartAt(list: readonly Measured[]): Apart[] {
  const of = (what: MeasuredWhat) => list.filter(({ ask: { what: one } }) => one === what);
  const values = of('margin').map(({ value }) => value);
  const known = values.filter((value) => value !== null);
  const margins: Apart[] =
    known.length > 1 && known.length === values.length
      ? [{ what: 'margin', apart_mm: Math.max(...known) - Math.min(...known), most_mm: EVEN_mm }]
      : [];
  const depths = new Map(of('depth').map(({ ask: { place }, value }) => [place, value]));
  const moved = corners.flatMap((corner) => {
    const [before, after] = [depths.get(`before ${corner}`) ?? null, depths.get(`after ${corner}`) ?? null];
    return before === null || after === null ? [] : [Math.abs(after - before)];
  });
  return moved.length === 0
    ? margins
    : [...margins, { what: 'depth', apart_mm: Math.max(...moved), most_mm: BOW_mm }];
}
