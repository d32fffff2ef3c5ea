import { database } from '$lib/server/db/index.ts';
import { exportJob } from '$lib/server/services/jobs.ts';
import { errorsWords } from '$words/contract.ts';
import { writeJobFile } from '@hulvek/core';
import { error } from '@sveltejs/kit';

export const GET = async ({ params }) => {
  const file = await exportJob(database(), params.job);
  if (!file) error(404, errorsWords.noJob);
  return new Response(writeJobFile(file), {
    headers: {
      'content-type': 'application/json; charset=utf-8',
      'content-disposition': `attachment; filename="${file.job.id}.hulvek.json"`,
    },
  });
};
