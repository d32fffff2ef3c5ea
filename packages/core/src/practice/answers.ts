/** Answers that tasks and explanations name alike. */

export const dropEnds = ['outside', 'drains', 'stays', 'framing', 'room'] as const;
export type DropEnd = (typeof dropEnds)[number];

/** Faults as hands make them. */
export const faultIds = [
  'reverse-lap',
  'short',
  'not-rolled',
  'sill-closed',
  'no-dam',
  'void-corner',
  'open-seal',
  'screw-misses',
] as const;
export type FaultId = (typeof faultIds)[number];
