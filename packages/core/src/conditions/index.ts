/** The door of this room. */
export * from './assumed.ts';
export * from './exposed.ts';
export * from './exposure.ts';
export * from './room.ts';
