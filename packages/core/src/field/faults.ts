/** Faults that somebody found: open until they are mended, and closed when somebody looked again and found it good. */
import type { Entry } from '../documents/entry.ts';

export type FaultFacts = Extract<NonNullable<Entry['facts']>, { kind: 'fault' }>;
/** `open`: to be mended · `mended`: somebody has yet to look again · `closed`. */
export type FaultStatus = 'open' | 'mended' | 'closed';

export interface Fault {
  readonly entry: Entry;
  readonly facts: FaultFacts;
  readonly status: FaultStatus;
  /** The last mend, and the last look at it. */
  readonly mended: Entry | null;
  readonly rechecked: Entry | null;
  /** How often a mend was found wanting. */
  readonly failed: number;
  /** Looks that still have to find it good: two, where a mend was once found wanting. */
  readonly looks: number;
}

/** @param entries that stand, as they are told */
export function faultsOf(entries: readonly Entry[]): Fault[] {
  return entries.flatMap((entry): Fault[] => {
    const { facts } = entry;
    if (facts?.kind !== 'fault') return [];
    let fault: Fault = { entry, facts, status: 'open', mended: null, rechecked: null, failed: 0, looks: 1 };
    for (const later of entries) {
      const said = later.facts;
      if (said?.kind === 'mended' && said.fault === entry.id)
        fault = { ...fault, status: 'mended', mended: later, looks: fault.failed > 0 ? 2 : 1 };
      if (said?.kind === 'rechecked' && said.fault === entry.id) fault = lookedAgain(fault, later, said.good);
    }
    return [fault];
  });
}

function lookedAgain(fault: Fault, rechecked: Entry, good: boolean): Fault {
  if (!good) return { ...fault, status: 'open', rechecked, failed: fault.failed + 1, looks: 2 };
  const looks = Math.max(0, fault.looks - 1);
  return { ...fault, status: looks === 0 ? 'closed' : 'mended', rechecked, looks };
}

/** Faults that a step must wait for: what would cover them, while they are open or nobody has looked again. */
export const faultsBefore = (faults: readonly Fault[], step: string): Fault[] =>
  faults.filter(
    ({ facts, status }) => status !== 'closed' && facts.severity === 'stops' && facts.before === step,
  );
