import { database } from '$lib/server/db/index.ts';
import { ENTRY_ACTION, may, mayLook } from '$lib/server/rights.ts';
import { addEntry, loadJob } from '$lib/server/services/jobs.ts';
import { frozenPlan } from '$lib/server/services/overview.ts';
import { lookRuleOf } from '$lib/server/services/people.ts';
import { text } from '$lib/texts/en.ts';
import { entrySchema, progress, refusal, type Entry, type Refusal } from '@hulvek/core';
import { error, json } from '@sveltejs/kit';

const body = entrySchema.omit({ person: true, opening: true, at: true });

type RefusedBecause = Refusal | 'not-started' | 'old-plan' | 'not-the-looker';

/** Adds one field entry; sending the same id again is answered the same way and stores nothing new. */
export const POST = async ({ params, request, locals }) => {
  const { person, role } = locals;
  const parsed = body.safeParse(await request.json().catch(() => null));
  if (!parsed.success || !person || !role) error(400, text.errors.badRequest);
  if (!may(role, ENTRY_ACTION[parsed.data.kind])) error(403, text.errors.notAllowed);
  const db = database();
  const stored = await loadJob(db, params.job);
  const opening = stored?.openings.find((o) => o.opening.id === params.opening)?.opening;
  if (!stored || !opening) error(404, text.errors.noOpening);
  const at = new Date().toISOString();
  const entry: Entry = { ...parsed.data, opening: opening.id, person: person.name, at };
  const rule = await lookRuleOf(db, params.job);
  const result = await addEntry(db, params.job, entry, person.id, (field): RefusedBecause | null => {
    const issue = field.issues.at(-1);
    if (!issue) return 'not-started';
    if (issue.version !== entry.issue) return 'old-plan';
    const steps = frozenPlan(issue, stored.context).build?.steps ?? [];
    const states = progress(steps, field.issues, field.entries, at);
    const doer = states.find((s) => s.id === entry.step)?.tick?.person ?? null;
    if (entry.kind === 'look' && !mayLook(rule, role, person.name, doer)) return 'not-the-looker';
    return refusal(entry, states, steps);
  });
  if (!result.ok) error(409, text.refusals[result.refusal]);
  return json(entry, { status: 201 });
};
