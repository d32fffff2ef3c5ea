/** What may be done now: the steps of a frozen plan against the entries made on site. */
import type { Entry } from '../documents/entry.ts';
import { faultsBefore, faultsOf, type Fault } from './faults.ts';
import { isChecked } from './test-checks.ts';
import { asTold, isAfter, lapse, momentOf } from './clocks.ts';
import type { Issue, Look } from '../documents/issue.ts';
import type { PlannedStep } from '../build/build.ts';

/**
 * `blocked`: something must happen first · `open`: may be done · `done`: ticked · `waiting-look`: ticked, somebody
 * must look before the work goes on · `confirm`: ticked on an older plan whose step was different.
 */
export type StepStatus = 'blocked' | 'open' | 'done' | 'waiting-look' | 'confirm';

export type Blocker =
  | { readonly kind: 'step'; readonly step: string; readonly because: 'physical' | 'process' }
  | { readonly kind: 'look'; readonly step: string }
  | { readonly kind: 'confirm'; readonly step: string }
  | { readonly kind: 'rest'; readonly step: string; readonly until: string }
  /** A fault found at that step would be covered. */
  | { readonly kind: 'fault'; readonly step: string; readonly fault: string };

export interface StepProgress {
  readonly id: string;
  readonly status: StepStatus;
  readonly blockedBy: readonly Blocker[];
  /** Until when it must have been begun or done, and after which step: a bead skins over, a unit is held by a hand. */
  readonly due: readonly { readonly step: string; readonly by: string; readonly atOnce: boolean }[];
  /** Everything entered for this step that stands, oldest first. */
  readonly entries: readonly Entry[];
  /** Of these the ones that count. */
  readonly tick: Entry | null;
  readonly look: Entry | null;
  readonly override: Entry | null;
  readonly notes: readonly Entry[];
  /** What of the frozen plan holds only once it was seen at this step. */
  readonly looks: readonly Look[];
}

/** Entries still in force, as they are told: those not taken back, and no `undo` itself. */
export function standing(entries: readonly Entry[]): Entry[] {
  const undone = new Set(
    entries.flatMap((entry) => (entry.kind === 'undo' && entry.undoes ? [entry.undoes] : [])),
  );
  return asTold(entries).filter((entry) => entry.kind !== 'undo' && !undone.has(entry.id));
}

/** A moment by the device's clock, and by how much that is slow. */
export type Now = Pick<Entry, 'at' | 'clock_s'>;

const MS_PER_MINUTE = 60_000;

/**
 * Returns the state of every step of the newest frozen plan at `now`.
 *
 * A look counts only when it was made after the tick it looks at, by their device's counter or in the order in which the
 * server took them. A rest has passed when it has by every clock. A rest can be overridden by an entry with a
 * reason, a look never. A tick from an older plan counts while the step's content is unchanged.
 *
 * @param issues all frozen plans of this opening
 * @param entries in the order in which the server took them, those that it has not taken yet last
 * @param now ISO time, passed in: the core has no clock. Or the record that is to be judged, with its two clocks
 */
export function progress(
  steps: readonly PlannedStep[],
  issues: readonly Issue[],
  entries: readonly Entry[],
  now: string | Now,
): StepProgress[] {
  const clock = typeof now === 'string' ? { at: now } : now;
  const taken = new Map(entries.map((entry, i) => [entry.id, i]));
  const placed = (record: Entry) => ({ record, taken: taken.get(record.id) ?? entries.length });
  const valid = standing(entries);
  const entered = new Map<string, Entry[]>();
  for (const entry of valid) {
    const own = entered.get(entry.step);
    if (own) own.push(entry);
    else entered.set(entry.step, [entry]);
  }
  const byStep = new Map<string, StepProgress>();
  const faults = faultsOf(valid);
  const asked = issues.at(-1)?.looks ?? [];
  for (const step of steps) {
    const own = entered.get(step.id) ?? [];
    const tick = tickThatCounts(own, issues, step);
    const afterTick = (entry: Entry) => tick !== null && isAfter(placed(entry), placed(tick));
    const look = own.findLast((entry) => entry.kind === 'look' && afterTick(entry)) ?? null;
    const override = own.findLast((entry) => entry.kind === 'override') ?? null;
    const blockedBy = [
      ...faultsBefore(faults, step.id).map(({ entry }: Fault): Blocker => ({
        kind: 'fault',
        step: entry.step,
        fault: entry.id,
      })),
      ...blockers(step, steps, byStep, override !== null, clock),
    ];
    const changed = tick !== null && hashAt(issues, tick.issue, step.id) !== step.hash;
    byStep.set(step.id, {
      id: step.id,
      status: statusOf({ step, blockedBy, ticked: tick !== null, changed, looked: look !== null }),
      blockedBy: tick ? [] : blockedBy,
      due: tick ? [] : dueOf(step, steps, byStep),
      entries: own,
      tick,
      look,
      override,
      notes: own.filter((entry) => entry.kind === 'note'),
      looks: asked.filter((one) => one.step === step.id),
    });
  }
  return [...byStep.values()];
}

