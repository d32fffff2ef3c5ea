/** The door of this room. */
export * from './finding.ts';
