/** The door of this room. */
export * from './evenings.ts';
export * from './moving.ts';
export * from './timeline.ts';
