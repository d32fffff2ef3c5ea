import { saidName } from '$lib/contract/told.ts';
import { formFields } from '$lib/server/body.ts';
import { database } from '$lib/server/db/index.ts';
import { sayRead, toldBy } from '$lib/server/services/told.ts';
import { toldWords } from '$words/notices.ts';
import { fail } from '@sveltejs/kit';
import * as z from 'zod/mini';

const form = z.object({ name: saidName });

export const load = async ({ params }) => ({ told: await toldBy(database(), 'notice', params.token) });

export const actions = {
  default: async ({ params, request }) => {
    const parsed = form.safeParse(await formFields(request));
    if (!parsed.success) return fail(400, { problem: toldWords.name, said: '' });
    if (!(await sayRead(database(), params.token, parsed.data.name)))
      return fail(410, { problem: toldWords.gone, said: '' });
    return { problem: '', said: parsed.data.name };
  },
};
