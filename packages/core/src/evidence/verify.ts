/** Whether a log is what was sealed: entry by entry, receipt by receipt, head by head. It says no more than it looked at. */
import { ed25519 } from '@noble/curves/ed25519.js';
import { utf8ToBytes } from '@noble/hashes/utils.js';
import {
  commitmentsOf,
  deviceDigestOf,
  digestOf,
  headOf,
  headText,
  saidBy,
  saltOf,
  type Commitments,
  type Said,
} from './digest.ts';
import type { SignedHead } from '../documents/day.ts';
import type { LogFile, Receipt } from './document.ts';

export type LogProblem =
  /** A receipt that is not the next one, or names another head than follows from it. */
  | { readonly code: 'receipt'; readonly seq: number }
  /** What an entry says is not what its receipt sealed. */
  | { readonly code: 'entry'; readonly seq: number; readonly entry: string }
  /** A receipt without its entry, or an entry without a receipt. */
  | { readonly code: 'missing-entry'; readonly seq: number; readonly entry: string }
  | { readonly code: 'no-receipt'; readonly entry: string }
  | { readonly code: 'twice'; readonly entry: string }
  /** A head that is not of this log: cut off, or another one. */
  | { readonly code: 'head'; readonly seq: number; readonly head: string }
  | { readonly code: 'signature'; readonly seq: number }
  | { readonly code: 'other-key'; readonly seq: number }
  | { readonly code: 'other-job'; readonly seq: number }
  | { readonly code: 'no-head' };

/** Of records of one device that do not follow each other: one may have been refused, or not be here. */
export interface DeviceGap {
  readonly device: string;
  readonly entry: string;
}

export interface LogVerdict {
  readonly problems: readonly LogProblem[];
  readonly gaps: readonly DeviceGap[];
  /** Receipts, and entries of which fields are left out. */
  readonly receipts: number;
  readonly hidden: number;
  readonly firstBlock: number;
  /** The newest head that holds, and the keys that sign. */
  readonly head: SignedHead | null;
}

export const bytesOf = (base64: string): Uint8Array | null => {
  try {
    return Uint8Array.from(atob(base64), (char) => char.charCodeAt(0));
  } catch {
    return null;
  }
};

/** Whether a head bears the signature of its key. */
export function isSigned(head: SignedHead): boolean {
  const [signature, key] = [bytesOf(head.signature), bytesOf(head.key)];
  if (signature?.length !== 64 || key?.length !== 32) return false;
  try {
    return ed25519.verify(signature, utf8ToBytes(headText(head)), key);
  } catch {
    return false;
  }
}

/**
 * Returns everything that does not fit.
 *
 * @param held heads that somebody kept from before: each must be one of this log's
 */
export function verifyLog(log: LogFile, held: readonly SignedHead[] = []): LogVerdict {
  const problems: LogProblem[] = [];
  const entries = new Map<string, LogFile['entries'][number]>();
  for (const entry of log.entries) {
    if (entries.has(entry.id)) problems.push({ code: 'twice', entry: entry.id });
    entries.set(entry.id, entry);
  }
  const heads = new Map<number, string>([[0, '']]);
  const keys = new Map<number, string>();
  const sealed = new Set<string>();
  /** What each entry was sealed to, field by field. */
  const seals = new Map<string, Commitments>();
  let previous = '';
  for (const [i, receipt] of log.receipts.entries()) {
    const { seq, entry, received, by, of } = receipt;
    const follows = headOf({ job: log.job, seq, previous, entry, received, by });
    if (seq !== i + 1 || follows !== receipt.head) problems.push({ code: 'receipt', seq });
    previous = receipt.head;
    heads.set(seq, receipt.head);
    if ('key' in of) {
      keys.set(seq, of.key);
      if (digestOf({ key: of.key }) !== entry) problems.push({ code: 'receipt', seq });
      continue;
    }
    if (sealed.has(of.entry)) problems.push({ code: 'twice', entry: of.entry });
    sealed.add(of.entry);
    const told = entries.get(of.entry);
    if (!told) problems.push({ code: 'missing-entry', seq, entry: of.entry });
    else {
      const seal = sealOf(told, receipt);
      seals.set(of.entry, seal);
      if (digestOf(seal) !== entry) problems.push({ code: 'entry', seq, entry: of.entry });
    }
  }
  for (const id of entries.keys()) if (!sealed.has(id)) problems.push({ code: 'no-receipt', entry: id });
  if (log.head === null && log.receipts.length > 0) problems.push({ code: 'no-head' });
  for (const head of [...(log.head ? [log.head] : []), ...held]) {
    if (head.job !== log.job) problems.push({ code: 'other-job', seq: head.seq });
    else if (heads.get(head.seq) !== head.head)
      problems.push({ code: 'head', seq: head.seq, head: head.head });
    if (!isSigned(head)) problems.push({ code: 'signature', seq: head.seq });
    const own = [...keys].filter(([seq]) => seq <= head.seq).at(-1)?.[1];
    if (own !== undefined && own !== head.key) problems.push({ code: 'other-key', seq: head.seq });
  }
  if (log.head && log.head.seq !== log.receipts.length) problems.push({ code: 'no-head' });
  return {
    problems,
    gaps: gapsOf(log.entries, seals),
    receipts: log.receipts.length,
    hidden: log.entries.filter(({ hidden }) => hidden !== undefined).length,
    firstBlock: log.firstBlock,
    head: log.head,
  };
}

