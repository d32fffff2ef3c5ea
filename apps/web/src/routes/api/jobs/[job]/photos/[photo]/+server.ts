import { database } from '$lib/server/db/index.ts';
import { loadPhoto } from '$lib/server/services/records.ts';
import { errorsWords } from '$words/contract.ts';
import { error } from '@sveltejs/kit';
import * as z from 'zod/mini';

/** A picture, served as nothing but a picture. */
export const GET = async ({ params }) => {
  const id = z.uuid().safeParse(params.photo);
  const photo = id.success ? await loadPhoto(database(), params.job, id.data) : null;
  if (!photo) error(404, errorsWords.noPhoto);
  return new Response(new Uint8Array(photo.bytes), {
    headers: {
      'content-type': photo.type,
      'content-security-policy': "default-src 'none'; sandbox",
      'content-disposition': 'inline',
      'cache-control': 'private, max-age=31536000, immutable',
    },
  });
};
