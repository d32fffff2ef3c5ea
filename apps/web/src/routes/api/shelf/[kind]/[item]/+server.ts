import { database } from '$lib/server/db/index.ts';
import { loadShelfVersions } from '$lib/server/services/shelf.ts';
import { errorsWords } from '$words/contract.ts';
import { shelfKinds } from '@hulvek/core';
import { error, json } from '@sveltejs/kit';
import * as z from 'zod/mini';

/** Every version of an item, newest first. */
export const GET = async ({ params }) => {
  const kind = z.enum(shelfKinds).safeParse(params.kind);
  const items = kind.success ? await loadShelfVersions(database(), kind.data, params.item) : [];
  if (items.length === 0) error(404, errorsWords.notFound);
  return json({ items });
};
