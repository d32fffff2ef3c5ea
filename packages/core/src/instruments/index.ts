/** The door of this room. */
export * from './instrument.ts';
export * from './simulator.ts';
