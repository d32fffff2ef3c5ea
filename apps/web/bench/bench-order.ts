/** How near plans of large seeded jobs come to what no plan can undercut, and how that falls: ./hulvek bench order [seconds] */
import { finishBound, Grounds, modelOf, planWork } from '@hulvek/core';
import { bigJob, bigJobs } from '../../../packages/core/test/support/big-jobs.ts';

const seconds = Number(process.argv[2] ?? 30);
/** Seconds at which the best so far is told. */
const TOLD_s = [0.5, 1, 2, 5, 10, 20, 30, 60];

for (const name of bigJobs) {
  const model = modelOf(bigJob(name));
  const bound = finishBound(new Grounds(model)).minute;
  const worked = (minute: number) => model.on[0]?.subarray(0, minute).reduce((sum, on) => sum + on, 0) ?? 0;
  const over = (finish: number) => `${((worked(finish) / worked(bound) - 1) * 100).toFixed(1)} %`;
  const began = performance.now();
  const since = () => (performance.now() - began) / 1000;
  const told: string[] = [];
  let [at, last, first] = [0, 0, 0];
  const tell = () => {
    while (at < TOLD_s.length && (TOLD_s[at] ?? 0) <= since()) told.push(`${TOLD_s[at++]} s ${over(last)}`);
  };
  const { score } = planWork(model, {
    enough: () => {
      tell();
      return since() > seconds;
    },
    onBetter: (plan) => {
      tell();
      if (last === 0) first = since();
      last = plan.score[2];
    },
  });
  tell();
  console.log(
    `${name}: 50 openings × 20 steps, ${score[0]} unplaced; first plan after ${Math.round(first * 1000)} ms; above the bound in working minutes: ${told.join(', ')}`,
  );
}
