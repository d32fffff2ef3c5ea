/** The pan against the water that wind makes stand in it. */
import type { Build } from '../../build/build.ts';
import { pieceFor, piecesFor } from '../../build/by-role.ts';
import type { Choices } from '../../vocabulary/axes.ts';
import type { ParameterValues } from '../../vocabulary/parameters.ts';
import { type InnerSealState, type DamCheck, damCheck } from './standing.ts';
import type { OverSill } from './on-sill.ts';

type OfPan = { choices: Choices; numbers: ParameterValues; depth_mm: number; asked_Pa: number | null };

/** The pan against what stands in it with an inner seal in this state; `null` while the pressure is not known. */
export const panAgainst = ({ asked_Pa, ...pan }: OfPan, seal: InnerSealState): DamCheck | null =>
  asked_Pa === null ? null : damCheck({ ...pan, pressure_Pa: asked_Pa, seal });

/** The piece that seals the joint to the room at the sill; `null` where nothing does. */
function innerSealOf(build: Build): string | null {
  const seals = piecesFor(build, 'inner-seal');
  const own = seals.find(({ side }) => side === 'sill' || side === null);
  const { innerSeal, gapFill } = build.context.choices;
  const foam = innerSeal === 'foam-alone' && gapFill === 'foam' ? pieceFor(build, 'fill') : undefined;
  return own?.id ?? foam?.id ?? null;
}

/** Whether wind lifts the water in the pan into the room once nothing seals it, and what then holds it back. */
export function overSillOf(build: Build, asked_Pa: number | null): OverSill | null {
  const { choices, numbers, opening } = build.context;
  // What a closed method lets stand on its sill is said of it anyway.
  if (choices.bedding === 'barrier' || choices.pan === 'none') return null;
  const open = panAgainst({ choices, numbers, depth_mm: opening.depth, asked_Pa }, 'missing');
  return open && !open.holds ? { seal: innerSealOf(build) } : null;
}
