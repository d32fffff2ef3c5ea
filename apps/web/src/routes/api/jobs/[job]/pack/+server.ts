import { rightsOf } from '$lib/contract/rights.ts';
import { supplyAsSeen } from '$lib/contract/supply-seen.ts';
import { packed, written } from '$lib/server/beside/packs.ts';
import { database } from '$lib/server/db/index.ts';
import { senderIn } from '$lib/server/services/sender.ts';
import { errorsWords } from '$words/contract.ts';
import { error } from '@sveltejs/kit';

const json = (value: unknown): Uint8Array => new TextEncoder().encode(JSON.stringify(value));

/** The job without what this role does not see. */
function contextAsSeen(written: Uint8Array, rights: ReturnType<typeof rightsOf>): Uint8Array {
  if (rights.includes('settings')) return written;
  return new TextEncoder().encode(supplyAsSeen(new TextDecoder().decode(written), rights));
}

/** The whole job for one device, or what changed of it since a revision that the device has. */
export const GET = async ({ params, locals, url }) => {
  const db = database();
  const { person, role, lookRule } = senderIn(locals);
  const asked = Number(url.searchParams.get('since') ?? NaN);
  const pack = await packed(db, params.job, Number.isSafeInteger(asked) && asked >= 0 ? asked : undefined);
  if (!pack) error(404, errorsWords.noJob);
  const { id, name, email } = person;
  const body = written({
    revision: json(pack.revision),
    me: json({ id, name, email }),
    role: json(role),
    rights: json(rightsOf(role)),
    lookRule: json(lookRule),
    at: json(new Date().toISOString()),
    context: contextAsSeen(pack.context, rightsOf(role)),
    openings: pack.changed,
    ...(pack.since !== null && { since: json(pack.since), order: json(pack.order) }),
  });
  return new Response(new Uint8Array(body), {
    headers: { 'content-type': 'application/json', 'cache-control': 'no-store' },
  });
};
