/**
 * The key that signs heads of logs. It lies in a file of its own outside the database, for the server alone to read: whoever
 * has only the database cannot make a log that verifies.
 */
import { createPrivateKey, createPublicKey, generateKeyPairSync, sign, type KeyObject } from 'node:crypto';
import { chmodSync, existsSync, linkSync, mkdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { dirname } from 'node:path';
import { log } from './log.ts';

export interface SigningKey {
  /** The public half, base64 of its 32 bytes. */
  readonly key: string;
  readonly sign: (text: string) => string;
}

let known: SigningKey | null = null;

/** Of an installation that names no file the key lives as long as the server, and says so. */
export function signingKey(): SigningKey {
  known ??= asKey(process.env.HULVEK_KEY ? keyIn(process.env.HULVEK_KEY) : freshKey());
  return known;
}

function freshKey(): KeyObject {
  log.warn({}, 'HULVEK_KEY names no file: logs are signed by a key that ends with this server');
  return generateKeyPairSync('ed25519').privateKey;
}

/** The key in a file, made when there is none; of several servers that make one at once the first counts. */
export function keyIn(path: string): KeyObject {
  if (!existsSync(path)) {
    mkdirSync(dirname(path), { recursive: true, mode: 0o700 });
    const pem = generateKeyPairSync('ed25519').privateKey.export({ type: 'pkcs8', format: 'pem' });
    const part = `${path}.${process.pid}`;
    writeFileSync(part, pem, { mode: 0o600 });
    try {
      linkSync(part, path);
    } catch (error) {
      if (!existsSync(path)) throw error;
    } finally {
      rmSync(part);
    }
    chmodSync(path, 0o600);
  }
  return createPrivateKey(readFileSync(path));
}

function asKey(secret: KeyObject): SigningKey {
  const { x } = createPublicKey(secret).export({ format: 'jwk' });
  return {
    key: Buffer.from(x ?? '', 'base64url').toString('base64'),
    sign: (text) => sign(null, Buffer.from(text), secret).toString('base64'),
  };
}
