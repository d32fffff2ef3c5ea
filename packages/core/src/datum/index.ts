/** The door of this room. */
export * from './common-line.ts';
export * from './spans.ts';
