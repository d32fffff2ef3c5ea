/** Plans cuts beside the page; a worker that is at it cannot be interrupted, only ended. */
import { cutPlan } from '@hulvek/core';
import loadHighs from 'highs';
import runtime from 'highs/runtime?url';
import type { CutAsk, CutTold } from './cutting-messages.ts';

onmessage = ({ data }: MessageEvent<CutAsk>) => {
  const say = (told: CutTold) => postMessage(told);
  // A fresh one each time: a solver keeps what memory it once took.
  loadHighs({ locateFile: () => runtime })
    .then((solver) => {
      const { id, line, supply, done, seconds } = data;
      const plan = cutPlan({ line, supply, done }, solver, { now: () => performance.now(), seconds });
      say({ id, plan, failed: false });
    })
    .catch((problem: unknown) => {
      say({ id: data.id, failed: true });
      throw problem;
    });
};
