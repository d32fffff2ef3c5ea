/** How well somebody does a kind of task: an honest estimate, with how far it may be off. */
import { practiceKinds, practiceLevels, type PracticeKind, type PracticeLevel } from './task.ts';

/** One answer, as it is kept. */
export interface PracticeAnswer {
  readonly kind: PracticeKind;
  readonly level: PracticeLevel;
  readonly right: boolean;
  /** When it was given, ms since 1970. */
  readonly at_ms: number;
}

/** The chance that the next answer is right, and from where to where it lies in nine cases of ten. */
export interface Chance {
  readonly said: number;
  readonly low: number;
  readonly high: number;
}

/** Right by guessing, by the form of the answer; right orders and figures are hardly guessed. */
const GUESSED: Readonly<Record<PracticeKind, number>> = {
  order: 0.05,
  fault: 0.12,
  drop: 0.25,
  tape: 0.02,
  level: 0.15,
  width: 0.05,
  square: 0.2,
  shims: 0.03,
  cut: 0.05,
  seal: 0.12,
  grip: 0.1,
  night: 0.33,
  cover: 0.08,
  leak: 0.25,
  day: 0.15,
};

/** Skill on a scale on which a level is about one step; what somebody unknown may be. */
const LEAST = -5;
const MOST = 6;
const STEPS = 34;
const SCALE = Array.from({ length: STEPS }, (_, i) => LEAST + ((MOST - LEAST) * i) / (STEPS - 1));
/** How much harder a level is than the one before differs from one to another. */
const STEEP = [0.4, 1, 1.8, 3] as const;
const HARD: Readonly<Record<PracticeLevel, number>> = { 1: -1.2, 2: -0.55, 3: 0.05, 4: 0.6, 5: 1.15 };
const UNKNOWN = { middle: -0.1, wide: 2.2 } as const;
/** Who knows it errs all the same now and then. */
const SLIPS = 0.05;
/** What an answer may change, and what a day may: skill wanders, up by practice and down by rest. */
const PER_ANSWER = 0.28;
const PER_DAY = 0.06;
/** A day without practice takes so much of it, of what lies over the middle. */
const FADES_PER_DAY = 0.012;
const DAY_ms = 86_400_000;

/** By skill and by how steep levels are for somebody: one of so many that are all held possible. */
const rightAt = (i: number, kind: PracticeKind, level: PracticeLevel): number => {
  const hard = HARD[1] + (HARD[level] - HARD[1]) * (STEEP[Math.floor(i / STEPS)] ?? 1);
  return GUESSED[kind] + (1 - SLIPS - GUESSED[kind]) / (1 + Math.exp(hard - (SCALE[i % STEPS] ?? 0)));
};

const bell = (x: number, middle: number, wide: number): number => Math.exp(-0.5 * ((x - middle) / wide) ** 2);

function normal(weights: readonly number[]): number[] {
  const sum = weights.reduce((a, b) => a + b, 0);
  return weights.map((w) => w / sum);
}

const WIDTH = (MOST - LEAST) / (STEPS - 1);

/** Skill after it wandered: spread by so much, and drawn to the middle by a share. */
const wandered = (belief: readonly number[], spread: number, fades: number): number[] =>
  STEEP.flatMap((_, k) => spreadOut(belief.slice(k * STEPS, (k + 1) * STEPS), spread, fades));

function spreadOut(belief: readonly number[], spread: number, fades: number): number[] {
  if (spread <= 0) return [...belief];
  const next = new Array<number>(STEPS).fill(0);
  const reach = Math.max(1, Math.ceil((3 * spread) / WIDTH));
  belief.forEach((weight, i) => {
    if (weight < 1e-9) return;
    const to = UNKNOWN.middle + ((SCALE[i] ?? 0) - UNKNOWN.middle) * (1 - fades);
    const at = Math.round((to - LEAST) / WIDTH);
    const [low, high] = [Math.max(0, at - reach), Math.min(STEPS - 1, at + reach)];
    const shares: number[] = [];
    for (let j = low; j <= high; j++) shares.push(bell(SCALE[j] ?? 0, to, spread));
    const sum = shares.reduce((a, b) => a + b, 0);
    shares.forEach((share, k) => (next[low + k] = (next[low + k] ?? 0) + (weight * share) / sum));
  });
  return next;
}

