/** The door of this room. */
export * from './altitude.ts';
export * from './weight.ts';
