import { formFields } from '$lib/server/body.ts';
import { database } from '$lib/server/db/index.ts';
import { startImport, taskOf } from '$lib/server/beside/tasks.ts';
import { taskView } from '$lib/server/beside/view.ts';
import {
  archiveJob,
  choicesOf,
  deletedJobs,
  importJob,
  listJobs,
  putBackJob,
} from '$lib/server/services/jobs.ts';
import { roleIn } from '$lib/server/services/people.ts';
import { freshId, newJob } from '$lib/server/services/new-documents.ts';
import { jobsWords } from '$words/shell.ts';
import { errorsWords } from '$words/contract.ts';
import { templateOf } from '@hulvek/core';
import { fail, redirect } from '@sveltejs/kit';
import * as z from 'zod/mini';

const form = z.object({
  name: z.string().check(z.trim(), z.minLength(1), z.maxLength(120)),
  units: z.enum(['mm', 'in']),
  /** A job to begin from. */
  from: z.optional(z.string()),
  openings: z.optional(z.string()),
});

/** A file from the form is read whole; larger ones are refused. */
const LARGEST_UPLOAD_bytes = 16 * 1024 * 1024;

export const load = async ({ locals, url }) => {
  const { person } = locals;
  const db = database();
  const wanted = z.uuid().safeParse(url.searchParams.get('task'));
  const task = person && wanted.success ? await taskOf(db, person.id, wanted.data) : null;
  return {
    jobs: person ? await listJobs(db, person.id) : [],
    deleted: person ? await deletedJobs(db, person.id) : [],
    task: task && taskView(task),
  };
};

export const actions = {
  create: async ({ request, locals }) => {
    const parsed = form.safeParse(await formFields(request));
    if (!parsed.success) return fail(400, { problem: jobsWords.nameNeeded });
    const db = database();
    const user = locals.person?.id ?? null;
    const { name, units, from = '', openings } = parsed.data;
    if (from === '') {
      const file = newJob({ name, units });
      await importJob(db, file, { user, file: '' });
      redirect(303, `/jobs/${file.job.id}/start`);
    }
    const like = user !== null && (await roleIn(db, from, user)) ? await choicesOf(db, from) : null;
    if (!like) return fail(404, { problem: errorsWords.noJob });
    const of = { id: freshId('job'), name, units, openings: openings !== undefined };
    await importJob(db, templateOf(like, of), { user, file: '' });
    redirect(303, `/jobs/${of.id}${of.openings ? '' : '/start'}`);
  },
  load: async ({ request, locals }) => {
    const upload = (await request.formData()).get('file');
    if (!(upload instanceof File) || upload.size === 0) return fail(400, { problem: jobsWords.fileNeeded });
    if (upload.size > LARGEST_UPLOAD_bytes) return fail(413, { problem: jobsWords.fileTooLarge });
    if (!locals.person) return fail(401, { problem: errorsWords.signedOut });
    const file = upload.name.slice(0, 200);
    const of = { user: locals.person.id, file, text: await upload.text() };
    const started = await startImport(database(), of);
    if (!started.ok) return fail(429, { problem: jobsWords[started.because] });
    redirect(303, `/jobs?task=${started.task}`);
  },
  archive: async ({ request, locals }) => {
    const wanted = z.object({ job: z.string(), away: z.enum(['yes', 'no']) });
    const parsed = wanted.safeParse(await formFields(request));
    const user = locals.person?.id;
    const done =
      parsed.success &&
      user !== undefined &&
      (await archiveJob(database(), parsed.data.job, user, parsed.data.away === 'yes'));
    return done ? { archived: true } : fail(403, { problem: errorsWords.notAllowed });
  },
  back: async ({ request, locals }) => {
    const parsed = z.object({ job: z.string() }).safeParse(await formFields(request));
    const user = locals.person?.id;
    const back =
      parsed.success && user !== undefined && (await putBackJob(database(), parsed.data.job, user));
    if (!back) return fail(404, { problem: errorsWords.noJob });
    redirect(303, `/jobs/${parsed.data.job}`);
  },
};
