import { database } from '$lib/server/db/index.ts';
import { addEntry, loadJob } from '$lib/server/services/jobs.ts';
import { frozenPlan } from '$lib/server/services/overview.ts';
import { text } from '$lib/texts/en.ts';
import { entrySchema, progress, refusal, type Entry, type Refusal } from '@hulvek/core';
import { error, json } from '@sveltejs/kit';

const body = entrySchema.omit({ person: true, opening: true, at: true });

/** Adds one field entry; sending the same id again is answered the same way and stores nothing new. */
export const POST = async ({ params, request, locals }) => {
  const parsed = body.safeParse(await request.json().catch(() => null));
  if (!parsed.success || !locals.person) error(400, text.errors.badRequest);
  const db = database();
  const stored = await loadJob(db, params.job);
  const opening = stored?.openings.find((o) => o.opening.id === params.opening)?.opening;
  if (!stored || !opening) error(404, text.errors.noOpening);
  const at = new Date().toISOString();
  const entry: Entry = { ...parsed.data, opening: opening.id, person: locals.person.name, at };
  const result = await addEntry(
    db,
    params.job,
    entry,
    (field): Refusal | 'not-started' | 'old-plan' | null => {
      const issue = field.issues.at(-1);
      if (!issue) return 'not-started';
      if (issue.version !== entry.issue) return 'old-plan';
      const steps = frozenPlan(issue, stored.context).build?.steps ?? [];
      return refusal(entry, progress(steps, field.issues, field.entries, at), steps);
    },
  );
  if (!result.ok) error(409, text.refusals[result.refusal]);
  return json(entry, { status: 201 });
};
