/** The door of this room. */
export * from './course.ts';
export * from './later-trades.ts';
export * from './leakage.ts';
export {
  openPlaces,
  proveAir,
  type AirProof,
  type Interrupter,
  type Lift,
  type LiftKind,
  type SideAir,
} from './proof.ts';
export * from './second-line.ts';
export * from './when.ts';
