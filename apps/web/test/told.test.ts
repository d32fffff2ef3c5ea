/** Links that tell notices: looking changes nothing, a name is kept as said, and whatever holds no more tells nothing. */
import { skarvPoint } from '@hulvek/core';
import { sql } from 'drizzle-orm';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { saidName, toldBody, type Told } from '../src/lib/contract/told.ts';
import { createUser } from '../src/lib/server/services/accounts.ts';
import { importJob } from '../src/lib/server/services/jobs.ts';
import { makeTold, sayRead, toldBy, toldIn } from '../src/lib/server/services/told.ts';
import { readToken, revokeToken } from '../src/lib/server/services/tokens.ts';
import { OwnDatabases } from './own-database.ts';

const databases = new OwnDatabases();
afterAll(() => databases.drop());
const db = await databases.migrated(await databases.empty());
const JOB = 'skarv-point';
const TOLD: Told = {
  to: 'whoever clads',
  lines: [{ text: 'The cap drains: leave it open.', where: 'S-01, S-02' }],
};
let madeBy = '';

beforeAll(async () => {
  await importJob(db, skarvPoint());
  madeBy =
    (await createUser(db, { email: 'a@told.invalid', name: 'Ane', password: 'not to be guessed' })) ?? '';
});
const link = async (kind: 'notice' | 'sign' = 'notice') => {
  const [secret = ''] = await makeTold(db, { job: JOB, kind, list: [TOLD], madeBy });
  return secret;
};

describe('a link to a notice', () => {
  it('tells what stood there when it was made, however often it is looked at, and nobody has said anything by that', async () => {
    const secret = await link();
    for (let n = 0; n < 3; n++) expect(await toldBy(db, 'notice', secret)).toEqual(TOLD);
    expect((await toldIn(db, JOB)).said).toEqual([]);
  });

  it('keeps a name as said by link, and is no entry of the log', async () => {
    const secret = await link();
    expect(await sayRead(db, secret, 'Foreman of the cladders')).toBe(true);
    expect((await toldIn(db, JOB)).said).toMatchObject([{ to: TOLD.to, name: 'Foreman of the cladders' }]);
    const [row] = (
      await db.execute(
        sql`select count(*)::int as n from entries where kind = 'look' and note like '%Foreman%'`,
      )
    ).rows;
    expect(row?.n).toBe(0);
    await expect(db.execute(sql`update acknowledgements set said = 'somebody else'`)).rejects.toThrow();
  });

  it('of a sign, guessed, ended, run out or of another kind tells nothing and takes no name', async () => {
    const [sign, ended, old] = [await link('sign'), await link(), await link()];
    const token = await readToken(db, 'notice', ended);
    expect(await revokeToken(db, JOB, token?.id ?? '')).toBe(true);
    const oldToken = await readToken(db, 'notice', old);
    await db.execute(
      sql`update tokens set expires_at = now() - interval '1 second' where id = ${oldToken?.id}`,
    );
    for (const secret of [sign, ended, old, 'guessed', `${ended}x`, '']) {
      expect(await toldBy(db, 'notice', secret), secret).toBeNull();
      expect(await sayRead(db, secret, 'Somebody'), secret).toBe(false);
    }
    expect(await toldBy(db, 'sign', sign)).toEqual(TOLD);
  });

  it('takes no more than forty names, and only what reads as one', async () => {
    const secret = await link();
    for (let n = 0; n < 40; n++) expect(await sayRead(db, secret, `Name ${n}`)).toBe(true);
    expect(await sayRead(db, secret, 'One more')).toBe(false);
    for (const bad of ['', ' ', 'A', 'two\nlines', 'x'.repeat(81), 'a\u0000b', '\u202Eab'])
      expect(saidName.safeParse(bad).success, JSON.stringify(bad)).toBe(false);
    expect(saidName.parse('  Åse Berg ')).toBe('Åse Berg');
  });

  it('is not made of what is empty or too much', () => {
    expect(toldBody.safeParse({ kind: 'notice', list: [] }).success).toBe(false);
    expect(toldBody.safeParse({ kind: 'notice', list: [{ to: 'x', lines: [] }] }).success).toBe(false);
    expect(toldBody.safeParse({ kind: 'invitation', list: [TOLD] }).success).toBe(false);
  });
});
