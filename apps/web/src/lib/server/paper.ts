/** What is handed out on paper: an opening as it is stored, and the answer that carries its PDF. */
import type { JobContext, LengthUnit, Opening } from '@hulvek/core';
import { errorsWords } from '$words/contract.ts';
import { error } from '@sveltejs/kit';
import { database } from './db/index.ts';
import { loadContext } from './services/jobs.ts';
import { loadPart, openingOfPart } from './services/openings.ts';

/** Who reads it, in what, and when it was drawn. */
export interface ForReader {
  readonly reads: LengthUnit;
  readonly person: string;
  readonly at: Date;
}

export const readerOf = ({ person }: App.Locals, { job }: JobContext): ForReader => ({
  reads: person?.reads ?? job.units,
  person: person?.name ?? '',
  at: new Date(),
});

export async function openingToDraw(params: {
  job: string;
  opening: string;
}): Promise<{ opening: Opening; context: JobContext }> {
  const db = database();
  const context = await loadContext(db, params.job);
  const part = await loadPart(db, params.job, params.opening);
  if (!context || !part) error(404, errorsWords.noOpening);
  return { opening: openingOfPart(part), context };
}

/** @param pdf `null` where the opening cannot be planned */
export function asPdf(pdf: Uint8Array | null, name: string): Response {
  if (!pdf) error(409, errorsWords.noPlan);
  return new Response(new Uint8Array(pdf), {
    headers: {
      'content-type': 'application/pdf',
      'content-disposition': `attachment; filename="${encodeURIComponent(name)}.pdf"`,
    },
  });
}
