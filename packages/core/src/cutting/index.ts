export * from './cut.ts';
export * from './document.ts';
export type { Solver } from './program.ts';
