// Fails when the lock file carries an address: packages come from whichever registry the machine is set up for.
import { readFileSync } from 'node:fs';

const lock = JSON.parse(readFileSync(new URL('../package-lock.json', import.meta.url), 'utf8'));
const named = Object.entries(lock.packages).filter(([, entry]) => /^[a-z+]+:\/\//.test(entry.resolved ?? ''));
for (const [name, entry] of named) console.error(`${name}: ${entry.resolved}`);
process.exit(named.length === 0 ? 0 : 1);
