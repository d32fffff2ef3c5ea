/** The door of this room. */
export * from './axes.ts';
export * from './corners.ts';
export * from './events.ts';
export * from './fix.ts';
export * from './materials.ts';
export * from './parameters.ts';
export * from './piece-edges.ts';
export * from './presets.ts';
export * from './prices.ts';
export * from './sealants.ts';
export * from './sides.ts';
export * from './survey-points.ts';
export * from './verdict.ts';
export * from './wall-layers.ts';
export * from './weather.ts';
export * from './roles.ts';
export * from './surfaces.ts';
