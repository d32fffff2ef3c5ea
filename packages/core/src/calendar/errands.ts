/** What the crew does for the job and for no opening: its own errands, and sheets put up in the evening and taken down. */
import type { Build } from '../build/build.ts';
import type { Calendar } from '../documents/calendar.ts';
import type { TradeHold } from '../vocabulary/crew.ts';
import type { WorkTask } from '../work/document.ts';
import { momentIn } from './days.ts';

/** One person, so long: common practice, no source. */
export const SHEET_min = { up: 20, down: 10 } as const;
/** A sheet laps so far over the wall on every side: common practice, no source. */
export const SHEET_LAP_mm = 300;

/** Stands where the name of an opening does; no opening is called so. */
const ERRAND = '.errand.';
const SHEET = '.sheet.';
export const sheetSteps = ['sheet-up', 'sheet-down'] as const;
export type SheetStep = (typeof sheetSteps)[number];

/** The errand that a task is of, by its id; `null` for a step of an opening. */
export const errandOf = (opening: string): string | null =>
  opening.startsWith(`x${ERRAND}`) ? opening.slice(ERRAND.length + 1) : null;
/** The opening that a sheet is over. */
export const sheetOver = (opening: string): string | null =>
  opening.startsWith(`x${SHEET}`) ? opening.slice(SHEET.length + 1) : null;

/** The sheet of an opening, mm. */
export const sheetOf = ({ context: { opening } }: Build): { width_mm: number; height_mm: number } => ({
  width_mm: opening.width + 2 * SHEET_LAP_mm,
  height_mm: opening.height + 2 * SHEET_LAP_mm,
});

export interface Errand {
  readonly opening: string;
  readonly first: boolean;
  readonly tasks: readonly (WorkTask & { readonly step: string })[];
}

const errandTask = (id: string): string => `x${ERRAND}${id}/errand`;

/** Errands that a step of an opening waits for. */
export const waitsFor = (
  { errands = [] }: Calendar,
  { facade }: { readonly facade: string },
  phases: readonly TradeHold[],
): string[] =>
  errands.flatMap(({ id, done, holds, facade: where }) =>
    !done && holds && phases.includes(holds) && (where === undefined || where === facade)
      ? [errandTask(id)]
      : [],
  );

/** Evenings and mornings between which an opening lies under a sheet. */
export function underSheets(
  { covers, zone, hours }: Calendar,
  days: readonly string[],
): { opening: string; on: string; from: string; to: string }[] {
  return covers.flatMap(({ opening, on }) => {
    const next = days[days.indexOf(on) + 1];
    if (!days.includes(on) || next === undefined) return [];
    const [evening, morning] = [momentIn(zone, on, hours.to), momentIn(zone, next, hours.from)];
    return [{ opening, on, from: earlier(evening, SHEET_min.up), to: earlier(morning, -SHEET_min.down) }];
  });
}

const earlier = (at: string, minutes: number): string =>
  new Date(Date.parse(at) - minutes * 60_000).toISOString();

/** @param days on which anybody works */
export function errandsOf(
  calendar: Calendar,
  openings: readonly { readonly id: string; readonly facade: string }[],
  days: readonly string[],
): Errand[] {
  const facadeOf = new Map(openings.map(({ id, facade }) => [id, facade === '' ? '-' : facade]));
  const own = (calendar.errands ?? [])
    .filter(({ done }) => !done)
    .map((errand): Errand => ({
      opening: `x${ERRAND}${errand.id}`,
      first: errand.holds !== undefined,
      tasks: [
        {
          id: errandTask(errand.id),
          step: 'errand',
          minutes: errand.minutes,
          people: errand.people,
          ...(errand.facade !== undefined &&
            [...facadeOf.values()].includes(errand.facade) && { place: errand.facade }),
          ...(errand.on && { release: momentIn(calendar.zone, errand.on, calendar.hours.from) }),
        },
      ],
    }));
  const sheets = underSheets(calendar, days).map(({ opening, on, from, to }): Errand => {
    const place = facadeOf.get(opening);
    const task = (step: SheetStep, minutes: number, release: string) => ({
      id: `x${SHEET}${opening}/${step}@${on}`,
      step: `${step}@${on}`,
      minutes,
      unsplit: true,
      release,
      ...(place !== undefined && { place }),
    });
    return {
      opening: `x${SHEET}${opening}`,
      first: true,
      tasks: [
        task('sheet-up', SHEET_min.up, from),
        {
          ...task('sheet-down', SHEET_min.down, earlier(to, SHEET_min.down)),
          after: [{ after: `x${SHEET}${opening}/sheet-up@${on}` }],
        },
      ],
    };
  });
  return [...own, ...sheets.filter(({ opening }) => facadeOf.has(sheetOver(opening) ?? ''))];
}
