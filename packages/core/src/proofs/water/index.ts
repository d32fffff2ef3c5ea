/** The door of this room. */
export * from './course.ts';
export * from './laps.ts';
export * from './outcome.ts';
export * from './over-sill.ts';
export * from './proof.ts';
export { waterSources, type WaterSource } from './sources.ts';
export * from './standing.ts';
export * from './trace.ts';
export { networkOf, type Network } from './network.ts';
export { placeNode, type Place, type WaterNode } from './ways.ts';
