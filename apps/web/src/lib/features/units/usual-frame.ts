/** Usual figures of a finned frame, to start from until its maker's are entered: common practice, no source. */
import type { TypedLength, Unit } from '@hulvek/core';

const mm = (value: number): TypedLength => ({ typed: `${value} mm`, mm: value });

export const USUAL_FRAME = {
  frameDepth: mm(100),
  frameFace: mm(70),
  fin: { kind: 'integral', width: mm(35), holeFromFrame: mm(25), fromFront: mm(25) },
} satisfies Pick<Unit, 'frameDepth' | 'frameFace' | 'fin'>;
