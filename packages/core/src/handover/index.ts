/** The door of this room. */
export * from './dossier.ts';
export * from './labels.ts';
