/** What is measured while a unit is set, and where a figure comes from. */
export const measuredWhats = [
  'surface',
  'air',
  'humidity',
  'moisture',
  'film',
  'sill-level',
  'head-level',
  'plumb',
  'diagonals',
  'margin',
  'bow',
  'depth',
  'joint',
] as const;
export type MeasuredWhat = (typeof measuredWhats)[number];

/** What a figure is one of. */
export type FigureKind = 'length' | 'film' | 'temperature' | 'percent';

export const figureKindOf = (what: MeasuredWhat): FigureKind => {
  if (what === 'surface' || what === 'air') return 'temperature';
  if (what === 'moisture' || what === 'humidity') return 'percent';
  return what === 'film' ? 'film' : 'length';
};

/** `weather`: not measured here, but what the job's weather says of the hour · `simulated`: for trying out, and no evidence. */
export const figureSources = ['hand', 'instrument', 'weather', 'simulated'] as const;
export type FigureSource = (typeof figureSources)[number];
