/** The door of this room. */
export * from './digest.ts';
export { headIn, logSchema, receiptSchema, type LogFile, type Receipt } from './document.ts';
export * from './verify.ts';
export * from './package.ts';
export * from './read-package.ts';
export * from './lines.ts';
