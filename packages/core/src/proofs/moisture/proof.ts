/** The proof of moisture for one opening: the joint's balance, and the wall over twelve months where they are known. */
import type { JobContext } from '../../documents/job.ts';
import { gravest, type Verdict } from '../../vocabulary/verdict.ts';
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
  /** `null` while the job has no months, or where the method does not apply. */
  readonly wall: MonthlyMoisture | null;
  readonly wallVerdict: Verdict;
  readonly verdict: Verdict;
}

/** More runs off where a layer takes up no water, kg/m². Source: DIN 4108-3, from memory. */
export const MOST_WATER_kg_m2 = 0.5;

export function proveMoisture(build: Build, { job, materials = [] }: JobContext): MoistureProof {
  const joint = jointBalance(build.context.choices, materials);
  const layers = vapourLayers(build, { lambda: conductivities(materials), materials, wall: build.wall });
  const { inside_C, humidity_percent } = conditionsOf(job);
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
  return { joint, layers, wall, wallVerdict, verdict: gravest([joint.verdict, wallVerdict]) };
}

function verdictOfWall(wall: MonthlyMoisture | null): Verdict {
  if (!wall) return 'not-checkable';
  if (wall.outcome === 'none') return 'holds';
  // What gathers in winter and is gone within the year, below the limit, is what walls do.
  return wall.outcome === 'gathers' || wall.most_kg_m2 > MOST_WATER_kg_m2 ? 'fails' : 'holds';
}
