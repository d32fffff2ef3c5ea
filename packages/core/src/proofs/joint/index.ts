/** The door of this room. */
export * from './band.ts';
export * from './bill.ts';
export * from './designer.ts';
export * from './foam.ts';
export * from './movement.ts';
export * from './options.ts';
export * from './prices.ts';
export * from './sealant.ts';
export * from './sides.ts';
export * from './strips.ts';
