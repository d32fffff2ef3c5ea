import { database } from '$lib/server/db/index.ts';
import { dataOf } from '$lib/server/services/accounts.ts';
import { note } from '$lib/server/services/audit.ts';
import { errorsWords } from '$words/contract.ts';
import { error, json } from '@sveltejs/kit';

/** Everything that is kept of whoever asks. */
export const POST = async ({ locals }) => {
  if (!locals.person) error(401, errorsWords.signedOut);
  const data = await dataOf(database(), locals.person.id);
  await note(database(), { action: 'own-data', user: locals.person.id });
  return json(data, {
    headers: {
      'cache-control': 'no-store',
      'content-disposition': 'attachment; filename="hulvek-my-data.json"',
    },
  });
};