/**
 * Two people may tick the same step without knowing of each other: the first one counts, so that a look made in
 * between stays good. A tick on changed content counts only when there is no other, and asks to be confirmed.
 */
function tickThatCounts(own: readonly Entry[], issues: readonly Issue[], step: PlannedStep): Entry | null {
  const ticks = own.filter((entry) => entry.kind === 'tick');
  return ticks.find((tick) => hashAt(issues, tick.issue, step.id) === step.hash) ?? ticks.at(-1) ?? null;
}

const hashAt = (issues: readonly Issue[], version: number, step: string): string | undefined =>
  issues.find((issue) => issue.version === version)?.steps.find((s) => s.id === step)?.hash;

function statusOf(s: {
  step: PlannedStep;
  blockedBy: readonly Blocker[];
  ticked: boolean;
  changed: boolean;
  looked: boolean;
}): StepStatus {
  if (!s.ticked) return s.blockedBy.length > 0 ? 'blocked' : 'open';
  if (s.changed) return 'confirm';
  return s.step.holdPoint && !s.looked ? 'waiting-look' : 'done';
}

/** What a step waits for, without what the opening's own order has set aside. */
const holding = ({ after }: PlannedStep) => after.filter(({ setAside }) => !setAside);

/** A tick is the end of a step; it began as long before as the work takes. */
function dueOf(
  step: PlannedStep,
  steps: readonly PlannedStep[],
  earlier: ReadonlyMap<string, StepProgress>,
): StepProgress['due'] {
  return holding(step).flatMap(({ step: id, from = 'end', most_min }) => {
    const done = earlier.get(id)?.tick;
    if (!done || most_min === undefined) return [];
    const worked_min = from === 'start' ? (steps.find((s) => s.id === id)?.work_min ?? 0) : 0;
    const by = Math.min(Date.parse(done.at), momentOf(done)) + (most_min - worked_min) * MS_PER_MINUTE;
    return [{ step: id, by: new Date(by).toISOString(), atOnce: most_min === 0 }];
  });
}

/** A hold stops everything that is not yet done, not only the steps that name it. */
function blockers(
  step: PlannedStep,
  steps: readonly PlannedStep[],
  earlier: ReadonlyMap<string, StepProgress>,
  overridden: boolean,
  now: Now,
): Blocker[] {
  const waits = holding(step).flatMap(({ step: id, because, least_min = 0 }): Blocker[] => {
    const before = earlier.get(id);
    if (!before?.tick) return [{ kind: 'step', step: id, because }];
    const left = least_min * MS_PER_MINUTE - lapse(before.tick, now);
    if (least_min > 0 && !overridden && left > 0) {
      const until = new Date(Date.parse(now.at) + left).toISOString();
      return [{ kind: 'rest', step: id, until }];
    }
    return [];
  });
  const held = [...earlier.values()].flatMap((before): Blocker[] => {
    if (before.status === 'waiting-look') return [{ kind: 'look', step: before.id }];
    return before.status === 'confirm' ? [{ kind: 'confirm', step: before.id }] : [];
  });
  return [...held, ...waits];
}

/** Share of steps finished, 0 to 1. */
export const shareDone = (list: readonly StepProgress[]): number =>
  list.length === 0 ? 0 : list.filter((step) => step.status === 'done').length / list.length;

/**
 * Why an entry may not be added now, or `null` when it may. The same rule serves the phone and the server.
 */
export type Refusal =
  | 'unknown-step'
  | 'blocked'
  | 'not-ticked'
  | 'no-hold-point'
  | 'nothing-to-undo'
  | 'later-step-done'
  | 'reason-needed'
  | 'text-needed'
  | 'no-rest'
  | 'built-needed'
  | 'facts-needed'
  | 'no-fault'
  | 'not-checked';

