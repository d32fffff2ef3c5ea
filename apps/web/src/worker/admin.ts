/** For whoever runs the server: accounts and password links, `./hulvek account …`. */
import { randomBytes } from 'node:crypto';
import { database, migrateDatabase } from '../lib/server/db/index.ts';
import { createUser, userByEmail } from '../lib/server/services/accounts.ts';
import { note } from '../lib/server/services/audit.ts';
import { makeKeeper } from '../lib/server/services/shelf.ts';
import { makeToken } from '../lib/server/services/tokens.ts';

const PASSWORD_DAYS = 2;
const [, , what = '', email = '', name = ''] = process.argv;
const base = process.env.ORIGIN ?? 'http://localhost:4173';

const db = database();
await migrateDatabase(db);

async function link(user: string): Promise<string> {
  await note(db, { action: 'password-link', user: null, about: user });
  return `${base}/password/${await makeToken(db, { kind: 'password', user, madeBy: null, days: PASSWORD_DAYS })}`;
}

async function run(): Promise<string> {
  const user = email === '' ? null : await userByEmail(db, email);
  if (what === 'new' && email !== '' && name !== '') {
    // Nobody knows this one: the link sets another.
    const password = randomBytes(32).toString('base64url');
    const made = await createUser(db, { email, name, password });
    if (made === null) throw new Error('There is an account with this e-mail.');
    return `Made. The password is set with this link, once, within ${PASSWORD_DAYS} days:\n${await link(made)}`;
  }
  if (user === null) throw new Error('There is no account with this e-mail.');
  if (what === 'password')
    return `A new password is set with this link, once, within ${PASSWORD_DAYS} days:\n${await link(user)}`;
  if (what === 'keeper' && (await makeKeeper(db, email, null))) return `${email} keeps the shelf now.`;
  throw new Error('account new EMAIL NAME · account password EMAIL · account keeper EMAIL');
}

try {
  process.stdout.write(`${await run()}\n`);
} catch (error) {
  process.stderr.write(`${error instanceof Error ? error.message : String(error)}\n`);
  process.exitCode = 1;
}
await db.$client.end();
