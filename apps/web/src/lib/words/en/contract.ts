/** Words of the server: why something was not done. */
import type { Refused } from '$lib/contract/refused.ts';
import type { Maker, Oddity } from '@hulvek/core';

export const errorsWords = {
  otherOrigin: 'This request came from another site and was not carried out.',
  signedOut: 'You are signed out. Sign in again; what you entered is kept on this device.',
  notAllowed: 'Your role in this job does not allow this. Ask the owner of the job.',
  notKeeper:
    'Only keepers of the shelf write on what all jobs take from. Ask one of them; your job has it already.',
  notInJob: {
    wall: 'This wall is not in the job any more. Choose another one.',
    unit: 'This unit is not in the job any more. Choose another one.',
    method: 'This method is not in the job any more. Choose another one.',
  },
  later: 'Very many send at once. What you entered is kept on this device and sent again by itself.',
  notFound: 'There is nothing at this address.',
  unexpected: 'Something went wrong on the server. What you entered is kept on this device; try again.',
  noJob: 'There is no such job.',
  noOpening: 'There is no such opening in this job.',
  noPlan: 'This opening cannot be planned yet. Add what the Measure stage names as missing.',
  tooLarge: 'This is more than the server takes at once. Send less.',
  noPhoto: 'There is no such picture in this job.',
  unstorable: 'A field holds characters that cannot be stored. Type it again.',
  badRequest: 'The server could not read this request.',
  reasonNeeded:
    'This opening fails a check, or something of it is not known. Read what, and write why work begins all the same.',
  markInList: 'Marks are changed in the list of openings, where all of them are seen.',
  otherName: 'A departure from a rule can only be accepted in one’s own name.',
  frozenMeanwhile: 'Somebody froze this plan meanwhile. Reload the page.',
  title: 'That did not work',
  id: 'Number for whoever looks after the server:',
  back: 'To the jobs',
};

/** Who made a record, where no name is known. */
export const makerWords = {
  erased: 'an erased account',
  unknown: 'not recorded',
  account: 'an account',
};

/** Who made a record: of one that came in with a file whoever brought it too. */
export const madeBy = ({ person, brought }: Maker): string =>
  brought
    ? `${person} (brought by ${brought.by}${brought.from === '' ? '' : ` from ${brought.from}`})`
    : person;

/** When the server took a record, and what does not fit about its time. */
export const clockWords = {
  received: (when: string) => `on the server ${when}`,
  oddities: {
    'before-the-plan': 'dated before its plan was frozen',
    'in-the-future': 'dated after the server took it',
    'against-the-counter': 'dated before something that this device made earlier',
  } satisfies Record<Oddity, string>,
};

export const refusalsWords: Record<Refused, string> = {
  'unknown-step': 'This step is not in the frozen plan. Reload the page.',
  blocked: 'Something before this step is still open. It is named on the card.',
  'not-ticked': 'Tick the step first; then somebody can look at it.',
  'no-hold-point': 'Nobody has to look at this step.',
  'nothing-to-undo': 'That entry was taken back already.',
  'later-step-done': 'A later step rests on this one. Take the later one back first.',
  'reason-needed': 'Say why the waiting time is cut short.',
  'text-needed': 'The note is empty.',
  'built-needed': 'Say which piece of this step, and what is otherwise.',
  'no-fault': 'There is no such fault to mend or to look at again.',
  'not-checked': 'The test does not begin before every line of its safety list is seen to.',
  'facts-needed': 'What belongs to this entry is missing, or is about another step.',
  'no-rest': 'No waiting time is running here.',
  'not-started': 'Freeze the plan first; entries refer to it.',
  'not-the-looker':
    'Somebody else must look at this one: in this job not whoever did the work, or only an inspector.',
  'no-opening': 'There is no such opening in this job any more.',
  'not-allowed': 'Your role in this job does not allow this. Ask the owner of the job.',
  'other-job': 'An entry with this number stands in another job. Enter it again.',
  'other-content': 'An entry with this number stands here already and says something else. Enter it again.',
  'not-a-picture':
    'This is not a whole JPEG, PNG or WebP picture of at most 4 MiB and 1600 px a side, without data of place or camera. Take it again.',
};

/** What stands in somebody's calendar file. */
export const feedWords = {
  look: (title: string) => `look at ${title}`,
};
