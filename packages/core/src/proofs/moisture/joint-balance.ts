/** Whether the joint round the frame dries outward: vapour resistance of its inner seal against its outer one. */
import type { Material } from '../../documents/material.ts';
import type { Verdict } from '../../vocabulary/verdict.ts';
import { FINNED, type Choices } from '../../vocabulary/axes.ts';
import { sealSd_m } from '../../vocabulary/materials.ts';
import { sheetSd } from './layers.ts';

/** From here on a layer counts as closed, m. Common practice, no source; DIN 4108-3 calls 0.5 m open and 1500 m tight, from memory. */
export const CLOSED_SD_m = 20;

export interface JointBalance {
  readonly inner_m: number;
  readonly outer_m: number;
  readonly innerBy: Choices['innerSeal'];
  readonly outerBy: Choices['outerJoint'] | 'open';
  /** Whether the sill lets damp out whatever the other sides do. */
  readonly drains: boolean;
  /** Both closed, with wood, wool or foam between. */
  readonly twoClosed: boolean;
  /** Which side is warm and moist over most of the year: where months are known. */
  readonly from: 'room' | 'weather' | null;
  readonly verdict: Verdict;
}

/** Of several materials of a kind the most open one counts. */
function own(materials: readonly Material[], kind: Material['kind'], usual: number): number {
  const given = materials.filter((m) => m.kind === kind).flatMap((m) => m.sd_m ?? []);
  return given.length > 0 ? Math.min(...given) : usual;
}

/**
 * Returns the balance of a joint. In a heated building damp comes from the room, so the inside should be at least as
 * tight as the outside; a drained sill is a way out for what the other sides hold, and is watched.
 *
 * Source: common practice, no source; equivalent air layers are defaults that a job's own material replaces.
 */
export function jointBalance(
  choices: Choices,
  materials: readonly Material[],
  from: JointBalance['from'] = null,
): JointBalance {
  const band = own(materials, 'band', sealSd_m.band);
  const sealant = own(materials, 'sealant', sealSd_m.sealant);
  const inner: Readonly<Record<Choices['innerSeal'], number>> = {
    'corner-tape': sheetSd('corner-tape', materials),
    'sealant-rod': sealant,
    'foam-alone': choices.gapFill === 'foam' ? own(materials, 'foam', sealSd_m.foam) : 0,
    membrane: sheetSd('membrane', materials),
    precompressed: band,
    'sheet-acoustic': sheetSd('air-sheet', materials),
  };
  const finned = (FINNED.mount as readonly string[]).includes(choices.mount);
  const outer: Readonly<Record<Choices['outerJoint'], number>> = {
    'fin-tapes': sheetSd('flashing-tape', materials),
    precompressed: band,
    'sealant-rod': sealant,
    membrane: sheetSd('self-adhered', materials),
  };
  const outerBy = finned ? 'fin-tapes' : choices.outerJoint === 'fin-tapes' ? 'open' : choices.outerJoint;
  const inner_m = inner[choices.innerSeal];
  const outer_m = outerBy === 'open' ? 0 : outer[outerBy];
  const drains = choices.bedding !== 'barrier';
  const twoClosed = inner_m >= CLOSED_SD_m && outer_m >= CLOSED_SD_m;
  // Where damp comes from the weather the outside should be the tighter one.
  const balanced = from === 'weather' ? outer_m >= inner_m : inner_m >= outer_m;
  return {
    inner_m,
    outer_m,
    innerBy: choices.innerSeal,
    outerBy,
    drains,
    twoClosed,
    from,
    // A sill that drains lets damp out whatever the other sides hold.
    verdict: drains || (balanced && !twoClosed) ? 'holds' : twoClosed ? 'watch' : 'fails',
  };
}
