import { errorsWords } from '$lib/contract/words.ts';
import { error } from '@sveltejs/kit';

export const load = async ({ params, parent }) => {
  const { store } = await parent();
  if (!store.view(params.opening)) await store.refresh();
  if (!store.view(params.opening)) error(404, errorsWords.noOpening);
};
