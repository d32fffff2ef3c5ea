/** The door of this room. */
export * from './epw.ts';
export * from './months.ts';
