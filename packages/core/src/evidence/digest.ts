/**
 * Digests of records. Every field stands for itself behind a salt, so that one can be left out, or erased, and the rest still
 * says that nothing else was changed. Text is canonical JSON (RFC 8785: keys in order, figures as they are written here).
 */
import { sha256 } from '@noble/hashes/sha2.js';
import { bytesToHex, utf8ToBytes } from '@noble/hashes/utils.js';
import type { Entry } from '../documents/entry.ts';
import { canonical } from '../quantities/content-hash.ts';

type Hasher = (text: string) => string;
let hasher: Hasher = (text) => bytesToHex(sha256(utf8ToBytes(text)));

/** SHA-256 of a text, 64 digits. */
export const sha256Hex: Hasher = (text) => hasher(text);

/** SHA-256 of bytes, 64 digits: of a picture as a device keeps it, where a page has no digests of its own. */
export const sha256OfBytes = (bytes: Uint8Array): string => bytesToHex(sha256(bytes));

/** Where the platform digests faster than a library, by the same standard. */
export const hashWith = (own: Hasher): void => void (hasher = own);

/** By field; under `*` one that those of all fields come from, so that a record carries one and not fifteen. */
export type Salts = Readonly<Record<string, string>>;
export const SEED = '*';
const SALT_digits = 32;

export const saltOf = (salts: Salts, field: string): string =>
  salts[field] ??
  (salts[SEED] === undefined
    ? ''
    : sha256Hex(`{"field":${quoted(field)},"seed":${quoted(salts[SEED])}}`).slice(0, SALT_digits));

/** Fields are few, and their names come again and again: canonical text is put together from parts that are. */
const quotedNames = new Map<string, string>();
const MOST_NAMES = 500;
function quoted(text: string): string {
  const known = quotedNames.get(text);
  if (known !== undefined) return known;
  const made = JSON.stringify(text);
  if (quotedNames.size < MOST_NAMES) quotedNames.set(text, made);
  return made;
}
export type Commitments = Readonly<Record<string, string>>;

/** What a record says of itself, without who that is called and without its salts. */
export type Said = Readonly<Record<string, unknown>>;

/** Names, which change, and what hides the others. */
const NOT_SAID = new Set(['person', 'brought', 'salts']);
/** Fields that only the server fills; a device names its record before it has them. */
const OF_SERVER = new Set(['account', 'received', 'clock_s', 'photo']);

const isThere = (value: unknown): boolean => value !== undefined && value !== null;

/** What an entry says, as its receipt counts it. */
export const saidBy = (entry: Entry | Said): Said =>
  Object.fromEntries(
    Object.entries(entry).filter(([field, value]) => !NOT_SAID.has(field) && isThere(value)),
  );

/** What the device said of it, as the device's next record names it. */
export const saidByDevice = (entry: Said): Said =>
  Object.fromEntries(
    Object.entries(entry).filter(
      ([field, value]) => !NOT_SAID.has(field) && !OF_SERVER.has(field) && isThere(value),
    ),
  );

/** One field behind its salt. */
export const commitment = (field: string, value: unknown, salt: string): string =>
  sha256Hex(`{"field":${quoted(field)},"salt":${JSON.stringify(salt)},"value":${canonical(value)}}`);

export const commitmentsOf = (said: Said, salts: Salts): Record<string, string> =>
  Object.fromEntries(
    Object.entries(said).map(([field, value]) => [field, commitment(field, value, saltOf(salts, field))]),
  );

export const digestOf = (commitments: Commitments): string =>
  sha256Hex(
    `{${Object.keys(commitments)
      .sort()
      .map((field) => `${quoted(field)}:${JSON.stringify(commitments[field])}`)
      .join(',')}}`,
  );

/** The digest by which a device names its record in the next one. */
export const deviceDigest = (entry: Said, salts: Salts): string =>
  digestOf(commitmentsOf(saidByDevice(entry), salts));

/** The same from the commitments of a whole record. */
export const deviceDigestOf = (commitments: Commitments): string =>
  digestOf(saidByDevice(commitments) as Commitments);

/** Of each receipt what the next one hangs on. */
export interface ReceiptSaid {
  readonly job: string;
  readonly seq: number;
  /** Head of the receipt before it; empty for the first. */
  readonly previous: string;
  /** Digest of the entry; of a change of key, of the new one. */
  readonly entry: string;
  readonly received: string;
  /** Who sent it, by a name that says nothing. */
  readonly by: string;
}

export const headOf = (receipt: ReceiptSaid): string => sha256Hex(canonical(receipt));

/** A head as it is signed and handed out. */
export interface Head {
  readonly job: string;
  readonly seq: number;
  readonly head: string;
  readonly at: string;
}

/** The text that is signed. */
export const headText = ({ job, seq, head, at }: Head): string =>
  canonical({ format: 'hulvek-head', job, seq, head, at });
