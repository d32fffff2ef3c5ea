/** All proofs of an opening, solved and drawn. */
import { proofSheet, type ProofSheetInput } from './sheet.server.ts';
import { heatFindings, heatProof, planOpening, type JobContext, type Opening, type Plan } from '@hulvek/core';
import { planSides, solveSide } from '$lib/server/heat/tasks.ts';

/** `null` where one of the four sides cannot be solved. */
function heatOf(opening: Opening, context: JobContext, plan: Plan): ProofSheetInput['heat'] {
  const { unit, job } = plan;
  if (!unit) return null;
  const solved: Parameters<typeof heatProof>[1][number][] = [];
  for (const side of planSides({ opening, context })) {
    if ('problem' in side) return null;
    const answer = solveSide(side.json);
    if ('problem' in answer) return null;
    solved.push({ side: answer.side, leftOut: side.leftOut });
  }
  const proof = heatProof({ unit, job }, solved);
  return { proof, findings: heatFindings(plan, proof, false) };
}

/** Returns the sheet as a PDF; `null` where the opening cannot be planned. */
export async function drawProofs(of: {
  opening: Opening;
  context: JobContext;
  person: string;
  at: Date;
}): Promise<Uint8Array | null> {
  const { opening, context, person, at } = of;
  const plan = planOpening(opening, context);
  if (!plan.build) return null;
  const heat = heatOf(opening, context, plan);
  return new Uint8Array(await proofSheet({ plan, context, heat, person, at }));
}
