/** The door of this room. */
export * from './answer.ts';
export * from './document.ts';
export { modelOf, type Model } from './model.ts';
export { Grounds, whyNots, type Placed as PlacedAt, type WhyNot } from './board.ts';
export { compareChains, type ChainPlan, type ChainScore } from './chains.ts';
export { finishBound, type Bound, type HeldBy } from './bound.ts';
export { isPossible, rulesOf, withRules, type Rule } from './irreducible.ts';
export { planWork, type WorkPlan } from './planner.ts';
export { compareScores, scoreOf, type Score } from './score.ts';
