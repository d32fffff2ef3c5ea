/** The door of this room. */
export * from './compose.ts';
export * from './task.ts';
export * from './wall.ts';
export { diceOf, type Dice } from './dice.ts';
export * from './skill.ts';
export * from './spacing.ts';
export type { GivenLength, Question } from './question.ts';
export type { Why } from './why.ts';
export { dropEnds, faultIds, type DropEnd, type FaultId } from './answers.ts';
export { SCREW, SILL_JOINT } from './kinds/faults/index.ts';
export {
  workOfDay,
  type DayHour,
  type DayPlan,
  type DayTask,
  type DayTrouble,
  type DayWork,
} from './kinds/day-tasks.ts';