export function refusal(
  entry: Pick<Entry, 'kind' | 'step' | 'undoes' | 'note' | 'built' | 'facts'>,
  list: readonly StepProgress[],
  steps: readonly PlannedStep[],
): Refusal | null {
  const step = list.find((s) => s.id === entry.step);
  const row = steps.find((s) => s.id === entry.step);
  if (!step || !row) return 'unknown-step';
  switch (entry.kind) {
    case 'tick':
      if (entry.facts && entry.facts.kind !== 'conditions') return 'facts-needed';
      return step.status === 'blocked' ? 'blocked' : null;
    case 'look':
      if (!row.holdPoint && step.looks.length === 0) return 'no-hold-point';
      return step.tick && step.status !== 'confirm' ? null : 'not-ticked';
    case 'override':
      if (entry.note.trim() === '') return 'reason-needed';
      return step.blockedBy.some((b) => b.kind === 'rest') ? null : 'no-rest';
    case 'built':
      if (!entry.built || !concerns(row, entry.built.piece)) return 'built-needed';
      return step.tick || step.status === 'open' ? null : 'blocked';
    case 'cut':
      // Cut on the ground, before anything else of the step may begin.
      return entry.facts?.kind === 'cut' && concerns(row, entry.facts.piece) ? null : 'facts-needed';
    case 'fault':
      if (entry.facts?.kind !== 'fault' || !concerns(row, entry.facts.piece)) return 'facts-needed';
      if (entry.built && entry.built.piece !== entry.facts.piece) return 'built-needed';
      return entry.note.trim() === '' ? 'text-needed' : null;
    case 'measured':
      return entry.facts?.kind === 'measured' ? null : 'facts-needed';
    case 'gap':
      return entry.facts?.kind === 'gap' && entry.facts.count !== 0 ? null : 'facts-needed';
    case 'deviation':
      if (entry.facts?.kind !== 'deviation') return 'facts-needed';
      return entry.note.trim() === '' ? 'text-needed' : null;
    case 'test':
      if (!entry.facts || !TEST_FACTS.includes(entry.facts.kind)) return 'facts-needed';
      return entry.facts.kind === 'test' && !isChecked(entry.facts) ? 'not-checked' : null;
    case 'taken':
      return null;
    case 'mended':
      return faultIn(step, entry, 'mended')?.status === 'open' ? null : 'no-fault';
    case 'rechecked':
      return faultIn(step, entry, 'rechecked')?.status === 'mended' ? null : 'no-fault';
    case 'note':
      return entry.note.trim() === '' ? 'text-needed' : null;
    case 'photo':
      return entry.facts && entry.facts.kind !== 'picture' ? 'facts-needed' : null;
    case 'undo':
      return refusalToUndo(entry.undoes, step, list, steps);
  }
}

/** The fault that an entry is about. */
function faultIn(
  { entries }: StepProgress,
  { facts }: Pick<Entry, 'facts'>,
  kind: 'mended' | 'rechecked',
): Fault | undefined {
  return facts?.kind === kind ? faultsOf(entries).find(({ entry }) => entry.id === facts.fault) : undefined;
}

/** A step is about what it brings, and about what it takes out or makes fast. */
const concerns = ({ places, events }: PlannedStep, piece: string): boolean =>
  places.includes(piece) || events.some(({ thing }) => thing === piece);

/** What an entry of a test says. */
const TEST_FACTS: readonly NonNullable<Entry['facts']>['kind'][] = [
  'test',
  'stage',
  'wet',
  'probe',
  'chamber',
  'draught',
];

/** Entries that no step rests on. */
const OF_THEIR_OWN: readonly Entry['kind'][] = [
  'note',
  'photo',
  'built',
  'cut',
  'fault',
  'mended',
  'rechecked',
  'measured',
  'gap',
  'deviation',
  'taken',
  'test',
];

function refusalToUndo(
  id: string | null,
  step: StepProgress,
  list: readonly StepProgress[],
  steps: readonly PlannedStep[],
): Refusal | null {
  const undone = step.entries.find((entry) => entry.id === id);
  if (!undone) return 'nothing-to-undo';
  const tickedTwice = step.entries.some((entry) => entry.kind === 'tick' && entry.id !== id);
  if (OF_THEIR_OWN.includes(undone.kind) || (undone.kind === 'tick' && tickedTwice)) return null;
  const relied = list.some(
    (s) => s.tick && steps.some((row) => row.id === s.id && holding(row).some((a) => a.step === step.id)),
  );
  return relied ? 'later-step-done' : null;
}

/** Looks that are due, because their step is done, and that nobody has recorded: what rests on them is not known. */
export const looksOpen = (list: readonly Pick<StepProgress, 'tick' | 'look' | 'looks'>[]): readonly Look[] =>
  list.flatMap(({ tick, look, looks }) => (tick && !look ? looks : []));
