/** Who may do what: the one place that decides every right. */

import type { Maker } from '@hulvek/core';

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

/** What each kind of entry asks for; undoing asks besides for what the undone entry asked for. */
export const ENTRY_ACTION = {
  tick: 'tick',
  look: 'look',
  override: 'freeze',
  note: 'note',
  photo: 'note',
  built: 'note',
  cut: 'tick',
  fault: 'note',
  mended: 'tick',
  rechecked: 'look',
  measured: 'tick',
  gap: 'tick',
  deviation: 'note',
  taken: 'tick',
  test: 'tick',
  undo: 'note',
} as const;

export const lookRules = ['not-the-doer', 'inspector', 'anyone'] as const;
export type LookRule = (typeof lookRules)[number];

/**
 * Whether this person may be the one who looks at a hold point. Owner and lead always may; otherwise by default
 * anyone but the one who did the work.
 */
export function mayLook(
  rule: LookRule,
  role: Role,
  looker: { readonly id: string; readonly name: string },
  doer: Maker | null,
): boolean {
  if (!may(role, 'look')) return false;
  if (role === 'owner' || role === 'lead' || rule === 'anyone') return true;
  if (rule === 'inspector') return role === 'inspector';
  if (doer === null) return true;
  // Of whoever a file names only the name is known: somebody of that name may be the one.
  return doer.account === undefined
    ? doer.person.trim().toLowerCase() !== looker.name.trim().toLowerCase()
    : doer.account !== looker.id;
}
