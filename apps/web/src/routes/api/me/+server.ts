import { readsSchema, type Me } from '$lib/contract/pack.ts';
import { readBody } from '$lib/server/body.ts';
import { database } from '$lib/server/db/index.ts';
import { setReads } from '$lib/server/services/accounts.ts';
import { error, json } from '@sveltejs/kit';
import * as z from 'zod/mini';

const body = z.strictObject({ reads: z.nullable(readsSchema) });

/** Who is signed in here; nobody is an answer too. */
export const GET = ({ locals }) => {
  const me: Me | null = locals.person;
  return json({ me }, { headers: { 'cache-control': 'no-store' } });
};

/** What the person reads figures in. */
export const PUT = async ({ request, locals }) => {
  const { reads } = await readBody(request, body);
  const { person } = locals;
  if (!person) error(401);
  await setReads(database(), person.id, reads);
  const me: Me = { ...person, reads };
  return json({ me });
};
