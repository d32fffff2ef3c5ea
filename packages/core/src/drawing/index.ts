/** The door of this room. */
export * from './cut.ts';
export * from './export.ts';
export * from './face.ts';
export * from './handles.ts';
export * from './items.ts';
export * from './lap.ts';
export * from './palette.ts';
export * from './pieces.ts';
export * from './survey.ts';
export * from './unit.ts';
export * from './wall.ts';
