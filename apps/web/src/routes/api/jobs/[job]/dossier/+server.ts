import { dossierBody } from '$lib/contract/dossier.ts';
import { startDossier } from '$lib/server/beside/tasks.ts';
import { readBody } from '$lib/server/body.ts';
import { database } from '$lib/server/db/index.ts';
import { readerOf } from '$lib/server/paper.ts';
import { dossierGiven } from '$lib/server/services/dossier.ts';
import { loadContext } from '$lib/server/services/jobs.ts';
import { errorsWords } from '$words/contract.ts';
import { jobsWords } from '$words/shell.ts';
import { error, json } from '@sveltejs/kit';

/** Begins to draw a dossier; it is fetched from its task. */
export const POST = async ({ params, request, locals }) => {
  const { opening, names, pictures } = await readBody(request, dossierBody);
  const db = database();
  const context = await loadContext(db, params.job);
  if (!context || !locals.person) error(404, errorsWords.noJob);
  const given = await dossierGiven(db, {
    ...readerOf(locals, context),
    job: params.job,
    ...(opening !== null && { opening }),
    names,
    withPictures: pictures,
  });
  if (!given) error(404, errorsWords.noOpening);
  const name = `${opening ?? params.job}-dossier.pdf`;
  const started = await startDossier(db, { user: locals.person.id, name, given });
  if (!started.ok) error(429, jobsWords[started.because]);
  return json({ task: started.task });
};
