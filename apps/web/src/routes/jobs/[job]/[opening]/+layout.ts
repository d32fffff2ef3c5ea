import { errorsWords } from '$words/contract.ts';
import { error } from '@sveltejs/kit';

export const load = async ({ params, parent }) => {
  const { store } = await parent();
  if (!store.view(params.opening)) await store.refresh();
  if (!store.view(params.opening)) error(404, errorsWords.noOpening);
};
