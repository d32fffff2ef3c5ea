/**
 * Makes the fixture of best plans: npx tsx packages/core/test/references/make-work-optima.ts [wanted] [seconds]
 * Jobs that the solver does not come to an end with are passed over.
 */
import { existsSync, readFileSync, writeFileSync } from 'node:fs';
import loadHighs from 'highs';
import { smallJob } from '../support/work-jobs.ts';
import { optimumOf } from './work-optimum.ts';

const [wanted = 200, seconds = 60] = process.argv.slice(2).map(Number);
const file = new URL('../fixtures/work-optima.json', import.meta.url);
const known: Record<string, readonly number[]> = existsSync(file)
  ? JSON.parse(readFileSync(file, 'utf8'))
  : {};
for (let seed = 1; Object.keys(known).length < wanted; seed++) {
  if (known[seed]) continue;
  const began = performance.now();
  // A new one for each: the solver keeps what it once took of memory.
  const highs = await loadHighs();
  const optimum = optimumOf(smallJob(seed), highs, seconds);
  if (!optimum) {
    console.log(seed, 'not in time');
    continue;
  }
  known[seed] = optimum;
  console.log(seed, known[seed], `${Math.round(performance.now() - began)} ms`);
  const lines = Object.entries(known)
    .sort(([a], [b]) => Number(a) - Number(b))
    .map(([own, optimum]) => `  "${own}": ${JSON.stringify(optimum)}`);
  writeFileSync(file, `{\n${lines.join(',\n')}\n}\n`);
}
