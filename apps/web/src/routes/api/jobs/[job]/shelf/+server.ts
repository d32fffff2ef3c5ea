import { readBody } from '$lib/server/body.ts';
import { database } from '$lib/server/db/index.ts';
import { itemVersions, putItem } from '$lib/server/services/job-shelf.ts';
import { itemWords } from '$words/items.ts';
import { materialSchema, methodSchema, shelfKinds, unitSchema, wallSchema } from '@hulvek/core';
import { error, json } from '@sveltejs/kit';
import * as z from 'zod/mini';

const of = <Kind extends string, Item extends z.ZodMiniType>(kind: Kind, item: Item) =>
  z.strictObject({ kind: z.literal(kind), was: z.nullable(item), item: z.nullable(item) });

/** `was`: the item the sender started from, `null` for a new one; `item`: `null` takes it out. */
const body = z.discriminatedUnion('kind', [
  of('units', unitSchema),
  of('walls', wallSchema),
  of('methods', methodSchema),
  of('materials', materialSchema),
]);
const asked = z.object({ kind: z.enum(shelfKinds), id: z.string().check(z.maxLength(64)) });

/** What one of the job's own things was, every time it changed. */
export const GET = async ({ params, url }) => {
  const query = asked.safeParse(Object.fromEntries(url.searchParams));
  if (!query.success) error(400, itemWords.unknown);
  const { kind, id } = query.data;
  return json({ versions: await itemVersions(database(), params.job, kind, id) });
};

/** Adds an item to a job, changes it or takes it out, unless somebody else changed it meanwhile. */
export const PUT = async ({ params, request, locals }) => {
  const change = await readBody(request, body);
  if (!locals.person) error(401);
  const done = await putItem(database(), params.job, change, locals.person.id);
  if (done === 'changed') error(409, itemWords.changed);
  if (done === 'used') error(409, itemWords.used);
  return json({ item: change.item });
};
