/** The door of this room. */
export * from './finding.ts';
export { readingOrder } from './order.ts';
