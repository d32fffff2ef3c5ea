/** From the readings people took, which are only ever added, to the survey as it stands now. */
import type { Opening, OpeningDocument } from '../documents/opening.ts';
import type { Reading, Survey } from '../documents/survey.ts';
import type { TypedLengthDocument } from '../documents/fields.ts';
import { surveyPointIds, surveyPoints, type SurveyPointId } from '../vocabulary/survey-points.ts';

/** What a reading is called when the wall is looked at from outside. */
export const pointFromOutside = ({ point, from }: Pick<Reading, 'point' | 'from'>): SurveyPointId =>
  from === 'inside' ? surveyPoints[point].mirrored : point;

/** The same reading as somebody on the other side of the wall would write it. */
function seenFrom(reading: Reading, from: Survey['from']): TypedLengthDocument | null {
  const { value, point } = reading;
  if (value === null || reading.from === from || !surveyPoints[point].flips || value.mm === 0) return value;
  const typed = value.typed.trim();
  const unsigned = typed.replace(/^[-−+]\s*/, '');
  return { typed: value.mm < 0 ? unsigned : `-${unsigned}`, mm: -value.mm };
}

/** Newest last; readings of unknown time come first, and the id settles a tie the same way on every device. */
const byTime = (a: Reading, b: Reading): number => {
  const difference = (a.at === null ? 0 : Date.parse(a.at)) - (b.at === null ? 0 : Date.parse(b.at));
  return difference === 0 ? (a.id < b.id ? -1 : 1) : difference;
};

/**
 * Readings that no other reading replaces, by point as seen from outside, newest last.
 *
 * Every reading names those it replaces, so the answer depends only on which readings are known, never on the order
 * they arrived in. Two people who measured the same point without knowing of each other leave two of them standing.
 */
export function standingReadings(
  readings: readonly Reading[],
): ReadonlyMap<SurveyPointId, readonly Reading[]> {
  const replaced = new Set(readings.flatMap((reading) => reading.replaces));
  const standing = new Map<SurveyPointId, Reading[]>();
  for (const reading of readings) {
    if (replaced.has(reading.id)) continue;
    const point = pointFromOutside(reading);
    standing.set(point, [...(standing.get(point) ?? []), reading]);
  }
  for (const list of standing.values()) list.sort(byTime);
  return standing;
}

/** Points where readings stand side by side that do not say the same, as seen from outside. */
export function disputedPoints(
  standing: ReadonlyMap<SurveyPointId, readonly Reading[]>,
): readonly SurveyPointId[] {
  return surveyPointIds.filter((point) => {
    const list = standing.get(point) ?? [];
    const values = new Set(list.map((reading) => seenFrom(reading, 'outside')?.mm ?? null));
    return values.size > 1;
  });
}

/** The survey as it stands, written as seen from `from`; of disputed readings the newest counts, and is named. */
export function surveyOf(from: Survey['from'], readings: readonly Reading[]): Survey {
  const standing = standingReadings(readings);
  const own = (point: SurveyPointId) => (from === 'inside' ? surveyPoints[point].mirrored : point);
  const values: Survey['values'] = {};
  for (const [point, list] of standing) {
    const last = list.at(-1);
    const value = last ? seenFrom(last, from) : null;
    if (value) values[own(point)] = value;
  }
  const disputed = disputedPoints(standing).map(own);
  return disputed.length > 0 ? { from, values, disputed } : { from, values };
}

/** The opening as the planner takes it: what was chosen and what was measured. */
export const openingOf = (document: OpeningDocument, readings: readonly Reading[]): Opening => ({
  ...document,
  survey: surveyOf(document.survey.from, readings),
});

/** What is new in a reading; who, when and the id are added by whoever takes it. */
export type NewReading = Pick<Reading, 'point' | 'from' | 'value' | 'replaces'>;

/**
 * The readings that turn the survey of `readings` into `wanted`: one for every point whose value or side differs.
 * Each replaces all that stand at its point, so taking one also settles a dispute.
 */
export function readingsTowards(wanted: Survey, readings: readonly Reading[]): NewReading[] {
  const standing = standingReadings(readings);
  const points = new Set<SurveyPointId>([
    ...standing.keys(),
    ...Object.keys(wanted.values).map((point) =>
      pointFromOutside({ point: point as SurveyPointId, from: wanted.from }),
    ),
  ]);
  return [...points].flatMap((outside) => {
    const point = wanted.from === 'inside' ? surveyPoints[outside].mirrored : outside;
    const stands = standing.get(outside) ?? [];
    const last = stands.at(-1);
    const value = wanted.values[point] ?? null;
    const now = last ? seenFrom(last, wanted.from) : null;
    if (sameLength(now, value)) return [];
    return [{ point, from: wanted.from, value, replaces: stands.map((reading) => reading.id) }];
  });
}

const sameLength = (a: TypedLengthDocument | null, b: TypedLengthDocument | null): boolean =>
  a === b || (a !== null && b !== null && a.mm === b.mm && a.typed === b.typed);
