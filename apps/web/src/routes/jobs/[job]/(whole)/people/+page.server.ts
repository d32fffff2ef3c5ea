import { formFields } from '$lib/server/body.ts';
import { database } from '$lib/server/db/index.ts';
import { lookRules, roles } from '$lib/contract/rights.ts';
import { loadContext } from '$lib/server/services/jobs.ts';
import { changeMember, invite, listMembers, lookRuleOf, setLookRule } from '$lib/server/services/people.ts';
import { errorsWords } from '$words/contract.ts';
import { peopleWords } from '$words/people.ts';
import { error, fail } from '@sveltejs/kit';
import * as z from 'zod/mini';

export const load = async ({ params }) => {
  const db = database();
  const context = await loadContext(db, params.job);
  if (!context) error(404, errorsWords.noJob);
  return {
    job: context.job,
    members: await listMembers(db, params.job),
    lookRule: await lookRuleOf(db, params.job),
    roles,
    lookRules,
  };
};

const role = z.enum(roles);
const read = async <T>(request: Request, schema: z.ZodMiniType<T>): Promise<T> => {
  const parsed = schema.safeParse(await formFields(request));
  if (!parsed.success) error(400, errorsWords.badRequest);
  return parsed.data;
};

export const actions = {
  invite: async ({ request, params, url }) => {
    const form = await read(request, z.object({ role }));
    const token = await invite(database(), params.job, form.role);
    return {
      link: `${url.protocol}//${request.headers.get('host') ?? url.host}/invite/${token}`,
      role: form.role,
    };
  },
  role: async ({ request, params }) => {
    const form = await read(request, z.object({ user: z.uuid(), role }));
    const done = await changeMember(database(), params.job, form.user, form.role);
    return done ? { saved: true } : fail(409, { problem: peopleWords.lastOwner });
  },
  remove: async ({ request, params }) => {
    const form = await read(request, z.object({ user: z.uuid() }));
    const done = await changeMember(database(), params.job, form.user, null);
    return done ? { saved: true } : fail(409, { problem: peopleWords.lastOwner });
  },
  look: async ({ request, params }) => {
    const form = await read(request, z.object({ rule: z.enum(lookRules) }));
    await setLookRule(database(), params.job, form.rule);
    return { saved: true };
  },
};
