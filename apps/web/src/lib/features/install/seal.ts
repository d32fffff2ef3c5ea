/** What a device makes hangs on what it made before, and can be told field by field. */
import { deviceDigest, SEED, type Said } from '@hulvek/core';

const LAST = 'hulvek:last';
const SEED_bytes = 16;

const hex = (bytes: Uint8Array): string => [...bytes].map((b) => b.toString(16).padStart(2, '0')).join('');

/** An entry with the digest of the one this device made before it, and its own salt. */
export function sealed<Record extends object>(
  record: Record,
): Record & { readonly previous: string; readonly salts: { readonly [seed: string]: string } } {
  const salts = { [SEED]: hex(crypto.getRandomValues(new Uint8Array(SEED_bytes))) };
  const own = { ...record, previous: localStorage.getItem(LAST) ?? '', salts };
  localStorage.setItem(LAST, deviceDigest(own as Said, salts));
  return own;
}
