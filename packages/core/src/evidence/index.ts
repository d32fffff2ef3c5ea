/** The door of this room. */
export * from './digest.ts';
export { logSchema, receiptSchema, type LogFile, type Receipt } from './document.ts';
export * from './verify.ts';
