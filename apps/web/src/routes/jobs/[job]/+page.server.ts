import { database, inTransaction } from '$lib/server/db/index.ts';
import { addUnit, loadContext } from '$lib/server/services/jobs.ts';
import { newOpening, newUnit } from '$lib/server/services/new-documents.ts';
import { addOpenings, loadParts } from '$lib/server/services/openings.ts';
import { text } from '$lib/texts/en.ts';
import { lengthErrorTexts, parseLength, type LengthUnit } from '@hulvek/core';
import { error, fail, redirect } from '@sveltejs/kit';
import { z } from 'zod';

const openingForm = z.object({
  mark: z.string().trim().min(1).max(16),
  name: z.string().trim().max(120),
  facade: z.string().trim().max(60),
  unit: z.string(),
});

const unitForm = z.object({
  name: z.string().trim().min(1).max(120),
  operation: z.enum(['fixed', 'casement', 'awning', 'sliding', 'hung']),
  width: z.string(),
  height: z.string(),
  frameDepth: z.string(),
  finWidth: z.string(),
});

const LENGTHS = ['width', 'height', 'frameDepth', 'finWidth'] as const;

export const actions = {
  opening: async ({ request, params, locals }) => {
    const db = database();
    const context = await loadContext(db, params.job);
    if (!context) error(404, text.errors.noJob);
    const values = Object.fromEntries(await request.formData());
    const parsed = openingForm.safeParse(values);
    if (!parsed.success) return fail(400, { form: 'opening', problem: text.job.markNeeded });
    const parts = await loadParts(db, params.job);
    if (parts.some((part) => part.document.mark === parsed.data.mark)) {
      return fail(400, { form: 'opening', problem: text.job.markTaken(parsed.data.mark) });
    }
    const unit = context.units.find((u) => u.id === parsed.data.unit)?.id ?? null;
    const opening = newOpening(context, { ...parsed.data, unit });
    await inTransaction(db, (tx) => addOpenings(tx, params.job, [opening], locals.person?.name));
    redirect(303, `/jobs/${params.job}/${opening.id}/measure`);
  },
  unit: async ({ request, params }) => {
    const db = database();
    const context = await loadContext(db, params.job);
    if (!context) error(404, text.errors.noJob);
    const parsed = unitForm.safeParse(Object.fromEntries(await request.formData()));
    if (!parsed.success) return fail(400, { form: 'unit', problem: text.job.unitIncomplete });
    const lengths = readLengths(parsed.data, context.job.units);
    if ('problem' in lengths) return fail(400, { form: 'unit', problem: lengths.problem });
    const unit = newUnit({ ...parsed.data, ...lengths.values });
    if (!unit.success)
      return fail(400, { form: 'unit', problem: unit.error.issues[0]?.message ?? text.job.unitIncomplete });
    await addUnit(db, params.job, unit.data);
    return { form: 'unit', added: unit.data.name };
  },
};

function readLengths(form: z.infer<typeof unitForm>, units: LengthUnit) {
  const values = {} as Record<(typeof LENGTHS)[number], { typed: string; mm: number }>;
  for (const key of LENGTHS) {
    const result = parseLength(form[key], units);
    if (!result.ok) return { problem: `${text.job.unitFields[key]}: ${lengthErrorTexts[result.error]}` };
    values[key] = { typed: result.value.typed.trim(), mm: result.value.mm };
  }
  return { values };
}
