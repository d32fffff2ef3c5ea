/** Notices handed out by link: what they tell, who said to have read them. Nobody's name stands in what is told. */
import * as z from 'zod/mini';

const line = (most: number) => z.string().check(z.minLength(1), z.maxLength(most));

/** To one trade about all its openings, or one opening's sign for the door. */
export const toldSchema = z.strictObject({
  /** Whom it is for, or which opening it stands at. */
  to: line(120),
  lines: z
    .array(z.strictObject({ text: line(600), where: z.string().check(z.maxLength(2000)) }))
    .check(z.minLength(1), z.maxLength(200)),
});
export type Told = z.infer<typeof toldSchema>;

export const linkKinds = ['notice', 'sign'] as const;
export const toldBody = z.strictObject({
  kind: z.enum(linkKinds),
  list: z.array(toldSchema).check(z.minLength(1), z.maxLength(600)),
});

export const toldMade = z.object({ paths: z.array(z.string()) });

/** Links that hold and what was said by them, newest first. */
export const toldAnswer = z.object({
  links: z.array(z.object({ id: z.string(), to: z.string(), until: z.string() })),
  said: z.array(z.object({ to: z.string(), name: z.string(), at: z.string() })),
});

/** A name as somebody types it: letters, no lines, nothing that could be taken for a look. */
export const saidName = z
  .string()
  .check(z.trim(), z.minLength(2), z.maxLength(80), z.regex(/^[^\p{C}\n]+$/u));
