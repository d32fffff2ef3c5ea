/** The door of this room. */
export * from './answer.ts';
export * from './document.ts';
export { modelOf, type Model } from './model.ts';
export { finishBound } from './bound.ts';
export { compareScores, planWork, type Score, type WorkPlan } from './planner.ts';
