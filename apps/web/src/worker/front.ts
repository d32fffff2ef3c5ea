/**
 * Secure addresses for phones on the same network: takes https on one port and hands it to the server behind it, and says on
 * a plain page beside it how a phone is brought to trust this machine's own certificate.
 */
import { readFileSync } from 'node:fs';
import {
  createServer as plainServer,
  request as ask,
  type IncomingMessage,
  type ServerResponse,
} from 'node:http';
import { createServer as secureServer } from 'node:https';
import type { AddressInfo, Server } from 'node:net';
import { trustPage } from '$words/trust.ts';

export interface Front {
  readonly host: string;
  readonly port: number;
  /** Where the plain page is. */
  readonly trustPort: number;
  /** Where the server itself listens, on this machine. */
  readonly behind: number;
  readonly key: string;
  readonly cert: string;
  /** The certificate that a phone is to trust. */
  readonly authority: string;
}

/** What the environment says of it; nothing where it is not wanted. */
export function frontOf(env: NodeJS.ProcessEnv): Front | null {
  const { HTTPS_PORT, HTTPS_HOST = '0.0.0.0', HTTPS_KEY, HTTPS_CERT, HTTPS_AUTHORITY, PORT } = env;
  if (!HTTPS_PORT || !HTTPS_KEY || !HTTPS_CERT || !HTTPS_AUTHORITY || !PORT) return null;
  const port = Number(HTTPS_PORT);
  return {
    host: HTTPS_HOST,
    port,
    trustPort: port + 1,
    behind: Number(PORT),
    key: HTTPS_KEY,
    cert: HTTPS_CERT,
    authority: HTTPS_AUTHORITY,
  };
}

export interface OpenFront {
  readonly port: number;
  readonly trustPort: number;
  readonly close: () => void;
}

/** @returns once both ports are open; a port of 0 takes any that is free */
export async function openFront(front: Front): Promise<OpenFront> {
  const secure = secureServer({ key: readFileSync(front.key), cert: readFileSync(front.cert) }, (from, to) =>
    passOn(front, from, to),
  );
  const port = await opened(secure, front.port, front.host);
  const authority = readFileSync(front.authority);
  const plain = plainServer((from, to) => {
    const host = (from.headers.host ?? 'localhost').replace(/:\d+$/, '');
    if (from.url === '/hulvek.crt') {
      to.writeHead(200, {
        'content-type': 'application/x-x509-ca-cert',
        'content-disposition': 'attachment; filename="hulvek.crt"',
      });
      to.end(authority);
      return;
    }
    to.writeHead(200, {
      'content-type': 'text/html; charset=utf-8',
      'content-security-policy': "default-src 'none'; style-src 'unsafe-inline'",
    });
    to.end(trustPage(`https://${host}:${port}`));
  });
  const trustPort = await opened(plain, front.trustPort, front.host);
  return {
    port,
    trustPort,
    close: () => {
      secure.close();
      plain.close();
    },
  };
}

const opened = (server: Server, port: number, host: string): Promise<number> =>
  new Promise((resolve, reject) => {
    server.once('error', reject);
    server.listen(port, host, () => resolve((server.address() as AddressInfo).port));
  });

/** One request to the server behind, as it came; who asked and how is said in headers that nobody outside can set. */
function passOn({ behind }: Front, from: IncomingMessage, to: ServerResponse): void {
  const headers = {
    ...from.headers,
    'x-forwarded-for': from.socket.remoteAddress ?? '',
    'x-forwarded-proto': 'https',
    'x-forwarded-host': from.headers.host ?? '',
  };
  const { method = 'GET', url = '/' } = from;
  const passed = ask({ host: '127.0.0.1', port: behind, method, path: url, headers }, (answer) => {
    to.writeHead(answer.statusCode ?? 502, answer.headers);
    answer.pipe(to);
  });
  passed.on('error', () => {
    if (!to.headersSent) to.writeHead(503, { 'retry-after': '2' });
    to.end();
  });
  to.on('close', () => passed.destroy());
  from.pipe(passed);
}
