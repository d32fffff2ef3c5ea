import { database } from '$lib/server/db/index.ts';
import { planSides, solveSide } from '$lib/server/heat/tasks.ts';
import { loadContext } from '$lib/server/services/jobs.ts';
import { loadPart, openingOfPart } from '$lib/server/services/openings.ts';
import { proofSheet, type ProofSheetInput } from '$lib/features/prove/sheet.server.ts';
import { errorsWords } from '$words/contract.ts';
import { heatFindings, heatProof, planOpening, type JobContext, type Opening, type Plan } from '@hulvek/core';
import { error } from '@sveltejs/kit';
import { setImmediate as breathe } from 'node:timers/promises';

/** The four sides one after the other, others served in between; `null` where one of them cannot be solved. */
async function heatOf(opening: Opening, context: JobContext, plan: Plan): Promise<ProofSheetInput['heat']> {
  const { unit, job } = plan;
  if (!unit) return null;
  const solved: Parameters<typeof heatProof>[1][number][] = [];
  for (const side of planSides({ opening, context })) {
    if ('problem' in side) return null;
    const answer = solveSide(side.json);
    if ('problem' in answer) return null;
    solved.push({ side: answer.side, leftOut: side.leftOut });
    await breathe();
  }
  const proof = heatProof({ unit, job }, solved);
  return { proof, findings: heatFindings(plan, proof, false) };
}

/** All proofs of an opening as it is stored, to print. */
export const GET = async ({ params, locals }) => {
  const db = database();
  const context = await loadContext(db, params.job);
  const part = await loadPart(db, params.job, params.opening);
  if (!context || !part) error(404, errorsWords.noOpening);
  const opening = openingOfPart(part);
  const plan = planOpening(opening, context);
  if (!plan.build) error(409, errorsWords.noPlan);
  const heat = await heatOf(opening, context, plan);
  const pdf = await proofSheet({ plan, context, heat, person: locals.person?.name ?? '', at: new Date() });
  return new Response(new Uint8Array(pdf), {
    headers: {
      'content-type': 'application/pdf',
      'content-disposition': `attachment; filename="${encodeURIComponent(opening.mark)}-proofs.pdf"`,
    },
  });
};
