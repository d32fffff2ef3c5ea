import { database } from '$lib/server/db/index.ts';
import { loadPhoto } from '$lib/server/services/records.ts';
import { isShown, shareIn } from '$lib/server/shared.ts';
import { errorsWords } from '$words/contract.ts';
import { error } from '@sveltejs/kit';
import * as z from 'zod/mini';

/** A picture of what is shared, where pictures are. */
export const GET = async ({ params, cookies }) => {
  const share = await shareIn(params, cookies);
  const id = z.uuid().safeParse(params.photo);
  const photo = share.scope.pictures && id.success ? await loadPhoto(database(), share.job, id.data) : null;
  if (!photo || !isShown(share, photo.opening)) error(404, errorsWords.noPhoto);
  return new Response(new Uint8Array(photo.bytes), {
    headers: {
      'content-type': photo.type,
      'content-security-policy': "default-src 'none'; sandbox",
      'content-disposition': 'inline',
      'cache-control': 'private, no-store',
    },
  });
};
