/** The door of this room. */
export * from './placement.ts';
export * from './shims.ts';
export * from './verdict.ts';
