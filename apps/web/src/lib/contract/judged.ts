/** The verdict of an opening, heat included, as the worker keeps it and every page shows it. */
import {
  contentHash,
  judgedProofs,
  missingData,
  verdicts,
  type JobContext,
  type JudgedProof,
  type Judgement,
  type Opening,
} from '@hulvek/core';
import * as z from 'zod/mini';

const checked = z.enum(['holds', 'watch', 'fails']);
const grade = z.object({
  grade: z.enum(verdicts),
  checked,
  missing: z.readonly(z.array(z.enum(missingData))),
  looks: z.int(),
});

const judgementSchema: z.ZodMiniType<Judgement> = z.extend(grade, {
  proofs: z.object(
    Object.fromEntries(judgedProofs.map((proof) => [proof, grade])) as Record<JudgedProof, typeof grade>,
  ),
  working: z.boolean(),
  assumed: z.boolean(),
});

export const judgedSchema = z.object({
  /** Of the opening in its job when it was judged; another one now means that the verdict is of something else. */
  mark: z.string(),
  judgement: judgementSchema,
});
export type Judged = Readonly<z.infer<typeof judgedSchema>>;

/** Counted up when the same opening is judged otherwise than before: verdicts kept from then are made again. */
const JUDGED_BY = 3;

/** Returns fingerprints of openings in a job: they differ as soon as anything differs that a verdict could hang on. */
export function judgeMark({
  job,
  walls,
  units,
  methods,
  materials,
}: JobContext): (opening: Opening) => string {
  // What things are called and cost, in which units they are shown, and which openings line up, say nothing of a wall.
  const {
    name: _,
    note: _note,
    units: _units,
    usual: _usual,
    prices: _prices,
    lines: _lines,
    calendar: _cal,
    calendarPlan: _plan,
    supply,
    houseTests: _tests,
    days: _days,
    ...site
  } = job;
  const shared = contentHash([
    JUDGED_BY,
    site,
    walls,
    units,
    methods,
    materials ?? [],
    supply?.adhesion ?? [],
  ]);
  return (opening) => `${contentHash(opening)}-${shared}`;
}
