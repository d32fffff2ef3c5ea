/** What a thread of the worker runs. */
export { planSides, solveSide } from '../lib/server/heat/tasks.ts';
export { collidingOf, judgeOpening } from '../lib/server/judging/tasks.ts';
