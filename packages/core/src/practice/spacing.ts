/** What comes next: what was wrong comes back soon, what was right later and later, and never the same kind twice running. */
import { createEmptyCard, fsrs, generatorParameters, Rating, type Card } from 'ts-fsrs';
import type { Dice } from './dice.ts';
import { skillOf, type PracticeAnswer } from './skill.ts';
import { LARGEST_SEED, practiceKinds, type PracticeKind, type TaskNumber } from './task.ts';
import type { LengthUnit } from '../quantities/length.ts';

const scheduler = fsrs(generatorParameters({ enable_fuzz: false, enable_short_term: true }));

/** When a kind is due again, worked out of its answers; `null` for one that was never asked. */
export function dueOf(
  answers: readonly PracticeAnswer[],
  kind: PracticeKind,
): { due_ms: number; card: Card } | null {
  const own = answers.filter((one) => one.kind === kind).sort((a, b) => a.at_ms - b.at_ms);
  const [first] = own;
  if (!first) return null;
  const card = own.reduce<Card>(
    (now, { right, at_ms }) => scheduler.next(now, new Date(at_ms), right ? Rating.Good : Rating.Again).card,
    createEmptyCard(new Date(first.at_ms)),
  );
  return { due_ms: card.due.getTime(), card };
}

/** How much a kind wants to be asked now. */
function urgency(answers: readonly PracticeAnswer[], kind: PracticeKind, now_ms: number): number {
  const known = dueOf(answers, kind);
  if (!known) return NEW;
  const forgotten = 1 - scheduler.get_retrievability(known.card, new Date(now_ms), false);
  return (known.due_ms <= now_ms ? DUE : 0) + forgotten;
}

/** What is due goes before what is new, and that before what is not due yet. */
const DUE = 2;
const NEW = 1;
/** Kinds as urgent as this are mixed by chance. */
const ALIKE = 0.2;

export interface NextAsked {
  readonly answers: readonly PracticeAnswer[];
  readonly now_ms: number;
  readonly dice: Dice;
  /** Tapes and figures in one system only; `null` for both. */
  readonly system: LengthUnit | null;
  readonly kinds?: readonly PracticeKind[];
}

/** The next task for somebody. */
export function nextTask({ answers, now_ms, dice, system, kinds = practiceKinds }: NextAsked): TaskNumber {
  const last = answers.reduce<PracticeAnswer | null>((a, b) => (!a || b.at_ms >= a.at_ms ? b : a), null);
  const open = kinds.length > 1 ? kinds.filter((kind) => kind !== last?.kind) : kinds;
  const ranked = open
    .map((kind) => ({ kind, urge: urgency(answers, kind, now_ms) }))
    .sort((a, b) => b.urge - a.urge);
  const most = ranked[0]?.urge ?? 0;
  const kind = dice.pick(ranked.filter(({ urge }) => urge >= most - ALIKE)).kind;
  return { kind, level: skillOf(answers, kind, now_ms).level, seed: seedIn(system, dice) };
}

/** A seed whose tapes read in a system. */
export function seedIn(system: LengthUnit | null, dice: Dice): number {
  const seed = dice.whole(0, LARGEST_SEED - 1);
  const odd = system === null ? seed % 2 : system === 'in' ? 1 : 0;
  return seed - (seed % 2) + odd;
}
