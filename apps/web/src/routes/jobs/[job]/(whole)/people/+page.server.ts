import { formFields } from '$lib/server/body.ts';
import { database, type Database } from '$lib/server/db/index.ts';
import { lookRules, roles } from '$lib/contract/rights.ts';
import { auditOf, note } from '$lib/server/services/audit.ts';
import { deleteJob, KEEP_DELETED_days, loadContext } from '$lib/server/services/jobs.ts';
import { namesOf } from '$lib/server/services/names.ts';
import {
  changeMember,
  invite,
  listMembers,
  lookRuleOf,
  passwordLink,
  setLookRule,
} from '$lib/server/services/people.ts';
import { openTokens, revokeToken } from '$lib/server/services/tokens.ts';
import { errorsWords } from '$words/contract.ts';
import { peopleWords } from '$words/people.ts';
import { error, fail, redirect } from '@sveltejs/kit';
import * as z from 'zod/mini';

export const load = async ({ params }) => {
  const db = database();
  const context = await loadContext(db, params.job);
  if (!context) error(404, errorsWords.noJob);
  return {
    job: context.job,
    members: await listMembers(db, params.job),
    lookRule: await lookRuleOf(db, params.job),
    links: await linksOf(db, params.job),
    audit: await auditOf(db, params.job),
    keepDays: KEEP_DELETED_days,
    roles,
    lookRules,
  };
};

/** Links into the job that still hold, without their secrets: those are shown once. */
async function linksOf(db: Database, job: string) {
  const open = (await openTokens(db, job)).filter(({ kind }) => kind === 'invitation' || kind === 'password');
  const names = await namesOf(
    db,
    open.flatMap(({ madeBy, userId }) => [madeBy, userId]),
  );
  return open.map(({ id, kind, role, userId, madeBy, expiresAt }) => ({
    id,
    kind,
    role,
    of: userId === null ? '' : names.account(userId),
    by: madeBy === null ? '' : names.account(madeBy),
    expiresAt,
  }));
}

const address = (request: Request, url: URL, path: string): string =>
  `${url.protocol}//${request.headers.get('host') ?? url.host}${path}`;

const role = z.enum(roles);
const read = async <T>(request: Request, schema: z.ZodMiniType<T>): Promise<T> => {
  const parsed = schema.safeParse(await formFields(request));
  if (!parsed.success) error(400, errorsWords.badRequest);
  return parsed.data;
};

export const actions = {
  invite: async ({ request, params, url, locals }) => {
    const form = await read(request, z.object({ role }));
    const token = await invite(database(), params.job, form.role, locals.person?.id ?? null);
    return { link: address(request, url, `/invite/${token}`), role: form.role };
  },
  password: async ({ request, params, url, locals }) => {
    const form = await read(request, z.object({ user: z.uuid() }));
    const db = database();
    const of = { user: form.user, by: locals.person?.id ?? '', job: params.job };
    const token = await passwordLink(db, of);
    if (!token) return fail(403, { problem: peopleWords.passwordNot });
    const name = (await listMembers(db, params.job)).find(({ userId }) => userId === form.user)?.name ?? '';
    return { password: address(request, url, `/password/${token}`), name };
  },
  revoke: async ({ request, params, locals }) => {
    const form = await read(request, z.object({ link: z.uuid() }));
    const db = database();
    if (await revokeToken(db, params.job, form.link))
      await note(db, { action: 'link-revoked', user: locals.person?.id ?? null, job: params.job });
    return { revoked: true };
  },
  delete: async ({ request, params, locals }) => {
    const form = await read(request, z.object({ name: z.string() }));
    const db = database();
    const context = await loadContext(db, params.job);
    if (form.name.trim() !== context?.job.name) return fail(400, { problem: peopleWords.deleteWrong });
    await deleteJob(db, params.job, locals.person?.id ?? null);
    redirect(303, '/jobs');
  },
  role: async ({ request, params, locals }) => {
    const form = await read(request, z.object({ user: z.uuid(), role }));
    const done = await changeMember(database(), params.job, form.user, form.role, locals.person?.id);
    return done ? { saved: true } : fail(409, { problem: peopleWords.lastOwner });
  },
  remove: async ({ request, params, locals }) => {
    const form = await read(request, z.object({ user: z.uuid() }));
    const done = await changeMember(database(), params.job, form.user, null, locals.person?.id);
    return done ? { saved: true } : fail(409, { problem: peopleWords.lastOwner });
  },
  look: async ({ request, params, locals }) => {
    const form = await read(request, z.object({ rule: z.enum(lookRules) }));
    await setLookRule(database(), params.job, form.rule);
    const by = { user: locals.person?.id ?? null, job: params.job };
    await note(database(), { action: 'look-rule', ...by, about: form.rule });
    return { saved: true };
  },
};
