/** The door of this room. */
export * from './entry.ts';
export * from './envelope.ts';
export * from './fields.ts';
export * from './issue.ts';
export * from './job.ts';
export * from './material.ts';
export * from './merge.ts';
export * from './method.ts';
export * from './opening.ts';
export * from './shelf.ts';
export * from './survey.ts';
export * from './unit.ts';
export * from './wall.ts';
export * from './read.ts';
export { renamed } from './renamed.ts';
export type { DocumentProblem } from './plain-problem.ts';
export type { FrozenBuild } from './frozen-build.ts';
export * from './calendar.ts';
