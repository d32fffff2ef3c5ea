import { packageBegun } from '$lib/contract/packages.ts';
import { readBody } from '$lib/server/body.ts';
import { database } from '$lib/server/db/index.ts';
import { beginPackage } from '$lib/server/services/package-parts.ts';
import { errorsWords } from '$words/contract.ts';
import { error, json } from '@sveltejs/kit';

/** Begins to take a package, part by part. */
export const POST = async ({ request, locals }) => {
  if (!locals.person) error(401, errorsWords.signedOut);
  const begun = await readBody(request, packageBegun);
  return json({ id: await beginPackage(database(), { user: locals.person.id, ...begun }) });
};
