/** What a planned task is called, and where it is. */
import { errandOf, sheetOver, stepText, type Calendar } from '@hulvek/core';

/** What is done in a task, by its step. */
export function taskTitle(id: string): string {
  if (id === 'errand') return 'Do it';
  if (id.startsWith('sheet-up')) return 'Put the sheet up';
  if (id.startsWith('sheet-down')) return 'Take the sheet down';
  return stepText(id).title;
}

const sheetOverText = (mark: string): string => `Sheet over ${mark}`;

/** What a row or a bar is called: an opening's mark, an errand of the job, a sheet over an opening. */
export function workName(
  calendar: Pick<Calendar, 'errands'> | null | undefined,
  opening: string,
  markOf: (opening: string) => string,
): string {
  const errand = errandOf(opening);
  if (errand !== null) return calendar?.errands?.find(({ id }) => id === errand)?.name ?? errand;
  const under = sheetOver(opening);
  return under === null ? markOf(opening) : sheetOverText(markOf(under));
}
