/** The door of this room. */
export * from './next-probe.ts';
export * from './pattern.ts';
export * from './search.ts';
export * from './session.ts';
export * from './simulate.ts';
export * from './spray-network.ts';
export * from './weights.ts';
export { allWet, wetBy, type Spraying, type Wet } from './wetting.ts';
export { showsAt, zoneAtPoint, zonesOf } from './zones.ts';
