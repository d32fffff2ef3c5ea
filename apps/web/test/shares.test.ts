/** What is shared by link: a link that is over, ended, guessed or of another kind opens nothing; what is asked comes back as it was typed. */
import { randomUUID } from 'node:crypto';
import { skarvPoint } from '@hulvek/core';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import type { ShareScope } from '../src/lib/contract/shared.ts';
import { sharedJob, sharedOpening } from '../src/lib/features/shared/view-shared.server.ts';
import { createUser } from '../src/lib/server/services/accounts.ts';
import { deleteJob, importJob, loadContext } from '../src/lib/server/services/jobs.ts';
import { loadParts } from '../src/lib/server/services/openings.ts';
import {
  answerQuestion,
  askQuestion,
  enterShare,
  makeShare,
  questionsOf,
  shareAt,
  shareBy,
  sharesIn,
} from '../src/lib/server/services/shares.ts';
import { digest, makeToken, revokeToken } from '../src/lib/server/services/tokens.ts';
import { mayOpenLink } from '../src/lib/server/services/tries.ts';
import { OwnDatabases } from './own-database.ts';

const databases = new OwnDatabases();
afterAll(() => databases.drop());
const db = await databases.migrated();
const JOB = 'skarv-point';
const scope: ShareScope = { to: 'Consultant <b>', names: false, pictures: true, openings: null };
let owner = '';

beforeAll(async () => {
  await importJob(db, skarvPoint());
  owner =
    (await createUser(db, { email: 'o@share.invalid', name: 'Oda Lie', password: 'not to be guessed' })) ??
    '';
});
const made = (over: Partial<{ days: number; scope: ShareScope }> = {}) =>
  makeShare(db, { job: JOB, madeBy: owner, scope, days: 7, ...over });

describe('a share', () => {
  it('opens for whoever has its link and its cookie, and for nobody else', async () => {
    const secret = await made();
    const other = await made();
    const share = await enterShare(db, secret);
    const id = share?.id ?? '';
    expect(await shareAt(db, id, secret)).toMatchObject({ job: JOB, scope });
    const feed = await makeToken(db, { kind: 'feed', job: JOB, user: owner, madeBy: owner, days: 7 });
    const guesses: [string, string | undefined][] = [
      [id, undefined],
      [id, ''],
      [id, 'x'.repeat(22)],
      [id, secret.slice(0, -1)],
      [id, `${secret}A`],
      [id, digest(secret)],
      [id, other],
      [id, feed],
      [randomUUID(), secret],
      [(await shareBy(db, other))?.id ?? '', secret],
    ];
    for (const [at, cookie] of guesses) expect(await shareAt(db, at, cookie), `${at} ${cookie}`).toBeNull();
    for (const text of [digest(secret), feed, secret.slice(1), ''])
      expect(await shareBy(db, text)).toBeNull();
  });

  it('that has run out, was ended, or whose job was deleted opens nothing, with the cookie of before either', async () => {
    const over = await made({ days: -1 });
    expect(await shareBy(db, over)).toBeNull();
    const ended = await made();
    const share = await enterShare(db, ended);
    expect(await revokeToken(db, JOB, share?.id ?? '')).toBe(true);
    expect(await enterShare(db, ended)).toBeNull();
    expect(await shareAt(db, share?.id ?? '', ended)).toBeNull();
    // Of another job nobody ends it.
    const kept = await made();
    expect(await revokeToken(db, 'another', (await shareBy(db, kept))?.id ?? '')).toBe(false);
    const file = skarvPoint();
    const gone = {
      ...file,
      job: { ...file.job, id: 'gone' as never },
      records: { readings: [], issues: [], entries: [] },
    };
    await importJob(db, gone);
    const lost = await makeShare(db, { job: 'gone', madeBy: owner, scope, days: 7 });
    const before = await enterShare(db, lost);
    expect(before).not.toBeNull();
    await deleteJob(db, 'gone', owner);
    expect(await shareAt(db, before?.id ?? '', lost)).toBeNull();
  });

  it('counts who went in, and not who only looked at the link', async () => {
    const secret = await made({ scope: { ...scope, to: 'Counted' } });
    for (let i = 0; i < 3; i++) await shareBy(db, secret);
    const visits = async () => (await sharesIn(db, JOB)).links.find(({ to }) => to === 'Counted');
    expect(await visits()).toMatchObject({ visits: 0, last: null });
    await enterShare(db, secret);
    await enterShare(db, secret);
    expect(await visits()).toMatchObject({ visits: 2 });
  });

  it('takes questions as they were typed, each link its own, up to a limit, and carries the answers', async () => {
    const [one, two] = [await enterShare(db, await made()), await enterShare(db, await made())];
    const text = `<script>alert('x')</script> “why” & 'so'\nnext line`;
    expect(await askQuestion(db, one!, { opening: 'skarv-s-05', text })).toBe(true);
    expect(await questionsOf(db, one!, 'skarv-s-05')).toMatchObject([{ question: text, answer: null }]);
    expect(await questionsOf(db, one!, null)).toEqual([]);
    expect(await questionsOf(db, two!, 'skarv-s-05')).toEqual([]);
    const [asked] = (await sharesIn(db, JOB)).questions;
    expect(asked).toMatchObject({ question: text, to: scope.to, opening: 'skarv-s-05' });
    const answer = { question: asked?.id ?? 0, answer: 'Because <i>', user: owner };
    expect(await answerQuestion(db, { job: 'another', ...answer })).toBe(false);
    expect(await answerQuestion(db, { job: JOB, ...answer })).toBe(true);
    expect(await questionsOf(db, one!, 'skarv-s-05')).toMatchObject([{ answer: 'Because <i>' }]);
    for (let i = 0; i < 80; i++) await askQuestion(db, two!, { opening: null, text: `q${i}` });
    expect((await questionsOf(db, two!, null)).length).toBe(60);
  });

  it('shows nobody’s name and no picture where that was not chosen', async () => {
    const context = (await loadContext(db, JOB))!;
    const parts = await loadParts(db, JOB);
    const at = '2026-11-30T10:00:00.000Z';
    const people = new Set(skarvPoint().records.entries.map(({ person }) => person));
    expect(people.size).toBeGreaterThan(1);
    const said = (names: boolean) =>
      JSON.stringify([
        sharedJob({ parts, context, scope: { ...scope, names }, at }),
        ...parts.map((part) =>
          sharedOpening({ parts: [part], context, scope: { ...scope, names, pictures: false }, at }),
        ),
      ]);
    const [bare, named] = [said(false), said(true)];
    for (const person of people) expect(bare).not.toContain(person);
    expect([...people].some((person) => named.includes(person))).toBe(true);
    expect(bare).not.toMatch(/"pictures":\["/);
  });

  it('is not guessed at without end from one address', async () => {
    const now = new Date('2026-11-30T10:00:00.000Z');
    const answers: boolean[] = [];
    for (let i = 0; i < 70; i++) answers.push(await mayOpenLink(db, '203.0.113.7', now));
    expect(answers.filter(Boolean)).toHaveLength(60);
    expect(await mayOpenLink(db, '203.0.113.8', now)).toBe(true);
    expect(await mayOpenLink(db, '203.0.113.7', new Date(now.getTime() + 16 * 60_000))).toBe(true);
  });
});
