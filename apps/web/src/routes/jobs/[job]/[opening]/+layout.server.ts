import { database } from '$lib/server/db/index.ts';
import { loadField, loadFields, loadJob } from '$lib/server/services/jobs.ts';
import { openingRow } from '$lib/server/services/overview.ts';
import { text } from '$lib/texts/en.ts';
import { error } from '@sveltejs/kit';

export const load = async ({ params, depends }) => {
  depends('hulvek:opening');
  const db = database();
  const stored = await loadJob(db, params.job);
  if (!stored) error(404, text.errors.noJob);
  const current = stored.openings.find((o) => o.opening.id === params.opening);
  if (!current) error(404, text.errors.noOpening);
  const now = new Date().toISOString();
  const fields = await loadFields(db, params.job);
  return {
    context: stored.context,
    current,
    field: await loadField(db, params.job, params.opening),
    rows: stored.openings.map(({ opening }) =>
      openingRow(opening, stored.context, fields.get(opening.id), now),
    ),
  };
};
