import { database } from '$lib/server/db/index.ts';
import { enterShare, shareBy } from '$lib/server/services/shares.ts';
import { mayOpenLink } from '$lib/server/services/tries.ts';
import { SHARE_COOKIE, sharePath } from '$lib/server/shared.ts';
import { sharedWords } from '$words/shared.ts';
import { error, fail, redirect } from '@sveltejs/kit';

/** Nobody needs a script to read, and none runs for strangers. */
export const csr = false;

export const load = async ({ params, getClientAddress }) => {
  const db = database();
  if (!(await mayOpenLink(db, getClientAddress()))) error(429, sharedWords.tooMany);
  return { to: (await shareBy(db, params.token))?.scope.to ?? null };
};

export const actions = {
  default: async ({ params, cookies, url, getClientAddress }) => {
    const db = database();
    if (!(await mayOpenLink(db, getClientAddress()))) error(429, sharedWords.tooMany);
    const share = await enterShare(db, params.token);
    if (!share) return fail(410, { gone: true });
    cookies.set(SHARE_COOKIE, params.token, {
      path: sharePath(share.id),
      httpOnly: true,
      sameSite: 'strict',
      secure: url.protocol === 'https:',
      expires: share.until,
    });
    redirect(303, sharePath(share.id));
  },
};
