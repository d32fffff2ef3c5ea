import { rightsOf } from '$lib/server/rights.ts';

export const load = ({ locals, params }) => ({
  person: locals.person,
  // Read anew with every job: the address decides which role counts.
  rights: params.job ? rightsOf(locals.role) : [],
});
