/**
 * Makes the fixture of best plans of cuts: npx tsx packages/core/test/references/make-cut-optima.ts [wanted] [seconds]
 * Files that the solver does not come to an end with are passed over.
 */
import { existsSync, readFileSync, writeFileSync } from 'node:fs';
import loadHighs from 'highs';
import { smallStock } from '../support/stock-files.ts';
import { cutOptimum } from './cut-optimum.ts';

const [wanted = 300, seconds = 30] = process.argv.slice(2).map(Number);
const file = new URL('../fixtures/cut-optima.json', import.meta.url);
const known: Record<string, readonly number[]> = existsSync(file)
  ? JSON.parse(readFileSync(file, 'utf8'))
  : {};
for (let seed = 1; Object.keys(known).length < wanted; seed++) {
  if (known[seed]) continue;
  const optimum = cutOptimum(smallStock(seed), await loadHighs(), seconds);
  if (!optimum) {
    console.log(seed, 'not in time');
    continue;
  }
  known[seed] = optimum;
  const lines = Object.entries(known)
    .sort(([a], [b]) => Number(a) - Number(b))
    .map(([own, one]) => `  "${own}": ${JSON.stringify(one)}`);
  writeFileSync(file, `{\n${lines.join(',\n')}\n}\n`);
}
