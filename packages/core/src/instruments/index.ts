/** The door of this room. */
export * from './instrument.ts';
export * from './simulator.ts';
export * from './field-instrument.ts';
export * from './field-simulator.ts';
