/** A log as a server seals it, signed by a key of the test: made with the platform's own crypto, read by the core's. */
import { createHash, generateKeyPairSync, sign } from 'node:crypto';
import {
  commitmentsOf,
  deviceDigest,
  digestOf,
  headOf,
  headText,
  saidBy,
  SEED,
  type Entry,
  type LogFile,
  type Receipt,
  type Said,
  type SignedHead,
} from '@hulvek/core';

const { publicKey, privateKey } = generateKeyPairSync('ed25519');
export const KEY = Buffer.from(publicKey.export({ format: 'jwk' }).x ?? '', 'base64url').toString('base64');

const hex = (text: string): string => createHash('sha256').update(text).digest('hex');
const uuid = (text: string): string => {
  const h = hex(text);
  return `${h.slice(0, 8)}-${h.slice(8, 12)}-4${h.slice(13, 16)}-8${h.slice(17, 20)}-${h.slice(20, 32)}`;
};

export function entriesOf(count: number): Entry[] {
  let previous = '';
  return Array.from({ length: count }, (_, i) => {
    const salts = { [SEED]: hex(`salt ${i}`).slice(0, 32) };
    const entry = {
      id: uuid(`entry ${i}`),
      opening: `o-${i % 40}`,
      issue: 1,
      kind: i % 3 === 0 ? 'tick' : 'note',
      step: 'pan',
      undoes: null,
      at: new Date(Date.UTC(2026, 10, 1) + i * 60_000).toISOString(),
      note: i % 3 === 0 ? '' : `seen by hand, ${i}`,
      photo: null,
      device: uuid('device'),
      count: i + 1,
      previous,
      salts,
      app: 'test',
      account: uuid('account'),
      received: new Date(Date.UTC(2026, 10, 1) + i * 60_000 + 900).toISOString(),
      clock_s: 1,
      person: 'Tove Aas',
    } as unknown as Entry;
    previous = deviceDigest(entry as Said, salts);
    return entry;
  });
}

export function signed(head: Omit<SignedHead, 'signature' | 'key'>): SignedHead {
  return {
    ...head,
    key: KEY,
    signature: sign(null, Buffer.from(headText(head)), privateKey).toString('base64'),
  };
}

export function sealedLog(count: number, job = 'skarv-point'): LogFile {
  const entries = entriesOf(count);
  const receipts: Receipt[] = [];
  let previous = '';
  const add = (one: Omit<Receipt, 'seq' | 'head'>) => {
    const seq = receipts.length + 1;
    const head = headOf({ job, seq, previous, entry: one.entry, received: one.received, by: one.by });
    receipts.push({ ...one, seq, head });
    previous = head;
  };
  add({
    entry: digestOf({ key: KEY }),
    received: '2026-11-01T00:00:00.000Z',
    by: '-',
    salts: {},
    of: { key: KEY },
  });
  for (const entry of entries) {
    const salts = entry.salts ?? {};
    const digest = digestOf(commitmentsOf(saidBy(entry), salts));
    add({
      entry: digest,
      received: entry.received ?? '',
      by: entry.account ?? '-',
      salts,
      of: { entry: entry.id },
    });
  }
  const at = '2026-11-29T12:00:00.000Z';
  return {
    format: 'hulvek-log',
    version: 1,
    job,
    firstBlock: 0,
    head: signed({ job, seq: receipts.length, head: previous, at }),
    receipts,
    entries: entries.map((entry) => ({ ...saidBy(entry), id: entry.id })),
  };
}
