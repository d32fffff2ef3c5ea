import { database } from '$lib/server/db/index.ts';
import { signOut } from '$lib/server/services/accounts.ts';
import { clearSession, SESSION_COOKIE } from '$lib/server/session.ts';
import { redirect } from '@sveltejs/kit';

export const POST = async ({ cookies, url }) => {
  const token = cookies.get(SESSION_COOKIE);
  if (token) await signOut(database(), token);
  clearSession(cookies, url);
  redirect(303, '/sign-in');
};
