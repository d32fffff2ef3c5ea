/** The door of this room. */
export * from './pass-through.ts';
export * from './rough-opening.ts';
export * from './unit-for-opening.ts';
