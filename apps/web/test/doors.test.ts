/** Small doors that stood open: where sign-in leads, who may use the demo, what a log keeps. */
import { describe, expect, it } from 'vitest';
import { mayUseDemo } from '../src/lib/server/demo-access.ts';
import { loggedError } from '../src/lib/server/log.ts';
import { nextPage } from '../src/lib/server/next-page.ts';

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
  ])('from %s with HULVEK_DEMO=%s: %s', (address, open, may) => expect(mayUseDemo(address, open)).toBe(may));
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
