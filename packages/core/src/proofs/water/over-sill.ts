/** The pan against the water that wind makes stand in it. */
import type { Choices } from '../../vocabulary/axes.ts';
import type { ParameterValues } from '../../vocabulary/parameters.ts';
import { type InnerSealState, type DamCheck, damCheck } from './standing.ts';
import type { OverSill } from './on-sill.ts';

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
