/** The door of this room. */
export * from './joint-balance.ts';
export * from './layers.ts';
export * from './monthly.ts';
export * from './proof.ts';
