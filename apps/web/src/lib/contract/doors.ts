/** Words of the doors, as data: what links are for, what is audited, what is done beside the server. */

export const tokenKinds = ['invitation', 'password', 'feed'] as const;
export type TokenKind = (typeof tokenKinds)[number];

export const auditActions = [
  'signed-in',
  'not-signed-in',
  'invited',
  'joined',
  'link-revoked',
  'role-given',
  'removed',
  'look-rule',
  'password-changed',
  'password-link',
  'sessions-ended',
  'exported',
  'other-log',
  'job-deleted',
  'job-put-back',
  'job-archived',
  'job-taken-out',
  'shelf-keeper',
  'own-data',
  'erased',
] as const;
export type AuditAction = (typeof auditActions)[number];

export const taskKinds = ['import'] as const;
export type TaskKind = (typeof taskKinds)[number];

export const taskStates = ['waiting', 'working', 'done', 'refused', 'cancelled', 'broken'] as const;
export type TaskState = (typeof taskStates)[number];
