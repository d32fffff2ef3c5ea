/** What the calendar and its worker say to each other. */
import type { Because, CalendarPlan, CalendarResult, JobContext, WeatherRow, WhyNot } from '@hulvek/core';
import type { CalendarPart } from './judged-openings.ts';

export type CalendarAsk =
  /** The job as it stands, with the plan that was taken. */
  | {
      readonly kind: 'open';
      readonly context: JobContext;
      readonly parts: readonly CalendarPart[];
      readonly plan: CalendarPlan | null;
      /** Whoever did the work does not look at it. */
      readonly looksApart: boolean;
      readonly now: string;
    }
  /** A plan from the ground up; better ones until the seconds are over. */
  | { readonly kind: 'plan'; readonly seconds: number }
  /** Enough: the best so far is the answer. */
  | { readonly kind: 'stop' }
  /** Back to the plan that was taken. */
  | { readonly kind: 'back' }
  | { readonly kind: 'replan' }
  /** Tasks that follow each other, begun at a moment, by somebody else where that is said. */
  | {
      readonly kind: 'move';
      readonly tasks: readonly string[];
      readonly at: string;
      readonly person?: string;
      readonly replaces?: string;
      /** Whether it is offered now, or only looked at. */
      readonly keep: boolean;
    }
  | { readonly kind: 'why'; readonly task: string };

export type CalendarRequest = CalendarAsk & { readonly id: number };

/** A plan as it is shown, and what sets it apart from the one that was taken. */
export interface ShownPlan {
  readonly result: CalendarResult;
  readonly nights: { readonly nights: number; readonly litres: number };
  /** Tasks that are otherwise than in the plan that was taken. */
  readonly changed: readonly string[];
}

export type CalendarAnswer = { readonly id: number } & (
  | {
      readonly kind: 'opened';
      readonly missing: readonly string[];
      readonly weather: readonly WeatherRow[];
      readonly dry: readonly boolean[];
      /** In the order of the list, without a thought for the night. */
      readonly list: ShownPlan['nights'];
      readonly taken: ShownPlan | null;
      /** What of the plan that was taken cannot stay. */
      readonly broken: readonly { readonly task: string; readonly why: WhyNot }[];
      /** Tasks that it does not know. */
      readonly unknown: number;
    }
  | { readonly kind: 'better'; readonly shown: ShownPlan; readonly share: number }
  | { readonly kind: 'planned'; readonly shown: ShownPlan }
  | { readonly kind: 'refused'; readonly task: string; readonly why: WhyNot }
  | { readonly kind: 'because'; readonly because: Because; readonly other: string | null }
  | { readonly kind: 'failed' }
);
