/** What the bell tells. */
import type { Notice, NoticeKind } from '$lib/device/notices.ts';
import { stepText } from '@hulvek/core';
import { taskTitle } from './task-title.ts';

const step = ({ step: id }: Notice): string => (id === null ? '' : `“${stepText(id).title}”`);

export const noticeWords: Readonly<Record<NoticeKind, (notice: Notice) => string>> = {
  frozen: ({ by }) => `can be installed: ${by} has frozen its plan.`,
  'frozen-anew': ({ by }) =>
    `has another plan: ${by} has frozen it anew. Look at what changed before you go on.`,
  look: (notice) => `waits for a look at ${step(notice)}, done by ${notice.by}.`,
  note: (notice) => `has a note by ${notice.by} at ${step(notice)}.`,
  built: (notice) => `came out otherwise at ${step(notice)}, says ${notice.by}.`,
  fault: (notice) => `has a fault at ${step(notice)}, found by ${notice.by}.`,
  override: (notice) => `went on before its time at ${step(notice)}, by ${notice.by}.`,
  begins: (notice) => `begins soon: ${taskTitle(notice.step ?? '')}.`,
  'taken-back': (notice) => `${notice.by} took back what you entered at ${step(notice)}.`,
};
