/** What happens round every request: who asks, from where, and what a failure looks like. */
import { building } from '$app/environment';
import { database, migrateDatabase } from '$lib/server/db/index.ts';
import { log } from '$lib/server/log.ts';
import { personOf } from '$lib/server/services/accounts.ts';
import { loadDemoIfEmpty, resetDemo } from '$lib/server/services/demo.ts';
import { ACCESS, accessKey, may } from '$lib/server/rights.ts';
import { roleIn } from '$lib/server/services/people.ts';
import { SESSION_COOKIE } from '$lib/server/session.ts';
import { text } from '$lib/texts/en.ts';
import { error, redirect, type Handle, type HandleServerError, type ServerInit } from '@sveltejs/kit';

export const init: ServerInit = async () => {
  if (building) return;
  const db = database();
  await migrateDatabase(db);
  if (process.env.HULVEK_DEMO === 'reset') await resetDemo(db);
  else if (process.env.HULVEK_DEMO !== 'off') await loadDemoIfEmpty(db);
};

const READING = new Set(['GET', 'HEAD', 'OPTIONS']);

/** A writing request must come from a page of this very host. */
function fromElsewhere(request: Request): boolean {
  if (READING.has(request.method)) return false;
  const origin = request.headers.get('origin');
  return origin === null || !URL.canParse(origin) || new URL(origin).host !== request.headers.get('host');
}

function signInFirst(path: string): Response {
  if (path.startsWith('/api/')) return new Response(text.errors.signedOut, { status: 401 });
  redirect(303, `/sign-in?next=${encodeURIComponent(path)}`);
}

export const handle: Handle = async ({ event, resolve }) => {
  if (fromElsewhere(event.request)) return new Response(text.errors.otherOrigin, { status: 403 });
  const token = event.cookies.get(SESSION_COOKIE);
  const person = token ? await personOf(database(), token) : null;
  event.locals.person = person;
  event.locals.role = null;
  const route = event.route.id;
  if (route !== null) {
    const access = ACCESS[accessKey(event.request.method, route, event.url.searchParams)];
    if (access === undefined) return new Response(text.errors.notAllowed, { status: 405 });
    if (access !== 'open' && !person) return signInFirst(event.url.pathname);
    if (person && event.params.job) event.locals.role = await roleIn(database(), event.params.job, person.id);
    const refused = access !== 'open' && access !== 'person' && !may(event.locals.role, access);
    // Who does not belong to a job is not told that it exists.
    if (refused)
      error(event.locals.role ? 403 : 404, event.locals.role ? text.errors.notAllowed : text.errors.noJob);
  }
  const response = await resolve(event);
  response.headers.set('x-content-type-options', 'nosniff');
  response.headers.set('referrer-policy', 'same-origin');
  return response;
};

export const handleError: HandleServerError = ({ error, event, status, message }) => {
  if (status === 404) return { message: text.errors.notFound };
  const id = crypto.randomUUID().slice(0, 8);
  log.error({ id, path: event.url.pathname, err: error }, message);
  return { message: text.errors.unexpected, id };
};
