/** The session cookie. */
import type { Cookies } from '@sveltejs/kit';
import { SESSION_DAYS } from './services/accounts.ts';

export const SESSION_COOKIE = 'hulvek_session';

const options = (secure: boolean) => ({ path: '/', httpOnly: true, sameSite: 'lax', secure }) as const;

export function setSession(cookies: Cookies, token: string, url: URL): void {
  cookies.set(SESSION_COOKIE, token, {
    ...options(url.protocol === 'https:'),
    maxAge: SESSION_DAYS * 86_400,
  });
}

export const clearSession = (cookies: Cookies, url: URL): void =>
  cookies.delete(SESSION_COOKIE, options(url.protocol === 'https:'));
