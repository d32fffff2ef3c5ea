/** Words of signing in, and who belongs to a job. */
import type { AuditAction } from '$lib/contract/doors.ts';

export const signInWords = {
  noAccount: 'No account yet? Whoever leads your job makes you a link; the account is made when you open it.',
  forgotten:
    'Password forgotten? An owner of one of your jobs makes you a link under People; it lets you choose a new one.',
  demoElsewhere:
    'Everybody knows the demo’s password: it is only taken on the machine that Hulvek runs on. Whoever runs it can turn the demo off, or start with HULVEK_DEMO=open-to-everybody.',
  title: 'Sign in',
  lead: 'For people who set windows into walls: what to cut, what comes first, and what nobody will see again.',
  email: 'E-mail',
  password: 'Password',
  submit: 'Sign in',
  incomplete: 'Enter e-mail and password.',
  wrong: 'E-mail and password do not belong together.',
  tooMany: 'Too many tries. Wait a quarter of an hour, then try again.',
  demo: 'Demo log-in',
  fill: 'Use the demo log-in',
  out: 'Sign out',
};

export const peopleWords = {
  title: 'People',
  roles: { owner: 'owner', lead: 'lead', installer: 'installer', inspector: 'inspector', viewer: 'viewer' },
  roleNotes: {
    owner: 'everything, people included',
    lead: 'plans, freezes, ticks and looks',
    installer: 'measures, ticks, looks at the work of others',
    inspector: 'looks and notes',
    viewer: 'reads',
  },
  name: 'Name',
  role: 'Role',
  change: 'Change',
  remove: 'Remove',
  askRemove: (name: string) => `Take ${name} out of this job? Entries stay; a new link lets them in again.`,
  lastOwner: 'A job keeps at least one owner. Make somebody else owner first.',
  invite: 'Invite somebody',
  inviteSubmit: 'Make a link',
  inviteLink: 'Give this link to one person. It lets them in once, within seven days, and is shown only now:',
  password: 'Password link',
  passwordLink: (name: string) =>
    `Give this link to ${name}. It sets a new password once, within two days, and is shown only now:`,
  passwordNot:
    'A password link can only be made for people who belong to no job but yours: it lets into all of them. Whoever runs the server can make one.',
  unknown: 'not recorded',
  links: 'Links that still hold',
  linkOf: (what: string, by: string, until: string) => `${what}, made by ${by}, holds until ${until}`,
  invitation: (role: string) => `Invitation as ${role}`,
  passwordOf: (name: string) => `New password for ${name}`,
  revoke: 'Take back',
  revoked: 'The link is taken back.',
  audit: 'What happened to rights here',
  auditEmpty: 'Nothing yet.',
  audited: {
    'signed-in': 'signed in',
    'not-signed-in': 'did not get in',
    invited: 'made an invitation as',
    joined: 'joined as',
    'link-revoked': 'took a link back',
    'role-given': 'changed the role of',
    removed: 'removed',
    'look-rule': 'changed who may look:',
    'password-changed': 'changed the password',
    'password-link': 'made a password link for',
    'sessions-ended': 'ended sessions',
    exported: 'saved the job as a file',
    shared: 'shared by link with',
    'share-opened': 'a shared link was opened by',
    restored: 'restored from a package, signed by key',
    brought: 'brought in with a package, signed by key',
    'other-log': 'a device holds a head of another log than this one',
    'job-deleted': 'deleted the job',
    'job-put-back': 'put the job back',
    'job-archived': 'put the job into the archive',
    'job-taken-out': 'took the job out of the archive',
    'shelf-keeper': 'made keeper of the shelf:',
    'own-data': 'took out own data',
    erased: 'erased the account',
  } satisfies Record<AuditAction, string>,
  deleteJob: 'Delete this job',
  deleteNote: (days: number) =>
    `Nobody can open it any more. Owners can put it back within ${days} days; then it is gone with all its records and pictures.`,
  deleteName: 'To be sure, type the name of the job',
  deleteSubmit: 'Delete the job',
  deleteWrong: 'That is not the name of the job. Nothing was deleted.',
  look: 'Who may look at a stop',
  lookRules: {
    'not-the-doer': 'anyone but whoever did the work, or the lead',
    inspector: 'inspector or lead only',
    anyone: 'anyone who may look',
  },
  save: 'Save',
  saved: 'Saved.',
};

export const inviteWords = {
  title: (job: string) => `You are invited to “${job}”`,
  role: (role: string) => `as ${role}.`,
  already:
    'You are in this job already, with this role or a greater one. The link stays for whom it was meant.',
  open: 'Open the job',
  gone: 'This link was used already, or its seven days are over. Ask for a new one.',
  join: 'Join',
  register: 'Make an account and join',
  have: 'I have an account: sign in first',
  name: 'Your name, as it shall stand under entries',
  taken: 'There is an account with this e-mail. Sign in, then open the link again.',
  incomplete: (least: number) => `Enter name and e-mail, and a password of at least ${least} characters.`,
};

/** What is wrong with a new password. */
export const passwordWords = {
  'too-short': 'The password is too short: at least 10 characters.',
  'too-long': 'The password is too long: at most 200 characters.',
  'too-common':
    'This password is among the first that anybody would try. Take a longer one, or a few words that do not belong together.',
};

export const newPasswordWords = {
  title: 'A new password',
  lead: (name: string) => `For the account of ${name}. All its devices are signed out.`,
  submit: 'Set the password',
  gone: 'This link was used already, taken back, or its two days are over. Ask for a new one.',
};

export const accountWords = {
  sessions: 'Where you are signed in',
  own: 'this one',
  gone: 'That is over already.',
  since: (when: string) => `since ${when}`,
  unknownAgent: 'Something that does not say what it is',
  phone: 'Phone or tablet',
  computer: 'Computer',
  end: 'End',
  data: 'Everything that is kept of you, as a file',
  erase: 'Erase this account',
  eraseNote:
    'Your name and e-mail are taken out for good. What you recorded stays in its jobs, as from “an erased account”. It cannot be undone.',
  eraseSubmit: 'Erase for good',
  askErase: 'Erase this account for good?',
  onlyOwner: 'You are the only owner of a job. Make somebody else owner, or delete the job, first.',
  title: 'Your account',
  old: 'Password now',
  next: 'New password',
  change: 'Change the password',
  changed: 'The password is changed. All other devices are signed out.',
  wrong: 'The password now is not right. Nothing was changed.',
  short: (least: number) => `The new password needs at least ${least} characters.`,
  everywhere: 'Sign out everywhere',
  everywhereNote: 'Ends every session of yours, this one too.',
};
