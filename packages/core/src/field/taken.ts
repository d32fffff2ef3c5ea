/** Who has taken an opening, so that two crews do not do its work twice without knowing. */
import type { Build } from '../build/build.ts';
import type { Entry } from '../documents/entry.ts';
import { standing, type StepProgress } from './progress.ts';

/** The newest that stands, until the opening is finished. @param entries of one opening */
export function takenBy(entries: readonly Entry[], states: readonly StepProgress[]): Entry | null {
  if (states.length > 0 && states.every(({ status }) => status === 'done')) return null;
  return standing(entries).findLast(({ kind }) => kind === 'taken') ?? null;
}

/** Whether somebody is another than the one who took it; of whoever a file names only the name is known. */
export const isOthers = (
  taken: Pick<Entry, 'account' | 'person'> | null,
  me: { readonly id: string; readonly name: string },
): boolean =>
  taken !== null && (taken.account === undefined ? taken.person !== me.name : taken.account !== me.id);

/** The step that an entry about the whole opening stands at: the first that is not done. */
export const stepNow = (build: Pick<Build, 'steps'>, states: readonly StepProgress[]): string =>
  states.find(({ status }) => status !== 'done')?.id ?? build.steps.at(-1)?.id ?? '';
