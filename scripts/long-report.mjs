// Adds a line about a long run to docs/validation/long-runs.md: what was run, how it ended, on which commit and seed.
import { execFileSync } from 'node:child_process';
import { existsSync, readFileSync, writeFileSync } from 'node:fs';

const [name, counts, seed] = process.argv.slice(2);
const file = new URL('../docs/validation/long-runs.md', import.meta.url);
const HEAD = `# Long runs

Written by \`./hulvek check --long [NAME]\`: every property and every count in full.

| day | what | passed | failed | commit | seed |
| --- | --- | --- | --- | --- | --- |
`;
const [passed, failed] = counts.split(' ');
const commit = execFileSync('git', ['rev-parse', '--short', 'HEAD']).toString().trim();
const changed = execFileSync('git', ['status', '--porcelain']).toString().trim() === '' ? '' : ' and changes';
const day = new Date().toISOString().slice(0, 10);
const before = existsSync(file) ? readFileSync(file, 'utf8') : HEAD;
writeFileSync(
  file,
  `${before}| ${day} | ${name} | ${passed} | ${failed} | ${commit}${changed} | ${seed} |\n`,
);
