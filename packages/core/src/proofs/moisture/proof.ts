/** The proof of moisture for one opening: the joint's balance, and the wall over twelve months where they are known. */
import type { JobContext } from '../../documents/job.ts';
import { gravest, type Verdict } from '../../vocabulary/verdict.ts';
import { vapourPressure, type MonthClimate } from '../../climate/months.ts';
import { saturationPressure } from '../../quantities/psychrometrics.ts';
import { conditionsOf } from '../../conditions/room.ts';
import { conductivities } from '../../conditions/conductivities.ts';
import { RSI_FLOW } from '../../conditions/surfaces.ts';
import type { Build } from '../../build/build.ts';
import { jointBalance, type JointBalance } from './joint-balance.ts';
import { outerResistance, vapourLayers, type VapourLayer } from './layers.ts';
import { monthlyMoisture, type MonthlyMoisture } from './monthly.ts';

export interface MoistureProof {
  readonly joint: JointBalance;
  /** From the weather to the room. */
  readonly layers: readonly VapourLayer[];
  /** `null` while the job has no months. */
  readonly damp: Damp | null;
  /** `null` while the job has no months, or where the method does not apply. */
  readonly wall: MonthlyMoisture | null;
  readonly wallVerdict: Verdict;
  readonly verdict: Verdict;
}

/** More runs off where a layer takes up no water, kg/m². Source: DIN 4108-3, from memory. */
export const MOST_WATER_kg_m2 = 0.5;

export function proveMoisture(build: Build, { job, materials = [] }: JobContext): MoistureProof {
  const layers = vapourLayers(build, { lambda: conductivities(materials), materials, wall: build.wall });
  const { inside_C, humidity_percent } = conditionsOf(job);
  const damp = job.months ? dampFrom(job.months.rows, { inside_C, humidity_percent }) : null;
  const joint = jointBalance(build.context.choices, materials, damp?.from ?? null);
  const wall = job.months
    ? monthlyMoisture({
        layers,
        rse: outerResistance(build),
        rsi: RSI_FLOW,
        months: job.months.rows,
        inside_C,
        humidity_percent,
      })
    : null;
  const wallVerdict = verdictOfWall(wall);
  return { joint, layers, damp, wall, wallVerdict, verdict: gravest([joint.verdict, wallVerdict]) };
}

function verdictOfWall(wall: MonthlyMoisture | null): Verdict {
  if (!wall) return 'not-checkable';
  if (wall.outcome === 'none') return 'holds';
  // What gathers in winter and is gone within the year, below the limit, is what walls do.
  return wall.outcome === 'gathers' || wall.most_kg_m2 > MOST_WATER_kg_m2 ? 'fails' : 'holds';
}

/** Months in which vapour comes from the weather, 0 for January, and the side it comes from over the year. */
export interface Damp {
  readonly inward: readonly number[];
  readonly from: 'room' | 'weather';
}

/**
 * Returns from which side damp comes, by the difference of vapour pressures: from the weather where it does so in more
 * than half of the months. Source: physics; the half is common practice, no source.
 */
export function dampFrom(
  months: readonly MonthClimate[],
  room: { readonly inside_C: number; readonly humidity_percent: number },
): Damp {
  const inside = (saturationPressure(room.inside_C) * room.humidity_percent) / 100;
  const inward = months.flatMap((month, i) => (vapourPressure(month) > inside ? [i] : []));
  return { inward, from: inward.length > months.length / 2 ? 'weather' : 'room' };
}
