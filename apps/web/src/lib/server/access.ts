/** Every address the server answers, and what it takes to be let in. */
import type { Action } from '$lib/contract/rights.ts';

/**
 * `open`: anybody · `token`: whoever has a link that holds · `person`: whoever is signed in · `keeper`: whoever keeps the
 * shelf of all jobs · otherwise an action in the job that the address names.
 */
export type Access = 'open' | 'token' | 'person' | 'keeper' | Action;

const BESIDE = ['open', 'token', 'person', 'keeper'] as const;
export const isAction = (access: Access): access is Action => !(BESIDE as readonly Access[]).includes(access);

/**
 * Every address and method the server answers. Form actions carry their name; a request that is not in this table is
 * refused, and a test fails when a route of the application is missing here.
 */
export const ACCESS: Readonly<Record<string, Access>> = {
  'GET /': 'open',
  'GET /health': 'open',
  'GET /metrics': 'open',
  'GET /glossary': 'open',
  'GET /sign-in': 'open',
  'POST /sign-in': 'open',
  'GET /invite/[token]': 'token',
  'POST /invite/[token]?/join': 'person',
  'POST /invite/[token]?/register': 'token',
  'GET /password/[token]': 'token',
  'POST /password/[token]': 'token',
  'POST /sign-out': 'person',
  'GET /account': 'person',
  'POST /account?/password': 'person',
  'POST /account?/everywhere': 'person',
  'POST /account?/end': 'person',
  'POST /account?/erase': 'person',
  'POST /account/data': 'person',
  'GET /jobs': 'person',
  'POST /jobs?/create': 'person',
  'POST /jobs?/load': 'person',
  'POST /jobs?/back': 'person',
  'POST /jobs?/archive': 'person',
  'GET /jobs/[job]': 'see',
  'GET /jobs/[job]/file': 'see',
  'GET /jobs/[job]/add': 'see',
  'GET /jobs/[job]/start': 'see',
  'GET /jobs/[job]/board': 'see',
  'GET /jobs/[job]/survey': 'see',
  'GET /jobs/[job]/lines': 'see',
  'GET /jobs/[job]/sizes': 'see',
  'GET /jobs/[job]/units': 'see',
  'GET /jobs/[job]/walls': 'see',
  'GET /jobs/[job]/methods': 'see',
  'GET /jobs/[job]/shelf': 'see',
  'GET /jobs/[job]/heat': 'see',
  'GET /jobs/[job]/proofs': 'see',
  'GET /jobs/[job]/conditions': 'see',
  'GET /jobs/[job]/cut-sheet': 'see',
  'GET /jobs/[job]/cut-sheet.pdf': 'see',
  'GET /jobs/[job]/materials': 'see',
  'GET /jobs/[job]/materials.pdf': 'settings',
  'GET /jobs/[job]/cutting': 'see',
  'GET /jobs/[job]/day': 'see',
  'GET /jobs/[job]/notices': 'see',
  'GET /jobs/[job]/punch': 'see',
  'GET /jobs/[job]/tests': 'see',
  'GET /jobs/[job]/calendar': 'see',
  'GET /jobs/[job]/calendar.ics': 'see',
  'GET /jobs/[job]/today': 'see',
  'GET /feeds/[token]': 'token',
  'GET /jobs/[job]/log': 'see',
  'GET /api/jobs/[job]/head': 'see',
  'POST /api/jobs/[job]/feed': 'see',
  'DELETE /api/jobs/[job]/feed': 'see',
  'GET /jobs/[job]/[opening]/drawings.pdf': 'see',
  'GET /jobs/[job]/people': 'people',
  'POST /jobs/[job]/people?/invite': 'people',
  'POST /jobs/[job]/people?/role': 'people',
  'POST /jobs/[job]/people?/remove': 'people',
  'POST /jobs/[job]/people?/look': 'people',
  'POST /jobs/[job]/people?/password': 'people',
  'POST /jobs/[job]/people?/revoke': 'people',
  'POST /jobs/[job]/people?/delete': 'people',
  'GET /jobs/[job]/[opening]': 'see',
  'GET /jobs/[job]/[opening]/history': 'see',
  'GET /jobs/[job]/[opening]/compare': 'see',
  'GET /jobs/[job]/[opening]/[stage=stage]': 'see',
  'GET /jobs/[job]/[opening]/pieces.svg': 'see',
  'GET /jobs/[job]/[opening]/proof.pdf': 'see',
  'GET /shell': 'open',
  'GET /api/jobs': 'person',
  'GET /api/me': 'open',
  'PUT /api/me': 'person',
  'GET /api/shelf': 'person',
  'PUT /api/shelf': 'keeper',
  'GET /api/shelf/[kind]/[item]': 'person',
  'GET /api/tasks/[task]': 'person',
  'DELETE /api/tasks/[task]': 'person',
  'POST /api/shelf/keepers': 'keeper',
  'GET /api/jobs/[job]/pack': 'see',
  'GET /api/jobs/[job]/changes': 'see',
  'GET /api/jobs/[job]/heat': 'see',
  'POST /api/jobs/[job]/heat': 'plan',
  'DELETE /api/jobs/[job]/heat': 'plan',
  'PUT /api/jobs/[job]/units': 'settings',
  'PUT /api/jobs/[job]/site': 'settings',
  'GET /api/jobs/[job]/shelf': 'see',
  'PUT /api/jobs/[job]/shelf': 'plan',
  'GET /api/jobs/[job]/openings': 'see',
  'POST /api/jobs/[job]/openings': 'plan',
  'GET /api/jobs/[job]/openings/[opening]': 'see',
  'GET /api/jobs/[job]/openings/[opening]/versions': 'see',
  'PUT /api/jobs/[job]/openings/[opening]': 'measure',
  'POST /api/jobs/[job]/openings/[opening]/issues': 'freeze',
  'POST /api/jobs/[job]/records': 'note',
  'POST /api/jobs/[job]/photos': 'note',
  'GET /api/jobs/[job]/photos/[photo]': 'see',
};

/** The key of a request in the table, without groups of routes; the first form action's name when there is one. */
export function accessKey(method: string, route: string, search: URLSearchParams): string {
  const path = route.replaceAll(/\/\([^)]*\)/g, '');
  const named = [...search.keys()].find((key) => key.startsWith('/'));
  return `${method === 'HEAD' ? 'GET' : method} ${path}${method === 'POST' && named ? `?${named}` : ''}`;
}
