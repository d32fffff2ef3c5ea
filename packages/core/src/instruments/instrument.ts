/** One way to ask any measuring instrument for a figure, whatever carries it. */
import type { Instrument as InstrumentKind } from '../documents/survey.ts';
import type { SurveyPointId } from '../vocabulary/survey-points.ts';

/** `lost`: the instrument does not answer any more and must be connected again · `cannot`: not its kind of figure. */
export type InstrumentAnswer =
  { readonly ok: true; readonly mm: number } | { readonly ok: false; readonly because: 'lost' | 'cannot' };

export interface MeasuringInstrument {
  readonly kind: InstrumentKind;
  /** Takes one reading at a point. */
  read(point: SurveyPointId): InstrumentAnswer;
  /** After a loss. */
  reconnect(): void;
}

/** What each point is read with when everything is at hand: lengths with a meter, levels with a laser, plumb with a level. */
export function instrumentFor(point: SurveyPointId): InstrumentKind {
  if (point === 'roughWidth' || point === 'roughHeight') return 'drawing';
  if (point === 'sillLeft' || point === 'sillMiddle' || point === 'sillRight') return 'levelling-laser';
  if (/^(plumb|twist|sillFall)/.test(point)) return 'digital-level';
  return /^(bow|stringGap|faceHollow)/.test(point) ? 'tape' : 'distance-meter';
}
