/** GlobalIds of building models: 128 bits in 22 signs. Source: ISO 16739-1:2018, IfcGloballyUniqueId, from memory. */
import { sha256Hex } from '../evidence/digest.ts';

const SIGNS = '0123456789ABCDEFGHIJKLMNOPQRSTUVWXYZabcdefghijklmnopqrstuvwxyz_$';

/** The first 128 bits of a name's digest: the same thing has the same id in every file. */
export function guidOf(...name: readonly string[]): string {
  let bits = BigInt(`0x${sha256Hex(JSON.stringify(name)).slice(0, 32)}`);
  let out = '';
  for (let i = 0; i < 22; i++) {
    out = (SIGNS[Number(bits & 63n)] ?? '0') + out;
    bits >>= 6n;
  }
  return out;
}