/**
 * What a receipt seals: fields that are there by what they say, fields that are left out by what they were sealed to. A field
 * that is there speaks for itself, whatever stands beside it for one that is left out.
 */
const sealOf = ({ hidden = {}, ...told }: LogFile['entries'][number], { salts }: Receipt): Commitments => ({
  ...hidden,
  ...commitmentsOf(told as Said, salts),
});

function gapsOf(entries: LogFile['entries'], seals: ReadonlyMap<string, Commitments>): DeviceGap[] {
  const byDevice = new Map<string, { count: number; entry: LogFile['entries'][number] }[]>();
  for (const entry of entries) {
    const { device, count } = entry as { device?: unknown; count?: unknown };
    if (typeof device !== 'string' || typeof count !== 'number') continue;
    const own = byDevice.get(device) ?? [];
    own.push({ count, entry });
    byDevice.set(device, own);
  }
  return [...byDevice].flatMap(([device, own]) => {
    own.sort((a, b) => a.count - b.count);
    return own.flatMap(({ entry }, i): DeviceGap[] => {
      const before = own[i - 1]?.entry;
      const named = entry.previous;
      if (typeof named !== 'string' || named === '') return [];
      const seal = before && seals.get(before.id);
      const is = seal ? deviceDigestOf(seal) : null;
      return is === named ? [] : [{ device, entry: entry.id }];
    });
  });
}

/**
 * Returns the log with some fields of every entry, or of some of them, left out. What is left out stands as what it was sealed to, without the
 * salt that would let it be guessed; all else verifies as before.
 */
export function withhold(
  log: LogFile,
  fields: readonly string[] | ((said: Said) => readonly string[]),
): LogFile {
  const receipts = new Map(
    log.receipts.flatMap((one) => ('entry' in one.of ? [[one.of.entry, one] as const] : [])),
  );
  const entries = log.entries.map((entry) => {
    const said = saidBy(entry);
    const hide = (typeof fields === 'function' ? fields(said) : fields).filter(
      (field) => field !== 'id' && said[field] !== undefined && said[field] !== null,
    );
    const salts = receipts.get(entry.id)?.salts ?? {};
    if (hide.length === 0) return { ...said, id: entry.id };
    const sealed = commitmentsOf(said, salts);
    const left = Object.fromEntries(Object.entries(said).filter(([field]) => !hide.includes(field)));
    return {
      ...left,
      id: entry.id,
      hidden: Object.fromEntries(hide.map((field) => [field, sealed[field] ?? ''])),
    };
  });
  const hidden = new Map(
    entries.map((entry) => [entry.id, (entry as { hidden?: object }).hidden !== undefined]),
  );
  const byId = new Map(entries.map((entry) => [entry.id, entry]));
  return {
    ...log,
    entries,
    receipts: log.receipts.map((receipt) => {
      const id = 'entry' in receipt.of ? receipt.of.entry : '';
      const entry = byId.get(id);
      if (!hidden.get(id) || !entry) return receipt;
      const shown = Object.keys(entry).filter((field) => field !== 'hidden');
      return {
        ...receipt,
        salts: Object.fromEntries(shown.map((field) => [field, saltOf(receipt.salts, field)])),
      };
    }),
  };
}
