/** What is handed over of an opening, from its frozen plan and its log: planned, done, seen, measured, hidden, tested, and what is still open. */
import type { Build } from '../build/build.ts';
import { coveringStep } from '../build/covered.ts';
import type { Entry } from '../documents/entry.ts';
import type { Issue } from '../documents/issue.ts';
import type { Material } from '../documents/material.ts';
import { faultsOf, type Fault } from '../field/faults.ts';
import { gapLedger, toComeOut, type GapRow } from '../field/gap-ledger.ts';
import { asksAt, measuredAt, type Measured } from '../field/measured.ts';
import { progress, standing, type StepProgress } from '../field/progress.ts';
import { sessionsOf, sprayTestOf, type Session } from '../leaks/session.ts';
import { sprayStages } from '../vocabulary/wet-zones.ts';

export interface DoneStep {
  readonly state: StepProgress;
  readonly figures: readonly Measured[];
  readonly pictures: readonly Entry[];
}

/** A piece that nobody sees any more, with the pictures of the step that laid it. */
export interface HiddenPiece {
  readonly piece: string;
  readonly laidBy: string;
  readonly coveredBy: string;
  readonly pictures: readonly Entry[];
}

/** `step`: not done · `look`: nobody looked · `fault`: not closed · `figure`: outside, and nobody said why · `shim`: in the gap, to come out · `leak`: water was seen, and no dry test since. */
export type OpenPoint =
  | { readonly kind: 'step' | 'look'; readonly step: string }
  | { readonly kind: 'fault'; readonly fault: Fault }
  | { readonly kind: 'figure'; readonly step: string; readonly figure: Measured }
  | { readonly kind: 'shim'; readonly place: string }
  | { readonly kind: 'leak'; readonly session: Session };

export interface Dossier {
  readonly issue: Issue;
  readonly steps: readonly DoneStep[];
  /** In the order in which they were covered. */
  readonly hidden: readonly HiddenPiece[];
  readonly faults: readonly Fault[];
  readonly departures: readonly Entry[];
  readonly otherwise: readonly Entry[];
  readonly gap: readonly GapRow[];
  readonly tests: readonly Session[];
  readonly open: readonly OpenPoint[];
  /** Steps that are ticked, and looked at where that is asked. */
  readonly done: number;
  /** Whether the step that hands the opening on is ticked. */
  readonly released: boolean;
}

export interface DossierOf {
  readonly build: Build;
  readonly issues: readonly Issue[];
  /** In the order in which the server took them. */
  readonly entries: readonly Entry[];
  readonly materials?: readonly Material[] | undefined;
  readonly now: string;
}

/** @returns `null` where no plan was frozen */
export function dossierOf({ build, issues, entries, materials, now }: DossierOf): Dossier | null {
  const issue = issues.at(-1);
  if (!issue) return null;
  const valid = standing(entries);
  const states = progress(build.steps, issues, entries, now);
  const pictures = (step: string) => valid.filter((entry) => entry.kind === 'photo' && entry.step === step);
  const steps = build.steps.flatMap((step, i): DoneStep[] => {
    const state = states[i];
    if (!state) return [];
    const figures = measuredAt(asksAt(build, step, materials), state.entries);
    return [{ state, figures: figures.filter(({ value }) => value !== null), pictures: pictures(step.id) }];
  });
  const place = (id: string) => build.steps.findIndex((step) => step.id === id);
  const hidden = build.pieces
    .flatMap(({ id }): HiddenPiece[] => {
      const coveredBy = coveringStep(build, id);
      const laid = build.steps.findLast(
        (step) => step.places.includes(id) && (coveredBy === null || place(step.id) <= place(coveredBy)),
      );
      const isCovered = coveredBy !== null && states[place(coveredBy)]?.tick;
      return isCovered && laid
        ? [{ piece: id, laidBy: laid.id, coveredBy, pictures: pictures(laid.id) }]
        : [];
    })
    .sort((a, b) => place(a.coveredBy) - place(b.coveredBy) || place(a.laidBy) - place(b.laidBy));
  const [faults, tests, gap] = [faultsOf(valid), sessionsOf(valid), gapLedger(valid)];
  const leaked = tests.findLast(({ wet }) => wet.length > 0);
  const isDryAgain =
    leaked !== undefined && tests.slice(tests.indexOf(leaked) + 1).some((one) => isDryTest(one, leaked));
  const released = states.some(({ id, tick }) => build.steps[place(id)]?.role === 'release' && tick);
  const open: OpenPoint[] = [
    ...states.flatMap((state): OpenPoint[] => {
      const step = build.steps[place(state.id)];
      if (!state.tick) return [{ kind: 'step', step: state.id }];
      const isDue = (step?.holdPoint === true || state.looks.length > 0) && !state.look;
      return isDue ? [{ kind: 'look', step: state.id }] : [];
    }),
    ...faults.flatMap((fault): OpenPoint[] => (fault.status === 'closed' ? [] : [{ kind: 'fault', fault }])),
    ...steps.flatMap(({ state, figures }) =>
      figures.flatMap((figure): OpenPoint[] =>
        figure.outside && figure.accepted === null ? [{ kind: 'figure', step: state.id, figure }] : [],
      ),
    ),
    ...(released ? toComeOut(build, gap).map((row): OpenPoint => ({ kind: 'shim', place: row.place })) : []),
    ...(leaked && !isDryAgain ? [{ kind: 'leak' as const, session: leaked }] : []),
  ];
  return {
    issue,
    steps,
    hidden,
    faults,
    departures: valid.filter(({ kind }) => kind === 'deviation'),
    otherwise: valid.filter(({ kind }) => kind === 'built'),
    gap,
    tests,
    open,
    done: states.filter(({ status }) => status === 'done').length,
    released,
  };
}

/** Whether a later test wetted all that leaked, and what lies above it, whole stages long, and nothing came. */
function isDryTest(later: Session, leaked: Session): boolean {
  const first = Math.min(
    ...leaked.wet.map(({ stage }) => (stage === undefined ? 0 : sprayStages.indexOf(stage))),
  );
  const { stages, leaks } = sprayTestOf(later);
  const whole = new Set(stages.flatMap(({ stage, whole: is }) => (is ? [stage] : [])));
  return leaks.length === 0 && sprayStages.slice(first).every((stage) => whole.has(stage));
}
