/** Words of faults: found, mended, looked at again. */
export const punchWords = {
  add: 'Fault',
  title: 'Faults here',
  piece: 'At which piece',
  words: 'What is wrong, in words',
  severity: 'How bad',
  severities: {
    stops: 'stops what would cover it',
    noted: 'to be kept in mind',
  },
  owner: 'Who mends it',
  before: (step: string) => `To be mended before “${step}”, which covers it.`,
  never: 'Nothing of this plan covers it: mend it before the cladding does.',
  keep: 'Note the fault',
  cancel: 'Cancel',
  status: { open: 'open', mended: 'mended, to be looked at again', closed: 'closed' },
  mend: 'Mended',
  how: 'How it was mended',
  good: 'Looked again: good',
  bad: 'Looked again: not good',
  failed: (n: number) =>
    n === 1
      ? 'A mend was not good: look at this corner twice.'
      : `${n} mends were not good: look at this corner twice.`,
  found: (person: string, at: string) => `found by ${person}, ${at}`,
  mendedBy: (person: string, at: string) => `mended by ${person}, ${at}`,
  rechecked: (person: string, at: string) => `looked at again by ${person}, ${at}`,
  lead: 'Every fault that was noted in this job. Nobody keeps a list of tiny holes: what is not mended before it is covered never is.',
  none: 'No fault is noted.',
  noneOf: 'None of these.',
  show: 'Show',
  shows: { open: 'not closed', all: 'all' },
  person: 'Found by',
  anybody: 'anybody',
  day: 'Found on',
  anyDay: 'any day',
  count: (open: number, all: number) => `${open} not closed of ${all}`,
};

/** Words of what is measured at a step. */
export const measuredWords = {
  title: 'To measure',
  least: (value: string) => `at least ${value}`,
  most: (value: string) => `${value} at most`,
  keep: 'Keep',
  wrong: 'This does not read as a figure. Type it again, with its unit.',
  is: (value: string) => `measured ${value}`,
  times: (n: number) => `${n} times so far`,
  by: (person: string, at: string) => `by ${person}, ${at}`,
  accepted: (why: string) => `outside, and left so: ${why}`,
  accept: 'Leave it so, with the reason',
  why: 'Why it stays so',
};
