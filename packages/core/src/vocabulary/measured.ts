/** What is measured while a unit is set. */
export const measuredWhats = [
  'surface',
  'moisture',
  'film',
  'sill-level',
  'plumb',
  'diagonals',
  'bow',
] as const;
export type MeasuredWhat = (typeof measuredWhats)[number];
