import { readBody } from '$lib/server/body.ts';
import { database } from '$lib/server/db/index.ts';
import { keepersOfShelf, loadShelf, putOnSharedShelf } from '$lib/server/services/shelf.ts';
import { errorsWords } from '$words/contract.ts';
import { shelfWords } from '$words/shelf.ts';
import { materialSchema, methodSchema, unitSchema, versionsBefore, wallSchema } from '@hulvek/core';
import { error, json } from '@sveltejs/kit';
import * as z from 'zod/mini';

export const GET = async ({ locals }) => {
  const db = database();
  const keepers = await keepersOfShelf(db);
  return json({ items: await loadShelf(db), keepers, mayKeep: locals.person?.keepsShelf ?? false });
};

/** `after`: the version the sender knew; 0 for a new item. */
const after = versionsBefore;
const body = z.discriminatedUnion('kind', [
  z.strictObject({ kind: z.literal('units'), after, document: unitSchema }),
  z.strictObject({ kind: z.literal('walls'), after, document: wallSchema }),
  z.strictObject({ kind: z.literal('methods'), after, document: methodSchema }),
  z.strictObject({ kind: z.literal('materials'), after, document: materialSchema }),
]);

/** Adds what a job made as the next version of an item on the shelf that all jobs take from. */
export const PUT = async ({ request, locals }) => {
  const put = await readBody(request, body);
  if (!locals.person) error(401, errorsWords.signedOut);
  const item = await putOnSharedShelf(database(), { ...put, user: locals.person.id });
  if (!item) error(409, shelfWords.changed);
  return json({ item });
};
