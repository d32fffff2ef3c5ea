/** What wind and rain make of one opening: pressures, what they ask of the unit, what the pan has against them. */
import type { JobContext, Opening, Unit } from '../documents/schema.ts';
import type { Choices } from '../methods/axes.ts';
import type { ParameterValues } from '../methods/parameters.ts';
import { designPressure, rainClass, testPressure, type DesignPressure, type RainClass } from './exposure.ts';
import type { OverSill } from './on-sill.ts';
import { damCheck, type DamCheck, type InnerSealState } from './standing.ts';

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

type OfPan = { choices: Choices; numbers: ParameterValues; depth_mm: number; asked_Pa: number | null };

/** The pan against what stands in it with an inner seal in this state; `null` while the pressure is not known. */
export const panAgainst = ({ asked_Pa, ...pan }: OfPan, seal: InnerSealState): DamCheck | null =>
  asked_Pa === null ? null : damCheck({ ...pan, pressure_Pa: asked_Pa, seal });

const SEAL_PIECE: Readonly<Record<Choices['innerSeal'], string | null>> = {
  'corner-tape': 'seal-sill',
  'sheet-acoustic': 'seal-sill',
  'sealant-rod': 'inner-sealant',
  precompressed: 'inner-band',
  membrane: 'membrane',
  'foam-alone': null,
};

/** The piece that seals the joint to the room at the sill; `null` where nothing does. */
export const innerSealPiece = ({
  innerSeal,
  gapFill,
}: Pick<Choices, 'innerSeal' | 'gapFill'>): string | null =>
  SEAL_PIECE[innerSeal] ?? (gapFill === 'foam' ? 'foam' : null);

/** Whether wind lifts the water in the pan into the room once nothing seals it, and what then holds it back. */
export function overSillOf(pan: OfPan): OverSill | null {
  // What a closed method lets stand on its sill is said of it anyway.
  if (pan.choices.bedding === 'barrier' || pan.choices.pan === 'none') return null;
  const open = panAgainst(pan, 'missing');
  return open && !open.holds ? { seal: innerSealPiece(pan.choices) } : null;
}
