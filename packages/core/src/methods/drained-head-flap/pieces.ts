/** Pieces of the drained method with a head flap. */
import type { PieceRow } from '../method.ts';

export const drainedPieces = [
  { id: 'wrap', kind: 'wrap-with-flap' },
  { id: 'board', kind: 'bevelled-board' },
  { id: 'pan', kind: 'stretch-pan' },
  { id: 'jamb-flashing-left', kind: 'jamb-flashing', side: 'left' },
  { id: 'jamb-flashing-right', kind: 'jamb-flashing', side: 'right' },
  { id: 'head-flashing', kind: 'head-flashing' },
  { id: 'sill-shims', kind: 'sill-shims' },
  { id: 'jamb-shims', kind: 'jamb-shims' },
  { id: 'unit', kind: 'unit' },
  { id: 'fin', kind: 'fin' },
  { id: 'bead', kind: 'fin-bead' },
  { id: 'jamb-tape-left', kind: 'jamb-tape', side: 'left' },
  { id: 'jamb-tape-right', kind: 'jamb-tape', side: 'right' },
  { id: 'head-tape', kind: 'head-tape' },
  { id: 'slit-tape-left', kind: 'slit-tape', side: 'left' },
  { id: 'slit-tape-right', kind: 'slit-tape', side: 'right' },
  { id: 'foam', kind: 'gap-foam' },
  { id: 'seal-sill', kind: 'inner-seal', side: 'sill' },
  { id: 'seal-left', kind: 'inner-seal', side: 'left' },
  { id: 'seal-right', kind: 'inner-seal', side: 'right' },
  { id: 'seal-head', kind: 'inner-seal', side: 'head' },
] as const satisfies readonly PieceRow[];

export type DrainedPieceId = (typeof drainedPieces)[number]['id'];
