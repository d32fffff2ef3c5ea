/** Who may do what: the one place that decides every right. */

/** From most to least; a person has one role per job. */
export const roles = ['owner', 'lead', 'installer', 'inspector', 'viewer'] as const;
export type Role = (typeof roles)[number];

export const actions = [
  'see',
  'measure',
  'plan',
  'freeze',
  'tick',
  'look',
  'note',
  'settings',
  'people',
] as const;
export type Action = (typeof actions)[number];

const MAY: Readonly<Record<Role, readonly Action[]>> = {
  owner: actions,
  lead: ['see', 'measure', 'plan', 'freeze', 'tick', 'look', 'note', 'settings'],
  installer: ['see', 'measure', 'tick', 'look', 'note'],
  inspector: ['see', 'look', 'note'],
  viewer: ['see'],
};

/** Whether a role (or nobody: `null`) carries an action. */
export const may = (role: Role | null, action: Action): boolean =>
  role !== null && MAY[role].includes(action);

export const rightsOf = (role: Role | null): readonly Action[] =>
  actions.filter((action) => may(role, action));

/** `open`: anybody · `person`: whoever is signed in · otherwise an action in the job that the address names. */
export type Access = 'open' | 'person' | Action;

/**
 * Every address and method the server answers. Form actions carry their name; a request that is not in this table is
 * refused, and a test fails when a route of the application is missing here.
 */
export const ACCESS: Readonly<Record<string, Access>> = {
  'GET /': 'open',
  'GET /health': 'open',
  'GET /sign-in': 'open',
  'POST /sign-in': 'open',
  'GET /invite/[token]': 'open',
  'POST /invite/[token]?/join': 'person',
  'POST /invite/[token]?/register': 'open',
  'POST /sign-out': 'person',
  'GET /account': 'person',
  'POST /account?/password': 'person',
  'POST /account?/everywhere': 'person',
  'GET /jobs': 'person',
  'POST /jobs?/create': 'person',
  'POST /jobs?/load': 'person',
  'GET /jobs/[job]': 'see',
  'POST /jobs/[job]?/opening': 'plan',
  'POST /jobs/[job]?/unit': 'plan',
  'GET /jobs/[job]/file': 'see',
  'GET /jobs/[job]/people': 'people',
  'POST /jobs/[job]/people?/invite': 'people',
  'POST /jobs/[job]/people?/role': 'people',
  'POST /jobs/[job]/people?/remove': 'people',
  'POST /jobs/[job]/people?/look': 'people',
  'GET /jobs/[job]/[opening]': 'see',
  'GET /jobs/[job]/[opening]/[stage=stage]': 'see',
  'GET /jobs/[job]/[opening]/pieces.svg': 'see',
  'PUT /api/jobs/[job]/units': 'settings',
  'PUT /api/jobs/[job]/openings/[opening]': 'measure',
  'POST /api/jobs/[job]/openings/[opening]/issues': 'freeze',
  'POST /api/jobs/[job]/openings/[opening]/entries': 'note',
};

/** The key of a request in the table; the first form action's name when there is one. */
export function accessKey(method: string, route: string, search: URLSearchParams): string {
  const named = [...search.keys()].find((key) => key.startsWith('/'));
  return `${method === 'HEAD' ? 'GET' : method} ${route}${method === 'POST' && named ? `?${named}` : ''}`;
}

/** What each kind of entry asks for beyond getting to the address; undoing asks for what was done. */
export const ENTRY_ACTION = {
  tick: 'tick',
  look: 'look',
  override: 'freeze',
  note: 'note',
  undo: 'tick',
} as const;

export const lookRules = ['not-the-doer', 'inspector', 'anyone'] as const;
export type LookRule = (typeof lookRules)[number];

/**
 * Whether this person may be the one who looks at a hold point. Owner and lead always may; otherwise by default
 * anyone but the one who did the work.
 */
export function mayLook(rule: LookRule, role: Role, looker: string, doer: string | null): boolean {
  if (!may(role, 'look')) return false;
  if (role === 'owner' || role === 'lead' || rule === 'anyone') return true;
  if (rule === 'inspector') return role === 'inspector';
  return looker !== doer;
}
