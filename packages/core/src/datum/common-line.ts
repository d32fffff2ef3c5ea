/** One line for several openings: where it may run, or the smallest change that lets it run. */

/** Where the line may lie for one opening, mm in the frame all of them share; `low` above `high` fits nowhere. */
export interface Span {
  readonly id: string;
  readonly low_mm: number;
  readonly high_mm: number;
}

/** By how much one opening misses the line: positive, its span must move up (or to the right). */
export interface Move {
  readonly id: string;
  readonly by_mm: number;
}

export type CommonLine =
  | { readonly ok: true; readonly low_mm: number; readonly high_mm: number }
  | {
      readonly ok: false;
      /** The line that asks least: fewest openings to change, then least millimetres. */
      readonly at_mm: number;
      readonly moves: readonly Move[];
      /** Every two openings that cannot share any line. */
      readonly clashes: readonly (readonly [low: string, high: string])[];
    };

/** Spans that touch share a line; the arithmetic of lengths is good to far less than this. */
const ROUNDING_mm = 1e-6;

/**
 * Returns the lines that all spans allow, or the cheapest cure.
 *
 * A line that suits the most openings, then the least total movement, exists at an end of some span: between two
 * neighbouring ends the number of openings served does not change and the total movement is linear.
 *
 * Source: plane geometry.
 *
 * @returns `null` for no spans
 * @example spans 0…5, 3…8 and 10…12 → not ok, line 5…  at 5: move the third by −5
 */
export function commonLine(spans: readonly Span[]): CommonLine | null {
  if (spans.length === 0) return null;
  const low_mm = Math.max(...spans.map((s) => s.low_mm));
  const high_mm = Math.min(...spans.map((s) => s.high_mm));
  if (low_mm <= high_mm + ROUNDING_mm) return { ok: true, low_mm, high_mm: Math.max(low_mm, high_mm) };
  const candidates = spans.flatMap((s) => [s.low_mm, s.high_mm]);
  const costs = candidates.map((at_mm) => ({ at_mm, moves: movesFor(spans, at_mm) }));
  const best = costs.reduce((a, b) => (cheaper(b.moves, a.moves) ? b : a));
  return { ok: false, ...best, clashes: clashesOf(spans) };
}

const movesFor = (spans: readonly Span[], at_mm: number): Move[] =>
  spans.flatMap(({ id, low_mm, high_mm }) => {
    // A span that is empty in itself is widened towards the line from its nearer end.
    const by_mm = at_mm < low_mm ? at_mm - low_mm : at_mm > high_mm ? at_mm - high_mm : 0;
    return Math.abs(by_mm) > ROUNDING_mm ? [{ id, by_mm }] : [];
  });

const total = (moves: readonly Move[]): number => moves.reduce((sum, m) => sum + Math.abs(m.by_mm), 0);

function cheaper(a: readonly Move[], b: readonly Move[]): boolean {
  return a.length === b.length ? total(a) < total(b) - ROUNDING_mm : a.length < b.length;
}

const clashesOf = (spans: readonly Span[]): (readonly [string, string])[] =>
  spans.flatMap((upper) =>
    spans
      .filter((lower) => lower !== upper && upper.low_mm > lower.high_mm + ROUNDING_mm)
      .map((lower) => [lower.id, upper.id] as const),
  );
