import type { Me } from '$lib/contract/pack.ts';
import { json } from '@sveltejs/kit';

/** Who is signed in here; nobody is an answer too. */
export const GET = ({ locals }) => {
  const me: Me | null = locals.person;
  return json({ me }, { headers: { 'cache-control': 'no-store' } });
};