/** What is thought of somebody's skill in a kind after some answers, oldest first. */
function beliefIn(kind: PracticeKind, answers: readonly PracticeAnswer[], now_ms: number): number[] {
  let belief = normal(STEEP.flatMap(() => SCALE.map((x) => bell(x, UNKNOWN.middle, UNKNOWN.wide))));
  let before: number | null = null;
  const rest = (to_ms: number) => {
    const days = before === null ? 0 : Math.max(0, (to_ms - before) / DAY_ms);
    const spread = Math.sqrt((before === null ? 0 : PER_ANSWER ** 2) + PER_DAY ** 2 * days);
    belief = wandered(belief, Math.min(spread, 2), Math.min(1, FADES_PER_DAY * days));
  };
  for (const { level, right, at_ms } of answers) {
    rest(at_ms);
    belief = normal(
      belief.map((weight, i) => {
        const p = rightAt(i, kind, level);
        return weight * (right ? p : 1 - p);
      }),
    );
    before = at_ms;
  }
  if (before !== null) rest(now_ms);
  return belief;
}

function chanceIn(belief: readonly number[], kind: PracticeKind, level: PracticeLevel): Chance {
  const chances = belief
    .map((weight, i) => ({ weight, p: rightAt(i, kind, level) }))
    .sort((a, b) => a.p - b.p);
  let passed = 0;
  let [said, low, high] = [0, 0, 1];
  for (const { weight, p } of chances) {
    said += weight * p;
    if (passed < TAIL && passed + weight >= TAIL) low = p;
    if (passed < 1 - TAIL && passed + weight >= 1 - TAIL) high = p;
    passed += weight;
  }
  return { said, low, high };
}

/** What is left out on either side of what is said. */
const TAIL = 0.05;

const ofKind = (answers: readonly PracticeAnswer[], kind: PracticeKind): PracticeAnswer[] =>
  answers.filter((one) => one.kind === kind).sort((a, b) => a.at_ms - b.at_ms);

/** So many answers of a kind are followed: what went before says nothing any more. */
const FOLLOWED = 60;

/**
 * Returns the chance that the next answer of a kind at a level is right, from nothing but earlier answers of that kind.
 * Skill is followed on a scale, may wander from answer to answer and fades by rest; guesses and slips are reckoned with.
 * Held against learners that are not made by this rule, what it says and what is found differ by 0.05 at most.
 *
 * Source: a Bayes filter on the logistic model of item response, from memory; its figures are invented.
 *
 * @param answers of one person, in any order
 */
export const chanceOfRight = (
  answers: readonly PracticeAnswer[],
  { kind, level, now_ms }: { kind: PracticeKind; level: PracticeLevel; now_ms: number },
): Chance => chanceIn(beliefIn(kind, ofKind(answers, kind).slice(-FOLLOWED), now_ms), kind, level);

/** A skill as it is shown. */
export interface Skill {
  readonly kind: PracticeKind;
  readonly answers: number;
  /** At the level that is asked next. */
  readonly level: PracticeLevel;
  readonly chance: Chance;
}

/** Wished for: mostly right, and not always. */
const WISHED = 0.75;

/** The hardest level at which most answers will be right; a new kind begins at the first. */
export function skillOf(answers: readonly PracticeAnswer[], kind: PracticeKind, now_ms: number): Skill {
  const own = ofKind(answers, kind);
  const belief = beliefIn(kind, own.slice(-FOLLOWED), now_ms);
  const able = practiceLevels.filter((level) => chanceIn(belief, kind, level).said >= WISHED);
  const last = own.at(-1)?.level ?? 1;
  // One step at a time: what is asked next is never far from what was asked last.
  const level = practiceLevels[Math.min((able.at(-1) ?? 1) - 1, last)] ?? 1;
  return {
    kind,
    answers: own.length,
    level: own.length === 0 ? 1 : level,
    chance: chanceIn(belief, kind, own.length === 0 ? 1 : level),
  };
}

export const skillsOf = (answers: readonly PracticeAnswer[], now_ms: number): Skill[] =>
  practiceKinds.map((kind) => skillOf(answers, kind, now_ms));
