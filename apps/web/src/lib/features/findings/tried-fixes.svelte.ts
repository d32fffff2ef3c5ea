/** Fixes planned when somebody asks for them, in a worker that all lists of findings share. */
import type { Finding, Plan, TriedFix } from '@hulvek/core';
import type { FixAnswer, FixRequest } from './fixes-messages.ts';

type Wait = (fixes: FixAnswer['fixes']) => void;

const waiting = new Map<number, Wait>();
let worker: Worker | null = null;
let asked = 0;

function open(): Worker {
  const own = new Worker(new URL('./fixes.worker.ts', import.meta.url), { type: 'module' });
  own.onmessage = ({ data }: MessageEvent<FixAnswer>) => {
    waiting.get(data.id)?.(data.fixes);
    waiting.delete(data.id);
  };
  // What breaks is opened anew with the next question; whoever waits is told.
  own.onerror = () => {
    own.terminate();
    if (worker === own) worker = null;
    for (const tell of waiting.values()) tell(null);
    waiting.clear();
  };
  return own;
}

/** @returns `null` where the fixes could not be planned */
export function triedFixes(plan: Plan, finding: Finding): Promise<readonly TriedFix[] | null> {
  worker ??= open();
  asked += 1;
  const request: FixRequest = {
    id: asked,
    opening: $state.snapshot(plan.opening) as FixRequest['opening'],
    job: $state.snapshot(plan.job) as FixRequest['job'],
    finding: $state.snapshot(finding) as Finding,
  };
  const answer = new Promise<FixAnswer['fixes']>((resolve) => waiting.set(request.id, resolve));
  worker.postMessage(request);
  return answer;
}
