/** Words for the sides and corners of an opening. */
import type { Side } from '../../vocabulary/sides.ts';
import type { AirCorner } from '../../vocabulary/corners.ts';

export const sideTexts: Readonly<Record<Side, string>> = {
  left: 'left jamb',
  right: 'right jamb',
  head: 'head',
  sill: 'sill',
};

export const cornerTexts: Readonly<Record<AirCorner, string>> = {
  'sill-left': 'lower left corner',
  'sill-right': 'lower right corner',
  'head-left': 'upper left corner',
  'head-right': 'upper right corner',
};
