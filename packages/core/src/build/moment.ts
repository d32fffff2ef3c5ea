/** The wall at one moment of the work. */
import type { Build } from './build.ts';
import { type WallState, replay, thingsOf, BODY, faceKey } from './replay.ts';
import type { Sheet } from '../geometry/sheet.ts';

/** A bond that somebody lost: a tape that was not rolled, a bead that was left out. */
export type LostBond = string;

export interface Moment {
  readonly build: Build;
  /** How many steps are done. */
  readonly count: number;
  readonly state: WallState;
  readonly sheets: ReadonlyMap<string, Sheet>;
  readonly lost: ReadonlySet<LostBond>;
}

/** Finished walls with nothing lost: every proof begins from this one. */
const finished = new WeakMap<Build, Moment>();

/** The wall after the first `count` steps. */
export function momentOf(build: Build, count: number, lost: readonly LostBond[] = []): Moment {
  const isFinished = count >= build.steps.length && lost.length === 0;
  const known = isFinished ? finished.get(build) : undefined;
  if (known) return known;
  const done = new Set(build.steps.slice(0, count).map((step) => step.id));
  const events = isFinished ? build.events : build.events.filter((event) => done.has(event.step));
  const sheets = new Map(build.pieces.flatMap((p) => (p.form === 'sheet' ? [[p.id, p.sheet] as const] : [])));
  const state = replay(thingsOf(build.pieces), events);
  const moment = { build, count, state, sheets, lost: new Set(lost) };
  if (isFinished) finished.set(build, moment);
  return moment;
}

/** Whether a thing, or one face of it, is in its place. */
export const stands = ({ state }: Moment, thing: string, face: string = BODY): boolean =>
  state.faces.get(faceKey(thing, face))?.state === 'in place';

/** Whether a piece is there, in any of its faces, and its bond not known to be lost. */
export const seals = ({ state, sheets, lost }: Moment, thing: string): boolean =>
  !lost.has(thing) &&
  (sheets.get(thing)?.faces.map((face) => face.id) ?? [BODY]).some(
    (face) => state.faces.get(faceKey(thing, face))?.state === 'in place',
  );
