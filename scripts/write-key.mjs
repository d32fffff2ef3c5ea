/** Writes the key that signs logs to another file, encrypted under a passphrase from the terminal or HULVEK_PASSPHRASE. */
import { createPrivateKey } from 'node:crypto';
import { readFileSync, writeFileSync } from 'node:fs';
import { createInterface } from 'node:readline/promises';

const [from, to] = process.argv.slice(2);
const LEAST = 12;

async function passphrase() {
  if (process.env.HULVEK_PASSPHRASE) return process.env.HULVEK_PASSPHRASE;
  const ask = createInterface({ input: process.stdin, output: process.stderr });
  const said = await ask.question('Passphrase (12 characters or more): ');
  ask.close();
  return said;
}

const said = await passphrase();
if (said.length < LEAST) {
  process.stderr.write(`hulvek: a passphrase has ${LEAST} characters or more; nothing was written.\n`);
  process.exit(1);
}
const key = createPrivateKey(readFileSync(from));
const pem = key.export({ type: 'pkcs8', format: 'pem', cipher: 'aes-256-cbc', passphrase: said });
writeFileSync(to, pem, { mode: 0o600, flag: 'wx' });
