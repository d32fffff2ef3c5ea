/** The door of this room. */
export * from './articles.ts';
export * from './cuts.ts';
export * from './early.ts';
export * from './instead.ts';
export * from './needs.ts';
export * from './takeoff.ts';
export * from './wraps.ts';
export {
  askStock,
  contacts,
  insteadOf,
  onDay,
  worstTouch,
  type MaterialContact,
  type Instead,
  type Touch,
} from './together.ts';
