/** The door of this room. */
export * from './fasteners.ts';
export * from './handling.ts';
export * from './lifting.ts';
export * from './proof.ts';
