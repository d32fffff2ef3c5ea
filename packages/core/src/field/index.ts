/** The door of this room. */
export * from './as-built.ts';
export * from './clocks.ts';
export * from './conditions.ts';
export * from './cover-list.ts';
export * from './faults.ts';
export * from './gap-ledger.ts';
export * from './measured.ts';
export * from './mend.ts';
export * from './progress.ts';
export * from './running.ts';
export * from './taken.ts';
export * from './test-checks.ts';
export * from './unfit.ts';
