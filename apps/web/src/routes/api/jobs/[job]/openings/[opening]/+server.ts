import { readBody } from '$lib/server/body.ts';
import { database } from '$lib/server/db/index.ts';
import { loadContext } from '$lib/server/services/jobs.ts';
import { may } from '$lib/contract/rights.ts';
import { revisionOf } from '$lib/server/services/changes.ts';
import { forDevice } from '$lib/server/services/frozen-plans.ts';
import { loadPart, notInJob, saveOpening } from '$lib/server/services/openings.ts';
import { errorsWords } from '$words/contract.ts';
import type { Person } from '$lib/server/services/accounts.ts';
import {
  contentHash,
  documentSchema,
  versionNumber,
  type Deviation,
  type OpeningDocument,
} from '@hulvek/core';
import { error, json } from '@sveltejs/kit';
import * as z from 'zod/mini';

const body = z.strictObject({ version: versionNumber, document: documentSchema('opening') });

/** Everything kept about one opening. */
export const GET = async ({ params }) => {
  const db = database();
  // Read first: the answer is at least as new as it says.
  const revision = await revisionOf(db, params.job);
  const part = await loadPart(db, params.job, params.opening);
  if (!part) error(404, errorsWords.noOpening);
  return json(
    { revision, part: { ...part, issues: forDevice(part.issues) } },
    { headers: { 'cache-control': 'no-store' } },
  );
};

/** Saves what is chosen for an opening; 409 carries what somebody else stored meanwhile. */
export const PUT = async ({ params, request, locals }) => {
  const { document, version } = await readBody(request, body);
  if (document.id !== params.opening || !locals.person) error(400, errorsWords.badRequest);
  const db = database();
  const stored = (await loadPart(db, params.job, document.id))?.document;
  if (!stored) error(404, errorsWords.noOpening);
  // Of all marks together it is known whether one stands for two openings.
  if (document.mark !== stored.mark) error(400, errorsWords.markInList);
  if (!may(locals.role, 'plan') && !onlySurveyChanged(stored, document)) error(403, errorsWords.notAllowed);
  const context = await loadContext(db, params.job);
  if (!context) error(404, errorsWords.noJob);
  const missing = notInJob(context, document);
  if (missing) error(400, errorsWords.notInJob[missing]);
  const own = departing(stored, document, locals.person);
  if (!own) error(400, errorsWords.otherName);
  const save = { document: own, from: version, user: locals.person.id };
  const result = await saveOpening(db, params.job, save);
  if (result.ok) return json({ version: result.version });
  if (!result.theirs) error(404, errorsWords.noOpening);
  return json(result.theirs, { status: 409 });
};

/** Measuring is not planning: whoever may only measure may choose the side, nothing else. */
const onlySurveyChanged = (stored: OpeningDocument, next: OpeningDocument): boolean =>
  contentHash({ ...stored, survey: null }) === contentHash({ ...next, survey: null });

/** The document with every new departure under the account that makes it; `null` where one is in somebody else's name. */
function departing(stored: OpeningDocument, next: OpeningDocument, me: Person): OpeningDocument | null {
  const { deviations } = next;
  if (!deviations) return next;
  // What a name is told apart by may have changed since.
  const print = ({ person, ...rest }: Deviation) =>
    contentHash(rest.account === undefined ? { ...rest, person } : rest);
  const known = new Set((stored.deviations ?? []).map(print));
  const mine = deviations.map((deviation): Deviation | null => {
    if (known.has(print(deviation))) return deviation;
    const isMine =
      deviation.account === undefined ? deviation.person === me.name : deviation.account === me.id;
    return isMine ? { ...deviation, account: me.id } : null;
  });
  const own = mine.flatMap((deviation) => deviation ?? []);
  return own.length === mine.length ? { ...next, deviations: own } : null;
}
