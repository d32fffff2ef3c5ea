/** What wind asks of clips and screws across the wall's face: simple statics, no proof of structure. */
import type { Unit } from '../../documents/unit.ts';
import type { Fastening } from '../../methods/fasteners.ts';
import type { Verdict } from '../../vocabulary/verdict.ts';
import type { Side } from '../../vocabulary/sides.ts';

export interface SideLoad {
  readonly side: Side;
  readonly count: number;
  /** On one fastener, N. */
  readonly each_N: number;
}

export interface FastenerLoad {
  /** Larger of pressure and suction, Pa. */
  readonly pressure_Pa: number;
  /** On the whole unit, N. */
  readonly total_N: number;
  readonly sides: readonly SideLoad[];
  readonly worst: SideLoad;
  /** As the maker or an engineer says; `null` where nobody did. */
  readonly limit_N: number | null;
  readonly verdict: Verdict;
}

/**
 * Returns the load on the fasteners of each side that holds. Each point of the unit leans on the nearest side that is
 * fastened, so that triangles and trapezes are cut off by lines at 45° where all four hold; where fewer hold, as jambs do
 * with clips, they share alike. A side's load is shared evenly by its fasteners.
 *
 * Source: simple statics. Prying, edge distances and the frame's own stiffness are not counted; licensed practice and the
 * maker's schedule go before it.
 *
 * @returns `null` where nothing fastens the unit
 */
export function fastenerLoad(o: {
  readonly unit: Unit;
  readonly fastening: Pick<Fastening, 'sides'>;
  readonly pressure_Pa: number;
}): FastenerLoad | null {
  const [w, h] = [o.unit.width.mm / 1000, o.unit.height.mm / 1000];
  const held = o.fastening.sides.filter((s) => s.at_mm.length > 0);
  const allRound = held.length === 4;
  const short = Math.min(w, h);
  const areaOf = (side: Side): number => {
    const length = side === 'left' || side === 'right' ? h : w;
    const whole = w * h;
    if (!allRound) return whole / held.length;
    // A triangle on the short sides, a trapeze on the long ones.
    return length <= short ? (short * short) / 4 : (whole - (short * short) / 2) / 2;
  };
  const sides = held.map(({ side, at_mm }): SideLoad => ({
    side,
    count: at_mm.length,
    each_N: (areaOf(side) * o.pressure_Pa) / at_mm.length,
  }));
  const [worst] = sides.toSorted((a, b) => b.each_N - a.each_N);
  if (!worst) return null;
  const limit_N = o.unit.limits?.fastener_N ?? null;
  return {
    pressure_Pa: o.pressure_Pa,
    total_N: w * h * o.pressure_Pa,
    sides,
    worst,
    limit_N,
    verdict: limit_N === null ? 'not-checkable' : worst.each_N <= limit_N ? 'holds' : 'fails',
  };
}
