/** What happens round every request: who asks, from where, and what a failure looks like. */
import { building } from '$app/environment';
import { database, migrateDatabase, oneAtATime } from '$lib/server/db/index.ts';
import { isReady, measured } from '$lib/server/metrics.ts';
import { keepHouseHourly } from '$lib/server/housekeeping.ts';
import { log } from '$lib/server/log.ts';
import { personIn } from '$lib/server/services/accounts.ts';
import { fillIssues } from '$lib/server/services/fill-issues.ts';
import { loadDemoIfEmpty, resetDemo } from '$lib/server/services/demo.ts';
import { stockEmptyShelf } from '$lib/server/services/shelf.ts';
import { may } from '$lib/contract/rights.ts';
import { ACCESS, accessKey, isAction } from '$lib/server/access.ts';
import { storable } from '@hulvek/core';
import { SESSION_COOKIE } from '$lib/server/session.ts';
import { errorsWords } from '$words/contract.ts';
import {
  error,
  isHttpError,
  isRedirect,
  redirect,
  type Handle,
  type HandleServerError,
  type RequestEvent,
  type ServerInit,
} from '@sveltejs/kit';

export const init: ServerInit = async () => {
  if (building) return;
  const db = database();
  await migrateDatabase(db);
  // Of several servers that start at once one does it, and the others find it done.
  await oneAtATime(db, async () => {
    await fillIssues(db);
    await stockEmptyShelf(db);
    if (process.env.HULVEK_DEMO === 'reset') await resetDemo(db);
    else if (process.env.HULVEK_DEMO !== 'off') await loadDemoIfEmpty(db);
  });
  isReady();
  keepHouseHourly(db);
};

const HSTS_DAYS = 180;
const READING = new Set(['GET', 'HEAD', 'OPTIONS']);

/** A writing request must come from a page of this very host. */
function fromElsewhere(request: Request): boolean {
  if (READING.has(request.method)) return false;
  const origin = request.headers.get('origin');
  return origin === null || !URL.canParse(origin) || new URL(origin).host !== request.headers.get('host');
}

function signInFirst(path: string): Response {
  if (path.startsWith('/api/')) return new Response(errorsWords.signedOut, { status: 401 });
  redirect(303, `/sign-in?next=${encodeURIComponent(path)}`);
}

/** Answers the request, or refuses it, by the one table of access. */
const guarded: Handle = async ({ event, resolve }) => {
  if (fromElsewhere(event.request)) return new Response(errorsWords.otherOrigin, { status: 403 });
  const token = event.cookies.get(SESSION_COOKIE);
  // No store holds such an id.
  if (!Object.values(event.params).every((id) => storable(id ?? ''))) error(404, errorsWords.notFound);
  const who = token ? await personIn(database(), token, event.params.job ?? '') : null;
  const person = who?.person ?? null;
  Object.assign(event.locals, { person, role: who?.role ?? null, lookRule: who?.lookRule ?? null });
  const route = event.route.id;
  if (route !== null) {
    const access = ACCESS[accessKey(event.request.method, route, event.url.searchParams)];
    if (access === undefined) return new Response(errorsWords.notAllowed, { status: 405 });
    if (access !== 'open' && access !== 'token' && !person) return signInFirst(event.url.pathname);
    if (access === 'keeper' && !person?.keepsShelf) error(403, errorsWords.notKeeper);
    const refused = isAction(access) && !may(event.locals.role, access);
    // Who does not belong to a job is not told that it exists.
    if (refused)
      error(event.locals.role ? 403 : 404, event.locals.role ? errorsWords.notAllowed : errorsWords.noJob);
  }
  return resolve(event);
};

/** The route, not the address: an invitation's address is a secret. */
function logAnswer(event: RequestEvent, status: number, started: number): void {
  const { request, route, locals } = event;
  const ms = Math.round(performance.now() - started);
  measured({ method: request.method, route: route.id, status, ms });
  log.info({ request: locals.requestId, method: request.method, route: route.id, status, ms }, 'answered');
}

/** Pages have a policy of their own; what is no page runs nothing, loads nothing, and stands in no frame. */
function setPolicy({ headers }: Response): void {
  const type = headers.get('content-type') ?? '';
  if (type.startsWith('text/html')) return;
  // A browser shows a PDF by a part of its own, which a sandbox would end; a drawing brings its own style.
  const allowed = type.startsWith('application/pdf')
    ? ''
    : type.startsWith('image/svg')
      ? "default-src 'none'; style-src 'unsafe-inline'; "
      : "default-src 'none'; sandbox; ";
  headers.set('content-security-policy', `${allowed}frame-ancestors 'none'`);
}

/** Gives every request a number, logs it when it is answered, and says what the browser may do with the answer. */
export const handle: Handle = async ({ event, resolve }) => {
  const started = performance.now();
  event.locals.requestId = crypto.randomUUID().slice(0, 8);
  try {
    const response = await guarded({ event, resolve });
    response.headers.set('x-request-id', event.locals.requestId);
    response.headers.set('x-content-type-options', 'nosniff');
    // The address of a link is its secret; a form without a script has to say that it comes from here.
    const isLink = event.route.id?.includes('[token]') === true && !event.route.id.startsWith('/shared/');
    response.headers.set('referrer-policy', isLink ? 'no-referrer' : 'same-origin');
    setPolicy(response);
    if (event.url.protocol === 'https:')
      response.headers.set('strict-transport-security', `max-age=${HSTS_DAYS * 86_400}`);
    logAnswer(event, response.status, started);
    return response;
  } catch (thrown) {
    logAnswer(event, isHttpError(thrown) || isRedirect(thrown) ? thrown.status : 500, started);
    throw thrown;
  }
};

export const handleError: HandleServerError = ({ error, event, status, message }) => {
  if (status === 404) return { message: errorsWords.notFound };
  const id = event.locals.requestId;
  log.error({ request: id, method: event.request.method, route: event.route.id, err: error }, message);
  return { message: errorsWords.unexpected, id };
};
