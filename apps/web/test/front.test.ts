/** The secure front: what it hands on says truly who asked and how, and a page beside it gives the certificate. */
import { execFileSync } from 'node:child_process';
import { mkdtempSync, readFileSync, rmSync } from 'node:fs';
import { createServer, type Server } from 'node:http';
import { request } from 'node:https';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import type { AddressInfo } from 'node:net';
import { afterAll, beforeAll, expect, it } from 'vitest';
import { openFront, type OpenFront } from '../src/worker/front.ts';

const folder = mkdtempSync(join(tmpdir(), 'front-'));
const [key, cert] = [join(folder, 'key'), join(folder, 'cert')];
let behind: Server;
let front: OpenFront;

beforeAll(async () => {
  execFileSync(
    'openssl',
    [
      ...'req -x509 -newkey ec -pkeyopt ec_paramgen_curve:prime256v1 -nodes -days 2 -subj /CN=localhost'.split(
        ' ',
      ),
      ...['-addext', 'subjectAltName=DNS:localhost', '-keyout', key, '-out', cert],
    ],
    { stdio: 'ignore' },
  );
  behind = createServer((from, to) => {
    if (from.url === '/stream') {
      to.write('first\n');
      setTimeout(() => to.end('second\n'), 300);
    } else to.end(JSON.stringify(from.headers));
  }).listen(0, '127.0.0.1');
  await new Promise((resolve) => behind.once('listening', resolve));
  const { port } = behind.address() as AddressInfo;
  front = await openFront({
    host: '127.0.0.1',
    port: 0,
    trustPort: 0,
    behind: port,
    key,
    cert,
    authority: cert,
  });
});
afterAll(() => {
  behind.close();
  front.close();
  rmSync(folder, { recursive: true });
});

function get(
  path: string,
  headers: Record<string, string> = {},
): Promise<{ chunks: string[]; at: number[] }> {
  return new Promise((resolve, reject) => {
    const began = Date.now();
    const asked = request(
      { host: 'localhost', port: front.port, path, headers, ca: readFileSync(cert), family: 4 },
      (answer) => {
        const chunks: string[] = [];
        const at: number[] = [];
        answer.on('data', (chunk: Buffer) => (chunks.push(chunk.toString()), at.push(Date.now() - began)));
        answer.on('end', () => resolve({ chunks, at }));
      },
    );
    asked.on('error', reject);
    asked.end();
  });
}

it('says who asked and how, whatever the asker claims', async () => {
  const { chunks } = await get('/', { 'x-forwarded-for': '203.0.113.9', 'x-forwarded-proto': 'http' });
  expect(JSON.parse(chunks.join(''))).toMatchObject({
    'x-forwarded-for': '127.0.0.1',
    'x-forwarded-proto': 'https',
    'x-forwarded-host': `localhost:${front.port}`,
  });
});

it('hands on what comes bit by bit as it comes', async () => {
  const { chunks, at } = await get('/stream');
  expect(chunks).toEqual(['first\n', 'second\n']);
  expect((at[1] ?? 0) - (at[0] ?? 0)).toBeGreaterThan(150);
});

it('the plain page leads to the certificate and on to the secure address', async () => {
  const page = await (await fetch(`http://127.0.0.1:${front.trustPort}/`)).text();
  expect(page).toContain('href="/hulvek.crt"');
  expect(page).toContain(`https://127.0.0.1:${front.port}`);
  const given = await fetch(`http://127.0.0.1:${front.trustPort}/hulvek.crt`);
  expect(given.headers.get('content-type')).toBe('application/x-x509-ca-cert');
  expect(await given.text()).toBe(readFileSync(cert, 'utf8'));
});
