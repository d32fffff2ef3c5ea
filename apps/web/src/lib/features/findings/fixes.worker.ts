/** Plans the fixes of a finding beside the page: each costs a plan of its own. */
import { fixesFor, planOpening } from '@hulvek/core';
import type { FixAnswer, FixRequest } from './fixes-messages.ts';

const say = (answer: FixAnswer) => postMessage(answer);

onmessage = ({ data: { id, opening, job, finding } }: MessageEvent<FixRequest>) => {
  try {
    say({ id, fixes: fixesFor({ opening, job, findings: planOpening(opening, job).findings }, finding) });
  } catch (problem) {
    say({ id, fixes: null });
    throw problem;
  }
};
