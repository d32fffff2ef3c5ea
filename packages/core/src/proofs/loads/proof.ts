/** Loads and hands of one opening: weight, fasteners in the wind, what the sill carries, glass from another altitude. */
import { BUCK_BEARING_Nmm, sillLoad } from '../../methods/fasteners.ts';
import { gravest, type Verdict } from '../../vocabulary/verdict.ts';
import { ALTITUDE_WATCH_Pa, altitudeDifference } from '../../unit/altitude.ts';
import type { Build } from '../../build/build.ts';
import type { Exposed } from '../../conditions/exposed.ts';
import type { Job } from '../../documents/job.ts';
import { fastenerLoad, type FastenerLoad } from './fasteners.ts';
import { handlingOf, type Handling } from './handling.ts';

export interface LoadsProof {
  /** `null` while the weight is not known. */
  readonly handling: Handling | null;
  /** `null` while the wind is not known or nothing fastens the unit. */
  readonly fasteners: FastenerLoad | null;
  /** On a foam buck only; `null` without one, or without a weight. */
  readonly bearing: {
    readonly load_Nmm: number;
    readonly limit_Nmm: number;
    readonly verdict: Verdict;
  } | null;
  /** `null` while either height above the sea is not known. */
  readonly altitude: {
    readonly difference_Pa: number;
    readonly limit_Pa: number;
    readonly verdict: Verdict;
  } | null;
  readonly verdict: Verdict;
}

export function proveLoads(
  build: Build,
  { job, exposed }: { readonly job: Job; readonly exposed: Pick<Exposed, 'design'> },
): LoadsProof {
  const { unit, context } = build;
  const { choices } = context;
  const handling = handlingOf(unit, job.handling);
  const { design } = exposed;
  const fasteners = design
    ? fastenerLoad({
        unit,
        fastening: build.fastening,
        pressure_Pa: Math.max(design.inward_Pa, Math.abs(design.outward_Pa)),
      })
    : null;
  const onFoam = choices.buck === 'foam-l' && handling;
  const load_Nmm = onFoam ? sillLoad({ weight_kg: handling.weight.kg, width_mm: unit.width.mm }) : 0;
  const { altitude_m } = job;
  const difference_Pa =
    unit.madeAt_m === undefined || altitude_m === undefined
      ? null
      : altitudeDifference(unit.madeAt_m, altitude_m);
  const bearing = onFoam
    ? {
        load_Nmm,
        limit_Nmm: BUCK_BEARING_Nmm,
        verdict: load_Nmm > BUCK_BEARING_Nmm ? ('watch' as const) : ('holds' as const),
      }
    : null;
  const altitude =
    difference_Pa === null
      ? null
      : {
          difference_Pa,
          limit_Pa: ALTITUDE_WATCH_Pa,
          verdict: Math.abs(difference_Pa) > ALTITUDE_WATCH_Pa ? ('watch' as const) : ('holds' as const),
        };
  return {
    handling,
    fasteners,
    bearing,
    altitude,
    verdict: gravest([
      handling?.verdict ?? 'not-checkable',
      fasteners?.verdict ?? 'not-checkable',
      ...(bearing ? [bearing.verdict] : []),
      ...(altitude ? [altitude.verdict] : []),
    ]),
  };
}
