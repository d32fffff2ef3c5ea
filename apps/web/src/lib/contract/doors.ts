/** Words of the doors, as data: what links are for, what is audited, what is done beside the server. */

export const tokenKinds = ['invitation', 'password', 'feed', 'notice', 'sign', 'share'] as const;
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
  'restored',
  'shared',
  'share-opened',
  'brought',
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

export const taskKinds = ['import', 'package', 'dossier'] as const;
export type TaskKind = (typeof taskKinds)[number];

export const taskStates = ['waiting', 'working', 'done', 'refused', 'cancelled', 'broken'] as const;
export type TaskState = (typeof taskStates)[number];
