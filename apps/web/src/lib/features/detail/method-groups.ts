/** Where each axis of a method stands on the page. An axis without a place here fails a test. */
import type { AxisId } from '@hulvek/core';

export const methodGroups = [
  {
    name: 'wall',
    axes: ['waterLayer', 'airLayer', 'boardTime', 'wrapEdge', 'slits', 'flapEdge', 'sequence'],
  },
  {
    name: 'unit',
    axes: [
      'begins',
      'mount',
      'setFrom',
      'position',
      'seat',
      'buck',
      'jambHoles',
      'firstFastener',
      'fastenerKind',
    ],
  },
  { name: 'sill', axes: ['sillDrain', 'pan', 'bedding', 'beadOn', 'bottomFin', 'windSkirt'] },
  { name: 'round', axes: ['jambs', 'head', 'headSeam', 'tapeEdge', 'tapeBead', 'outerJoint', 'bandFirst'] },
  { name: 'inside', axes: ['gapFill', 'fillSides', 'shims', 'innerSeal', 'guard', 'insideTrim', 'trim'] },
] as const satisfies readonly { name: string; axes: readonly AxisId[] }[];
