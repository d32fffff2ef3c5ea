/** Ends of strips on the wall's face: piece, its edge, the number that edge obeys. */
import type { ParameterId } from '../vocabulary/parameters.ts';
import type { PieceEdge } from '../vocabulary/piece-edges.ts';

export const stripEnds: readonly (readonly [piece: string, edge: PieceEdge, parameter: ParameterId])[] = [
  ['jamb-tape-left', 'top', 'jambTapeAboveFin'],
  ['jamb-tape-left', 'bottom', 'jambTapeBelowFin'],
  ['jamb-tape-left', 'left', 'jambTapeWidth'],
  ['head-tape', 'top', 'headTapeWidth'],
  ['head-tape', 'right', 'headTapePast'],
  ['head-tape-2', 'top', 'headTape2Width'],
  ['sill-tape', 'bottom', 'sillTapeWidth'],
  ['face-tape-sill', 'bottom', 'faceTapeWidth'],
  ['skirt', 'bottom', 'skirtHeight'],
  ['apron', 'bottom', 'apronWidth'],
  ['pan', 'bottom', 'panLap'],
  ['slit-tape-right', 'right', 'flapSlit'],
];
