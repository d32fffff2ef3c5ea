/** Small doors that stood open: where sign-in leads, who may use the demo, what a log keeps. */
import { instant, versionNumber, versionsBefore } from '@hulvek/core';
import { describe, expect, it } from 'vitest';
import { passwordProblem } from '../src/lib/server/services/passwords.ts';
import { formFields } from '../src/lib/server/body.ts';
import { mayUseDemo } from '../src/lib/server/demo-access.ts';
import { loggedError } from '../src/lib/server/log.ts';
import { nextPage } from '../src/lib/server/next-page.ts';
import { slowBy } from '../src/lib/server/services/records.ts';

describe('after signing in', () => {
  it.each([
    ['/jobs/skarv-point?tab=board', '/jobs/skarv-point?tab=board'],
    ['/jobs/%C3%A5', '/jobs/%C3%A5'],
    [null, '/jobs'],
    ['', '/jobs'],
    ['https://elsewhere.invalid/', '/jobs'],
    ['//elsewhere.invalid', '/jobs'],
    ['/\\elsewhere.invalid', '/jobs'],
    ['/\t/elsewhere.invalid', '/jobs'],
    ['/\n/elsewhere.invalid', '/jobs'],
    ['/\r\n/elsewhere.invalid', '/jobs'],
    ['/..//elsewhere.invalid', '/jobs'],
    ['javascript:alert(1)', '/jobs'],
  ])('%j leads to %s', (wanted, to) => expect(nextPage(wanted)).toBe(to));
});

describe('the demo', () => {
  it.each([
    ['127.0.0.1', 'on', true],
    ['127.9.8.7', 'on', true],
    ['::1', 'on', true],
    ['::ffff:127.0.0.1', 'on', true],
    ['192.168.1.20', 'on', false],
    ['::ffff:10.0.0.4', 'on', false],
    ['1270.0.0.1', 'on', false],
    ['192.168.1.20', 'open-to-everybody', true],
    ['192.168.1.20', 'yes', false],
  ])('from %s with HULVEK_DEMO=%s: %s', (address, open, may) =>
    expect(mayUseDemo(address, new Headers(), { open, trusted: undefined })).toBe(may),
  );

  it('is not let in by a proxy on this machine, unless it is said which header to trust', () => {
    const passed = new Headers({ 'x-forwarded-for': '203.0.113.7' });
    expect(mayUseDemo('127.0.0.1', passed, { open: 'on', trusted: undefined })).toBe(false);
    expect(mayUseDemo('203.0.113.7', passed, { open: 'on', trusted: 'x-forwarded-for' })).toBe(false);
    expect(mayUseDemo('127.0.0.1', passed, { open: 'on', trusted: 'x-forwarded-for' })).toBe(true);
  });
});

describe('a new password', () => {
  it.each([
    ['level-and-plumb', null],
    ['kjh234kjhs', null],
    ['short', 'too-short'],
    ['password12', 'too-common'],
    ['1234567890', 'too-common'],
    ['qwertyuiop', 'too-common'],
    ['x'.repeat(201), 'too-long'],
  ])('%s: %s', (password, problem) => expect(passwordProblem(password)).toBe(problem));
  it('is not one’s own name', () =>
    expect(passwordProblem('MaretOunas', ['Maret Ounas', 'maret@demo.invalid'])).toBe('too-common'));
});

describe('a log', () => {
  it('keeps where and what failed, and none of the values that a query was asked with', () => {
    const query = new Error(
      'Failed query: insert into users values ($1, $2)\nparams: ines@demo.invalid,$argon2id$v=19$secret',
    );
    const detail = Object.assign(new Error('duplicate key: Key (email)=(ines@demo.invalid) already exists'), {
      code: '23505',
      parameters: ['ines@demo.invalid'],
    });
    const kept = JSON.stringify(
      loggedError(Object.assign(query, { cause: detail, query: 'x', params: ['secret'] })),
    );
    expect(kept).not.toMatch(/demo\.invalid|argon2|secret/);
    expect(kept).toContain('Failed query: insert into users');
    expect(kept).toContain('23505');
    expect(kept).toContain('doors.test.ts');
    expect(loggedError('text')).toEqual({ type: 'string' });
  });
});

describe('what no store can keep', () => {
  const sent = (fields: Record<string, string>): Request => {
    const form = new FormData();
    for (const [name, value] of Object.entries(fields)) form.set(name, value);
    return new Request('http://localhost/jobs', { method: 'POST', body: form });
  };

  it('a form with it is answered 400, any other is read', async () => {
    await expect(formFields(sent({ name: 'a\0b' }))).rejects.toMatchObject({ status: 400 });
    await expect(
      formFields(new Request('http://localhost/jobs', { method: 'POST', body: 'a=b' })),
    ).rejects.toMatchObject({ status: 400 });
    expect(await formFields(sent({ name: 'Mørk å', units: 'mm' }))).toEqual({ name: 'Mørk å', units: 'mm' });
  });

  it.each([
    ['0000-01-01T00:00:00Z', false],
    ['1899-12-31T23:59:59Z', false],
    ['9999-12-31T23:59:59Z', false],
    ['1970-01-01T00:00:00Z', true],
    ['2037-05-01T07:00:00+02:00', true],
  ])('a clock may say %s: %s', (at, may) => expect(instant.safeParse(at).success).toBe(may));

  it('a version is counted by what counts it', () => {
    for (const wrong of [2 ** 40, 2 ** 31, -1, 1.5]) {
      expect(versionNumber.safeParse(wrong).success).toBe(false);
      expect(versionsBefore.safeParse(wrong).success).toBe(false);
    }
    expect(versionNumber.safeParse(0).success).toBe(false);
    expect(versionsBefore.safeParse(0).success).toBe(true);
    expect(versionNumber.safeParse(1).success).toBe(true);
  });

  it('two clocks that are thousands of years apart still make a moment', () =>
    expect(
      ['1900-01-01T00:00:00Z', '9998-12-31T00:00:00Z'].map((sentAt) =>
        slowBy({ sentAt, now: new Date('2026-11-28T10:00:00Z') }),
      ),
    ).toEqual([2_000_000_000, -2_000_000_000]));
});
