/** A sealed log: what was changed is found, whatever it is; what was left out is no change. */
import { createHash, createPublicKey, hash, verify } from 'node:crypto';
import {
  canonical,
  hashWith,
  headText,
  logSchema,
  readBy,
  sha256Hex,
  verifyLog,
  withhold,
  type LogFile,
  type LogProblem,
} from '@hulvek/core';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { count, runs } from './support/count.ts';
import { KEY, sealedLog, signed } from './support/sealed-log.ts';

const LOG = sealedLog(60);
const SMALL = sealedLog(8);
const codes = (log: LogFile, held: Parameters<typeof verifyLog>[1] = []): LogProblem['code'][] =>
  verifyLog(log, held).problems.map(({ code }) => code);
const copy = (): LogFile => structuredClone(LOG);

describe('canonical text', () => {
  // RFC 8785, appendix and section 3.2.3: keys by their UTF-16 code units, figures as ECMAScript writes them. From memory.
  it.each([
    [{ b: 1, a: 2 }, '{"a":2,"b":1}'],
    [
      { '€': 1, '\r': 2, '\ufb33': 3, '1': 4, '😀': 5, '\u0080': 6, ö: 7 },
      '{"\\r":2,"1":4,"\u0080":6,"ö":7,"€":1,"😀":5,"\ufb33":3}',
    ],
    [[333333333.3333333, 1e30, 4.5, 0.002, 1e-27], '[333333333.3333333,1e+30,4.5,0.002,1e-27]'],
    [{ literals: [null, true, false] }, '{"literals":[null,true,false]}'],
  ])('%j', (value, text) => expect(canonical(value)).toBe(text));

  it('is digested as any other program would', () => {
    expect(sha256Hex('abc')).toBe('ba7816bf8f01cfea414140de5dae2223b00361a396177a9cb410ff61f20015ad');
    expect(sha256Hex('grün 😀')).toBe(createHash('sha256').update('grün 😀').digest('hex'));
  });
});

describe('a log', () => {
  it('that nobody touched verifies, and its head by the platform’s own crypto too', () => {
    expect(readBy(logSchema, JSON.parse(JSON.stringify(LOG)))).toMatchObject({ ok: true });
    expect(verifyLog(LOG)).toMatchObject({ problems: [], gaps: [], receipts: 61, hidden: 0 });
    const { head } = LOG;
    if (!head) throw new Error('no head');
    const x = Buffer.from(KEY, 'base64').toString('base64url');
    const key = createPublicKey({ key: { kty: 'OKP', crv: 'Ed25519', x }, format: 'jwk' });
    expect(verify(null, Buffer.from(headText(head)), key, Buffer.from(head.signature, 'base64'))).toBe(true);
  });

  it('with any one character of any entry, receipt or head changed is found', () => {
    const text = JSON.stringify(SMALL);
    const from = text.indexOf('"head"');
    fc.assert(
      fc.property(
        fc.integer({ min: from, max: text.length - 1 }),
        fc.constantFrom('0', '1', 'a', 'f', 'x'),
        (i, c) => {
          fc.pre(text[i] !== c && /[0-9a-zA-Z]/.test(text[i] ?? ''));
          const changed = `${text.slice(0, i)}${c}${text.slice(i + 1)}`;
          let value: unknown;
          try {
            value = JSON.parse(changed);
          } catch {
            return;
          }
          // Figures that are written otherwise and are the same figure are no change.
          fc.pre(canonical(value) !== canonical(SMALL));
          const read = readBy(logSchema, value);
          if (!read.ok) return;
          // What a device says of the record before it is told as a gap; all else is a problem.
          const { problems, gaps } = verifyLog(read.value);
          expect(problems.length + gaps.length, changed.slice(i - 40, i + 40)).toBeGreaterThan(0);
        },
      ),
      runs(3000, 300),
    );
  });

  it.each([
    ['an entry taken out', (log: LogFile) => log.entries.splice(20, 1), ['missing-entry']],
    [
      'an entry put in',
      (log: LogFile) => log.entries.push({ ...log.entries[3], id: '00000000-0000-4000-8000-000000000000' }),
      ['no-receipt'],
    ],
    ['an entry twice', (log: LogFile) => log.entries.push(structuredClone(log.entries[5]!)), ['twice']],
    ['a receipt taken out', (log: LogFile) => log.receipts.splice(20, 1), ['receipt', 'no-receipt']],
    [
      'two receipts swapped',
      (log: LogFile) => log.receipts.splice(20, 2, log.receipts[21]!, log.receipts[20]!),
      ['receipt'],
    ],
    ['no head', (log: LogFile) => Object.assign(log, { head: null }), ['no-head']],
  ] as const)('with %s is found', (_, change, found) => {
    const log = copy();
    change(log);
    expect(codes(log)).toEqual(expect.arrayContaining([...found]));
  });

  it('cut off and signed anew is found by whoever kept a head, and by nobody else', () => {
    const log = copy();
    log.receipts.splice(50);
    log.entries.splice(49);
    const last = log.receipts.at(-1);
    const again = signed({ job: log.job, seq: 50, head: last?.head ?? '', at: '2026-11-30T00:00:00.000Z' });
    const short = { ...log, head: again };
    expect(codes(short)).toEqual([]);
    expect(codes(short, [LOG.head!])).toEqual(['head']);
    expect(codes(LOG, [again])).toEqual([]);
    expect(codes(LOG, [{ ...again, job: 'another' }])).toEqual(
      expect.arrayContaining(['other-job', 'signature']),
    );
  });

  it('verifies with fields left out, tells how many, and gives no salt by which they could be guessed', () => {
    const bare = withhold(LOG, ['note', 'account', 'device']);
    expect(verifyLog(bare)).toMatchObject({ problems: [], hidden: 60 });
    const text = JSON.stringify(bare);
    expect(text).not.toContain('seen by hand');
    for (const { salts } of bare.receipts.slice(1)) expect(Object.keys(salts)).not.toContain('*');
    for (const { salts } of bare.receipts.slice(1)) expect(Object.keys(salts)).not.toContain('note');
    const changed = structuredClone(bare);
    changed.entries[7]!.hidden!.note = '0'.repeat(64);
    expect(codes(changed)).toEqual(['entry']);
    // A changed field beside what the true one was sealed to is no field that was left out.
    const forged = structuredClone(bare);
    forged.entries[7]!.note = 'never said';
    expect(codes(forged)).toEqual(['entry']);
  });

  it('of a device whose record is missing tells the gap as what it may be: refused, or no entry', () => {
    const entries = LOG.entries.filter((_, i) => i !== 10);
    expect(verifyLog({ ...LOG, entries }).gaps).toEqual([
      { device: expect.any(String), entry: LOG.entries[11]?.id },
    ]);
  });

  it('is verified alike by the library and by the platform, of as many entries as a season has', () => {
    const large = sealedLog(count(10_000, 400));
    expect(verifyLog(large).problems).toEqual([]);
    hashWith((text) => hash('sha256', text));
    expect(verifyLog(large).problems).toEqual([]);
    expect(codes({ ...large, receipts: large.receipts.slice(0, -1) })).toEqual([
      'no-receipt',
      'head',
      'no-head',
    ]);
  });
});
