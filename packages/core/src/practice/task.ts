/** What a task of practice is: asked by its number, answered in one of five forms, and judged when it is answered. */
import type { Drawing } from '../drawing/items.ts';
import type { Point2, Point3 } from '../geometry/vector.ts';
import type { LengthUnit } from '../quantities/length.ts';
import type { Question } from './question.ts';
import type { Why } from './why.ts';

/** One kind asks for one skill. */
export const practiceKinds = [
  'order',
  'fault',
  'drop',
  'tape',
  'level',
  'width',
  'square',
  'shims',
  'cut',
  'seal',
  'grip',
  'night',
  'cover',
  'leak',
  'day',
] as const;
export type PracticeKind = (typeof practiceKinds)[number];

export const practiceLevels = [1, 2, 3, 4, 5] as const;
export type PracticeLevel = (typeof practiceLevels)[number];

/** Names a task wholly: the same number asks the same question everywhere. Even seeds read in mm, odd ones in inches. */
export interface TaskNumber {
  readonly kind: PracticeKind;
  readonly level: PracticeLevel;
  readonly seed: number;
}

export const LARGEST_SEED = 999_999;

export const taskNumberText = ({ kind, level, seed }: TaskNumber): string => `${kind}-${level}-${seed}`;

/** Reads what somebody typed or a link carries; `null` for what names no task. */
export function readTaskNumber(text: string): TaskNumber | null {
  const [, name, digit, figures] =
    /^\s*([a-z]+)\s*-\s*([1-5])\s*-\s*(\d{1,6})\s*$/.exec(text.toLowerCase()) ?? [];
  const kind = practiceKinds.find((one) => one === name);
  const level = practiceLevels.find((one) => String(one) === digit);
  return kind && level && figures !== undefined ? { kind, level, seed: Number(figures) } : null;
}

export const systemOf = ({ seed }: TaskNumber): LengthUnit => (seed % 2 === 0 ? 'mm' : 'in');

/** Paper to draw on, px. */
export interface PaperSize {
  readonly width: number;
  readonly height: number;
}

/** A picture of a task: drawn for the paper that there is. Nothing in it bears a name that tells more than is seen. */
export interface PracticeView {
  readonly name: ViewName;
  readonly draw: (size: PaperSize) => Drawing;
}

export type ViewName =
  | 'face'
  | 'sill'
  | 'left'
  | 'right'
  | 'head'
  | 'tape'
  | 'level'
  | 'sill-line'
  | 'opening'
  | 'joint'
  | 'weather';

export type Asked =
  /** The same things in another order. */
  | { readonly form: 'order'; readonly items: readonly string[] }
  | { readonly form: 'one' | 'several'; readonly options: readonly string[] }
  | { readonly form: 'length'; readonly system: LengthUnit }
  /** A press on a picture, or one of the parts by its name. */
  | { readonly form: 'place'; readonly parts: readonly string[] };

export type Given =
  | { readonly form: 'order'; readonly items: readonly string[] }
  | { readonly form: 'one'; readonly option: string }
  | { readonly form: 'several'; readonly options: readonly string[] }
  | { readonly form: 'length'; readonly mm: number }
  | { readonly form: 'part'; readonly part: string }
  /** On the picture `view` as drawn for `size`, px. */
  | { readonly form: 'press'; readonly view: number; readonly at: Point2; readonly size: PaperSize };

/** What water does, or where the pen runs, as a line to play on a picture. */
export interface Play {
  readonly of: 'water' | 'air';
  readonly view: number;
  readonly points: readonly Point3[];
  /** Water: it ends where it must not come. */
  readonly wets: boolean;
}

/** A place on a picture that an explanation points at: rings in space. */
export interface ShownPlace {
  readonly view: number;
  readonly rings: readonly (readonly Point3[])[];
}

export interface Judged {
  readonly right: boolean;
  /** An answer that is right; of several right ones, the one that comes first. */
  readonly answer: Given;
  readonly why: Why;
  readonly play: Play | null;
  readonly place: ShownPlace | null;
}

export interface Task {
  readonly number: TaskNumber;
  readonly asked: Asked;
  readonly question: Question;
  readonly views: readonly PracticeView[];
}

/** A task with what is behind it; whoever shows it takes the task alone. */
export interface Composed {
  readonly task: Task;
  readonly judge: (given: Given) => Judged;
  /** How hard it is by what it is made of, not by its level. Larger is harder; comparable within its kind only. */
  readonly hardness: () => number;
}
