import { packageStep, PART_bytes } from '$lib/contract/packages.ts';
import { startPackage } from '$lib/server/beside/tasks.ts';
import { readBody, readBytes } from '$lib/server/body.ts';
import { database } from '$lib/server/db/index.ts';
import { isOnlyAccount } from '$lib/server/services/accounts.ts';
import { addPart, packageOfPerson } from '$lib/server/services/package-parts.ts';
import { errorsWords } from '$words/contract.ts';
import { jobsWords } from '$words/shell.ts';
import { error, json } from '@sveltejs/kit';
import * as z from 'zod/mini';

function own(params: { package: string }, locals: App.Locals) {
  const id = z.uuid().safeParse(params.package);
  if (!id.success || !locals.person) error(404, errorsWords.notFound);
  return { id: id.data, user: locals.person.id };
}

/** The next part of a package; `from` says behind how many bytes. */
export const PUT = async ({ params, url, request, locals }) => {
  const from = z.coerce
    .number<string>()
    .check(z.int(), z.nonnegative())
    .safeParse(url.searchParams.get('from'));
  if (!from.success) error(400, errorsWords.badRequest);
  const bytes = await readBytes(request, PART_bytes);
  const came = await addPart(database(), { ...own(params, locals), from: from.data, bytes });
  if (came === null) error(409, errorsWords.badRequest);
  return json({ came_bytes: came });
};

/** Looks at it, brings it in, or restores from it, beside the server. */
export const POST = async ({ params, request, locals }) => {
  const { id, user } = own(params, locals);
  const step = await readBody(request, packageStep);
  const db = database();
  const known = await packageOfPerson(db, user, id);
  if (!known || known.came_bytes !== known.size_bytes) error(404, errorsWords.notFound);
  const isKeeper = locals.person?.keepsShelf === true || (await isOnlyAccount(db));
  const started = await startPackage(db, { user, package: id, file: known.name, isKeeper, ...step });
  if (!started.ok) error(429, jobsWords[started.because]);
  return json({ task: started.task });
};
