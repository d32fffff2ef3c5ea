/** The door of this room. */
export * from './digest.ts';
export {
  logSchema,
  receiptSchema,
  signedHeadSchema,
  type LogFile,
  type Receipt,
  type SignedHead,
} from './document.ts';
export * from './verify.ts';
