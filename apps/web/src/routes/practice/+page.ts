import { redirect } from '@sveltejs/kit';

/** Worked out on the device, so that it needs no network. */
export const ssr = false;

export const load = async ({ parent }) => {
  const { person } = await parent();
  if (!person) redirect(303, '/sign-in?next=%2Fpractice');
  return { person };
};
