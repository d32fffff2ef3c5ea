/** The door of this room. */
export * from './days.ts';
export * from './plan.ts';
export { calendarWork, isInside, LOOK_SUFFIX, taskId, type CalendarOpening, type TaskOf } from './tasks.ts';
export * from './weather.ts';
export * from './replan.ts';
export * from './why.ts';
