/** What each façade asks of its glazing against what came: U and solar gain, never compared over two ways of finding them. */
import type { Job } from '../documents/job.ts';
import type { Opening } from '../documents/opening.ts';
import type { Unit } from '../documents/unit.ts';
import { altitudeDifference } from '../unit/altitude.ts';
import type { Rating } from '../vocabulary/ratings.ts';

/** `no-label`: nobody read it · `procedures`: found another way than asked · `missing`: it does not say. */
export type LabelState = 'meets' | 'misses' | 'no-label' | 'procedures' | 'missing' | 'not-asked';

export interface LabelRow {
  readonly opening: string;
  readonly mark: string;
  readonly facade: string;
  readonly azimuth_deg: number | null;
  readonly unit: string;
  readonly operation: string | null;
  /** As ordered, and as read off the unit that came. */
  readonly ordered: { readonly u: number | null; readonly g: number | null; readonly rating: Rating | null };
  readonly read: { readonly u: number | null; readonly g: number | null; readonly rating: Rating | null };
  readonly asked: {
    readonly uMost: number | null;
    readonly gLeast: number | null;
    readonly gMost: number | null;
  };
  readonly u: LabelState;
  readonly g: LabelState;
  /** Pressure between where it was closed and the site, Pa; `null` while one of them is not known. */
  readonly altitude_Pa: number | null;
}

export interface LabelsOf {
  readonly job: Pick<Job, 'facades' | 'altitude_m'>;
  readonly openings: readonly Pick<Opening, 'id' | 'mark' | 'facade' | 'unit' | 'label'>[];
  readonly units: readonly Unit[];
}

/** By façade, then by mark. */
export function labelSchedule({ job, openings, units }: LabelsOf): LabelRow[] {
  return openings
    .map((opening): LabelRow => {
      const unit = units.find(({ id }) => id === opening.unit);
      const facade = job.facades?.find(({ name }) => name === opening.facade);
      const { label } = opening;
      const rating = label?.rating ?? unit?.rating ?? null;
      const isOther = facade?.rating !== undefined && rating !== null && facade.rating !== rating;
      const judged = (
        asked: boolean,
        read: number | undefined,
        meets: (value: number) => boolean,
      ): LabelState => {
        if (!asked) return 'not-asked';
        if (!label) return 'no-label';
        if (read === undefined) return 'missing';
        if (isOther) return 'procedures';
        return meets(read) ? 'meets' : 'misses';
      };
      const { uMost, shgcLeast, shgcMost } = facade ?? {};
      return {
        opening: opening.id,
        mark: opening.mark,
        facade: opening.facade,
        azimuth_deg: facade?.azimuth_deg ?? null,
        unit: unit?.name ?? '',
        operation: unit?.operation ?? null,
        ordered: { u: unit?.uFactor ?? null, g: unit?.shgc ?? null, rating: unit?.rating ?? null },
        read: { u: label?.uFactor ?? null, g: label?.shgc ?? null, rating: label?.rating ?? null },
        asked: { uMost: uMost ?? null, gLeast: shgcLeast ?? null, gMost: shgcMost ?? null },
        u: judged(uMost !== undefined, label?.uFactor, (u) => u <= (uMost ?? Infinity) + 1e-9),
        g: judged(
          shgcLeast !== undefined || shgcMost !== undefined,
          label?.shgc,
          (g) => g >= (shgcLeast ?? 0) - 1e-9 && g <= (shgcMost ?? 1) + 1e-9,
        ),
        altitude_Pa:
          unit?.madeAt_m === undefined || job.altitude_m === undefined
            ? null
            : altitudeDifference(unit.madeAt_m, job.altitude_m),
      };
    })
    .sort(
      (a, b) =>
        a.facade.localeCompare(b.facade) || a.mark.localeCompare(b.mark, undefined, { numeric: true }),
    );
}

export const labelStateOf = ({ u, g }: Pick<LabelRow, 'u' | 'g'>): LabelState =>
  (['misses', 'no-label', 'missing', 'procedures', 'meets'] as const).find(
    (state) => u === state || g === state,
  ) ?? 'not-asked';
