import type { Pack } from '$lib/contract/pack.ts';
import { database } from '$lib/server/db/index.ts';
import { rightsOf } from '$lib/contract/rights.ts';
import { revisionOf } from '$lib/server/services/changes.ts';
import { loadContext } from '$lib/server/services/jobs.ts';
import { forDevice, loadParts } from '$lib/server/services/openings.ts';
import { senderIn } from '$lib/server/services/sender.ts';
import { errorsWords } from '$words/contract.ts';
import { error, json } from '@sveltejs/kit';

/** The whole job for one device. */
export const GET = async ({ params, locals }) => {
  const db = database();
  const { person, role, lookRule } = await senderIn(db, params.job, locals);
  const context = await loadContext(db, params.job);
  if (!context) error(404, errorsWords.noJob);
  // Read first: what is stored while the rest is read comes again, nothing is left out.
  const revision = await revisionOf(db, params.job);
  const pack: Pack = {
    revision,
    me: person,
    role,
    rights: rightsOf(role),
    lookRule,
    context,
    openings: (await loadParts(db, params.job)).map(forDevice),
    at: new Date().toISOString(),
  };
  return json(pack, { headers: { 'cache-control': 'no-store' } });
};
