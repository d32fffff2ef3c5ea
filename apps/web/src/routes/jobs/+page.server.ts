import { formFields } from '$lib/server/body.ts';
import { database } from '$lib/server/db/index.ts';
import { importJob, listJobs } from '$lib/server/services/jobs.ts';
import { newJob } from '$lib/server/services/new-documents.ts';
import { jobsWords } from '$words/shell.ts';
import { JOB_FORMAT, readJobFile } from '@hulvek/core';
import { fail, redirect } from '@sveltejs/kit';
import * as z from 'zod/mini';

const form = z.object({
  name: z.string().check(z.trim(), z.minLength(1), z.maxLength(120)),
  units: z.enum(['mm', 'in']),
});

/** A file from the form is read whole; larger ones are refused. */
const LARGEST_UPLOAD_bytes = 16 * 1024 * 1024;

export const load = async ({ locals }) => ({
  jobs: locals.person ? await listJobs(database(), locals.person.id) : [],
});

export const actions = {
  create: async ({ request, locals }) => {
    const parsed = form.safeParse(await formFields(request));
    if (!parsed.success) return fail(400, { problem: jobsWords.nameNeeded });
    const file = newJob(parsed.data);
    await importJob(database(), file, { user: locals.person?.id ?? null, file: '' });
    redirect(303, `/jobs/${file.job.id}`);
  },
  load: async ({ request, locals }) => {
    const upload = (await request.formData()).get('file');
    if (!(upload instanceof File) || upload.size === 0) return fail(400, { problem: jobsWords.fileNeeded });
    if (upload.size > LARGEST_UPLOAD_bytes) return fail(413, { problem: jobsWords.fileTooLarge });
    const result = readJobFile(await upload.text());
    if (!result.ok) {
      const problems = result.problems
        .slice(0, 8)
        .map((p) => (p.path ? `${p.path}: ${p.message}` : p.message));
      return fail(400, { problem: jobsWords.fileRefused(upload.name, JOB_FORMAT), problems });
    }
    if (
      !(await importJob(database(), result.value, {
        user: locals.person?.id ?? null,
        file: upload.name.slice(0, 200),
      }))
    )
      return fail(409, { problem: jobsWords.fileThere(result.value.job.name) });
    redirect(303, `/jobs/${result.value.job.id}`);
  },
};
