/** Words of signing in, and who belongs to a job. */

export const signInWords = {
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
  gone: 'This link was used already, or its seven days are over. Ask for a new one.',
  join: 'Join',
  register: 'Make an account and join',
  have: 'I have an account: sign in first',
  name: 'Your name, as it shall stand under entries',
  taken: 'There is an account with this e-mail. Sign in, then open the link again.',
  incomplete: (least: number) => `Enter name and e-mail, and a password of at least ${least} characters.`,
};

export const accountWords = {
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
