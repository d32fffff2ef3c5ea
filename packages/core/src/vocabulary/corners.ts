/** The corners of an opening: where strips meet, and where the pen line turns. */

export const airCorners = ['sill-left', 'sill-right', 'head-right', 'head-left'] as const;

export type AirCorner = (typeof airCorners)[number];

export const cornerIds = [
  'sill-left',
  'sill-right',
  'head-left',
  'head-right',
  'fin-sill-left',
  'fin-sill-right',
  'fin-head-left',
  'fin-head-right',
] as const;

export type CornerId = (typeof cornerIds)[number];
