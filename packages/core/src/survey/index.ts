/** The door of this room. */
export { openingFrame, readingsFromOutside, type OpeningFrame, type Readings } from './frame.ts';
export * from './plausibility.ts';
export * from './readings.ts';
export * from './survey-table.ts';
export * from './schedule.ts';
export * from './marks.ts';
export * from './station-points.ts';
