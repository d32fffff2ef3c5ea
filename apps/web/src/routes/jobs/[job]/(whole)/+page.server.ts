import { formFields } from '$lib/server/body.ts';
import { database, inTransaction } from '$lib/server/db/index.ts';
import { loadContext } from '$lib/server/services/jobs.ts';
import { newOpening } from '$lib/server/services/new-documents.ts';
import { addOpenings, loadParts } from '$lib/server/services/openings.ts';
import { errorsWords } from '$words/contract.ts';
import { jobWords } from '$words/shell.ts';
import { error, fail, redirect } from '@sveltejs/kit';
import * as z from 'zod/mini';

const openingForm = z.object({
  mark: z.string().check(z.trim(), z.minLength(1), z.maxLength(16)),
  name: z.string().check(z.trim(), z.maxLength(120)),
  facade: z.string().check(z.trim(), z.maxLength(60)),
  unit: z.string(),
});

export const actions = {
  opening: async ({ request, params, locals }) => {
    const db = database();
    const context = await loadContext(db, params.job);
    if (!context) error(404, errorsWords.noJob);
    const values = await formFields(request);
    const parsed = openingForm.safeParse(values);
    if (!parsed.success) return fail(400, { form: 'opening', problem: jobWords.markNeeded });
    const parts = await loadParts(db, params.job);
    if (parts.some((part) => part.document.mark === parsed.data.mark)) {
      return fail(400, { form: 'opening', problem: jobWords.markTaken(parsed.data.mark) });
    }
    const unit = context.units.find((u) => u.id === parsed.data.unit)?.id ?? null;
    const opening = newOpening(context, { ...parsed.data, unit });
    await inTransaction(db, (tx) =>
      addOpenings(tx, params.job, [opening], { userId: locals.person?.id ?? null }),
    );
    redirect(303, `/jobs/${params.job}/${opening.id}/measure`);
  },
};
