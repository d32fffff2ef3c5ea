import { rightsOf } from '$lib/contract/rights.ts';
import { supplyAsSeen } from '$lib/contract/supply-seen.ts';
import { database } from '$lib/server/db/index.ts';
import { note } from '$lib/server/services/audit.ts';
import { exportJob } from '$lib/server/services/jobs.ts';
import { errorsWords } from '$words/contract.ts';
import { writeJobFile } from '@hulvek/core';
import { error } from '@sveltejs/kit';

export const GET = async ({ params, locals }) => {
  const db = database();
  const file = await exportJob(db, params.job);
  if (!file) error(404, errorsWords.noJob);
  await note(db, { action: 'exported', user: locals.person?.id ?? null, job: params.job });
  return new Response(supplyAsSeen(writeJobFile(file), rightsOf(locals.role)), {
    headers: {
      'content-type': 'application/json; charset=utf-8',
      'content-disposition': `attachment; filename="${file.job.id}.hulvek.json"`,
    },
  });
};
