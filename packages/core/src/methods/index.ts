/** The door of this room. */
export { boardSlope_deg, choicesOf, factsOf, methodChoices } from './choices.ts';
export * from './fasteners.ts';
export { numbersOf } from './numbers.ts';
export { ruleIds, rules, rulesNaming, type RuleId } from './rules.ts';
export { presets } from './schools.ts';
