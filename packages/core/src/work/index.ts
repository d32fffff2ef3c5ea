/** The door of this room. */
export * from './answer.ts';
export * from './document.ts';
export { modelOf, type Model } from './model.ts';
export { compareScores, finishBound, planWork, type Score, type WorkPlan } from './planner.ts';
