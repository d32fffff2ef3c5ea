/** The door of this room. */
export * from './days.ts';
export * from './day-sheet.ts';
export {
  errandOf,
  sheetOf,
  sheetOver,
  sheetSteps,
  SHEET_min,
  SHEET_LAP_mm,
  type SheetStep,
} from './errands.ts';
export type { JudgedOpening, NightOf } from './nights.ts';
export * from './plan.ts';
export * from './result.ts';
export { calendarWork, isInside, LOOK_SUFFIX, taskId, type CalendarOpening, type TaskOf } from './tasks.ts';
export * from './weather-file.ts';
export * from './weather.ts';
export * from './replan.ts';
export * from './why.ts';
