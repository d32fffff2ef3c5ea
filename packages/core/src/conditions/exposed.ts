/** What wind and rain make of one opening: pressures, what they ask of the unit, what the pan has against them. */
import type { JobContext } from '../documents/job.ts';
import type { Opening } from '../documents/opening.ts';
import type { Unit } from '../documents/unit.ts';
import { designPressure, rainClass, testPressure, type DesignPressure, type RainClass } from './exposure.ts';

export interface Exposed {
  /** `null` while the site's wind or the opening's height is not known. */
  readonly design: DesignPressure | null;
  /** Water test that the unit should have passed, Pa. */
  readonly asked_Pa: number | null;
  /** `null` while overhang and soffit are not known. */
  readonly rain: RainClass | null;
}

export function exposedTo(o: { opening: Opening; job: Pick<JobContext, 'job'>; unit: Unit | null }): Exposed {
  const { opening, unit } = o;
  const { wind } = o.job.job;
  const { height_m, zone = 'corner', overhang, toSoffit } = opening.exposure ?? {};
  const design =
    wind && height_m !== undefined && unit
      ? designPressure({
          wind_ms: wind.gust_ms,
          terrain: wind.terrain,
          height_m,
          zone,
          area_m2: (unit.width.mm * unit.height.mm) / 1e6,
        })
      : null;
  const rain =
    overhang && toSoffit
      ? rainClass({
          overhang_mm: overhang.mm,
          toSoffit_mm: toSoffit.mm,
          terrain: wind?.terrain ?? 'open',
        })
      : null;
  return { design, asked_Pa: design ? testPressure(design.inward_Pa) : null, rain };
}
