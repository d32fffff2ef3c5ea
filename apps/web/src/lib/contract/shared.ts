/** A job shared by link with somebody who has no account: what it shows was chosen when it was made. */
import * as z from 'zod/mini';

const line = (most: number) => z.string().check(z.trim(), z.minLength(1), z.maxLength(most));

export const shareScopeSchema = z.strictObject({
  /** Who receives it: stands on every page. */
  to: line(120),
  names: z.boolean(),
  pictures: z.boolean(),
  /** Of these openings only; of all without it. */
  openings: z.nullable(z.array(z.string().check(z.maxLength(64))).check(z.minLength(1), z.maxLength(2000))),
});
export type ShareScope = z.infer<typeof shareScopeSchema>;

export const shareDays = [7, 30, 90] as const;
export const shareBody = z.strictObject({
  scope: shareScopeSchema,
  days: z.union(shareDays.map((d) => z.literal(d))),
});
export const shareMade = z.object({ path: z.string() });

/** A question is a few sentences. */
export const LONGEST_QUESTION = 2000;
export const questionText = line(LONGEST_QUESTION);
export const answerBody = z.strictObject({ question: z.int(), answer: line(LONGEST_QUESTION) });

export const questionSchema = z.object({
  id: z.number(),
  opening: z.nullable(z.string()),
  to: z.string(),
  question: z.string(),
  at: z.string(),
  answer: z.nullable(z.string()),
  answeredAt: z.nullable(z.string()),
});
export type Question = z.infer<typeof questionSchema>;

export const sharesAnswer = z.object({
  links: z.array(
    z.object({
      id: z.string(),
      to: z.string(),
      until: z.string(),
      visits: z.number(),
      last: z.nullable(z.string()),
    }),
  ),
  questions: z.array(questionSchema),
});
export type Shares = z.infer<typeof sharesAnswer>;

/** An opening in the list of a shared job, in words. */
export interface SharedRow {
  readonly id: string;
  readonly mark: string;
  readonly name: string;
  readonly facade: string;
  readonly done: string;
  readonly open: string;
}
export interface SharedJob {
  readonly name: string;
  readonly rows: readonly SharedRow[];
  /** Heads and cells, empty where no façade asks anything of its glazing. */
  readonly labels: readonly (readonly string[])[];
}

export interface SharedSection {
  readonly title: string;
  readonly lines: readonly { readonly text: string; readonly pictures: readonly string[] }[];
}
export interface SharedOpening {
  readonly title: string;
  readonly hasDrawings: boolean;
  readonly sections: readonly SharedSection[];
}
