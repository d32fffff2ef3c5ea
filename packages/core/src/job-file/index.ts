/** The door of this room. */
export * from './job-file.ts';
export * from './template.ts';
