/** A job handed out whole: it verifies as it was sent, and any change in it is told with its place. */
import { randomUUID } from 'node:crypto';
import { isPlainPath, planOpening, readPackage, readSection, skarvPoint, type Manifest } from '@hulvek/core';
import { unzipSync, zipSync, type Zippable } from 'fflate';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { rightsOf } from '../src/lib/contract/rights.ts';
import { createUser } from '../src/lib/server/services/accounts.ts';
import { packOpening, packTables } from '../src/lib/features/hand-over/pack-files.server.ts';
import { loadParts, openingOfPart } from '../src/lib/server/services/openings.ts';
import { importJob, loadContext } from '../src/lib/server/services/jobs.ts';
import { packageOf } from '../src/lib/server/services/package.ts';
import { sha256, takeRecords, type Sender } from '../src/lib/server/services/records.ts';
import { verifyPackage } from '../../../packages/cli/src/package.ts';
import { OwnDatabases } from './own-database.ts';

const databases = new OwnDatabases();
afterAll(() => databases.drop());
const db = await databases.migrated(await databases.empty());
const JOB = 'skarv-point';
const OPENING = skarvPoint().openings.find(({ mark }) => mark === 'S-05')!.id;
/** Taken for pictures: what is in them is looked at where they come in. */
const PICTURES = Array.from({ length: 5 }, (_, i) => new Uint8Array(3000).fill(i + 1));

beforeAll(async () => {
  await importJob(db, skarvPoint());
  const id = await createUser(db, {
    email: 'a@pack.invalid',
    name: 'Ane Vik',
    password: 'not to be guessed',
  });
  const sender: Sender = {
    person: { id: id ?? '', name: 'Ane Vik', email: '', keepsShelf: false, reads: null },
    role: 'lead',
    lookRule: 'not-the-doer',
  };
  const now = new Date('2026-11-29T12:00:00.000Z');
  const sent = PICTURES.map((picture) => {
    const digest = sha256(picture);
    return {
      type: 'entry' as const,
      picture,
      record: {
        id: randomUUID() as never,
        opening: OPENING,
        issue: 1,
        kind: 'photo' as const,
        step: 'pan',
        undoes: null,
        at: '2026-11-29T11:00:00.000Z',
        note: '',
        photo: {
          sha256: digest,
          type: 'image/jpeg' as const,
          width_px: 10,
          height_px: 10,
          bytes: picture.length,
        },
        facts: { kind: 'picture' as const, sha256: digest },
      },
    };
  });
  const taken = await takeRecords(db, JOB, sent, sender, { sentAt: now.toISOString(), now });
  expect(taken.every(({ ok }) => ok)).toBe(true);
  const departure = {
    type: 'entry' as const,
    record: {
      id: randomUUID() as never,
      opening: OPENING,
      issue: 1,
      kind: 'deviation' as const,
      step: 'pan',
      undoes: null,
      at: '2026-11-29T11:30:00.000Z',
      note: 'other screws',
      photo: null,
      facts: { kind: 'deviation' as const, from: 'plan' as const, accepted: 'Ole Nes of the site' },
    },
  };
  expect(await takeRecords(db, JOB, [departure], sender, { sentAt: now.toISOString(), now })).toEqual([
    { ok: true },
  ]);
  // A picture that is another one than its device digested is not taken.
  const [first] = sent;
  const other = {
    ...first!,
    record: {
      ...first!.record,
      id: randomUUID() as never,
      facts: { kind: 'picture' as const, sha256: 'a'.repeat(64) },
    },
  };
  expect(await takeRecords(db, JOB, [other], sender, { sentAt: now.toISOString(), now })).toEqual([
    { ok: false, refusal: 'not-a-picture' },
  ]);
});

async function sentOut(names = false): Promise<Uint8Array> {
  const stream = await packageOf(db, {
    job: JOB,
    names,
    pictures: true,
    rows: false,
    drawings: false,
    person: '',
    rights: rightsOf('owner'),
  });
  return new Uint8Array(await new Response(stream).arrayBuffer());
}
const said = async (zip: Uint8Array) => {
  const { exit, out, err } = await verifyPackage('p.zip', [zip], []);
  return { exit, text: out + err };
};
const changed = (zip: Uint8Array, change: (files: Record<string, Uint8Array>) => void): Uint8Array => {
  const files = unzipSync(zip);
  change(files);
  return zipSync(files as Zippable);
};

describe('what others can read of a package', () => {
  it('are drawings, sections that can be solved, and tables, under plain paths and without a name', async () => {
    const context = (await loadContext(db, JOB))!;
    const parts = await loadParts(db, JOB);
    const files = parts.flatMap((part, i) =>
      packOpening({
        part,
        opening: openingOfPart(part),
        context,
        number: i + 1,
        at: '2026-11-30T10:00:00.000Z',
      }),
    );
    files.push(...packTables({ parts, context }));
    const planned = parts.filter((part) => planOpening(openingOfPart(part), context).build).length;
    expect(planned).toBeGreaterThan(10);
    for (const [path, text] of files) {
      expect(isPlainPath(path), path).toBe(true);
      expect(text, path).not.toContain('Ane Vik');
    }
    const sections = files.filter(([path]) => path.endsWith('.hulvek-section.json'));
    expect(sections.length).toBe(4 * planned);
    for (const [path, text] of sections) expect(readSection(text), path).toMatchObject({ ok: true });
    const dxf = files.filter(([path]) => path.endsWith('.dxf'));
    expect(dxf).toHaveLength(6 * planned);
    for (const [path, text] of dxf) expect(text.trimEnd().endsWith('EOF'), path).toBe(true);
    const table = files.find(([path]) => path === 'tables/openings.csv')?.[1] ?? '';
    expect(table.trim().split('\n')).toHaveLength(parts.length + 1);
  });
});

describe('a package', () => {
  it('verifies as it was sent: every file, every picture against its entry, the log against its head', async () => {
    const { exit, text } = await said(await sentOut());
    expect(text).toContain('6 files are what the manifest');
    expect(text).toContain('5 pictures are those of the log');
    expect(text).toContain('Unchanged since head');
    expect(exit).toBe(0);
  });

  it('names nobody unless that is chosen', async () => {
    const files = unzipSync(await sentOut());
    const all = Object.entries(files)
      .map(([path, bytes]) => path + Buffer.from(bytes).toString('latin1'))
      .join('\n');
    expect(all).not.toContain('Ane Vik');
    expect(all).not.toContain('Ole Nes');
    expect(all).toContain('other screws');
    expect(Object.keys(files)).not.toContain('job.hulvek.json');
    const named = unzipSync(await sentOut(true));
    for (const name of ['Ane Vik', 'Ole Nes'])
      expect(Buffer.from(named['log.json'] ?? []).toString()).toContain(name);
    expect(Object.keys(named)).toContain('job.hulvek.json');
  });

  it('with one byte changed in any of its files, one taken out, one more, or a manifest made anew is told with the place', async () => {
    const zip = await sentOut();
    const paths = Object.keys(unzipSync(zip));
    for (const path of paths) {
      const one = changed(zip, (files) => {
        const bytes = files[path];
        if (bytes) bytes[Math.floor(bytes.length / 2)] = (bytes[Math.floor(bytes.length / 2)] ?? 0) ^ 1;
      });
      const { exit, text } = await said(one);
      expect(exit, path).not.toBe(0);
      if (path !== 'manifest.json') expect(text).toContain(`${path} is not what the manifest says`);
      const { exit: gone } = await said(changed(zip, (files) => void delete files[path]));
      expect(gone, path).not.toBe(0);
    }
    const more = await said(changed(zip, (files) => void (files['pictures/extra'] = new Uint8Array([1]))));
    expect(more.text).toContain('pictures/extra is here and not named in the manifest');
    const forged = await said(
      changed(zip, (files) => {
        const manifest = JSON.parse(Buffer.from(files['manifest.json'] ?? []).toString()) as Manifest;
        files['manifest.json'] = Buffer.from(JSON.stringify({ ...manifest, names: true }));
      }),
    );
    expect(forged.text).toContain('does not bear the signature');
  });

  it('that is hostile is refused in words: three hundred of them', async () => {
    const zip = await sentOut();
    const names = [
      '../out',
      '/etc/passwd',
      'a/../../b',
      'C:\\x',
      'a\\b',
      'pictures//x',
      '.hidden',
      'a/./b',
      'x\u0000y',
      'pictures/',
      'é/x',
      'a b',
      `${'x'.repeat(300)}`,
    ];
    let seen = 0;
    for (const name of names) {
      const one = await said(
        zipSync({ [name]: new Uint8Array([1, 2, 3]), 'manifest.json': new Uint8Array([123, 125]) }),
      );
      expect(one.exit, JSON.stringify(name)).toBe(2);
      expect(one.text).toMatch(/names a file that no package has|no whole zip|no manifest/);
      seen++;
    }
    // What unpacks to many times its size, and what is named twice in other letters.
    const bomb = await said(zipSync({ 'pictures/x': [new Uint8Array(64 * 1024 * 1024), { level: 9 }] }));
    expect(bomb).toMatchObject({ exit: 2 });
    const twice = await said(zipSync({ 'pictures/a': new Uint8Array(1), 'pictures/A': new Uint8Array(1) }));
    expect(twice.text).toContain('is in it twice');
    // Cut off, and with bytes turned anywhere.
    for (let n = 1; seen < 300; n++, seen++) {
      const bytes = n % 3 === 0 ? zip.slice(0, Math.floor((zip.length * n) / 320)) : zip.slice();
      if (n % 3 !== 0) {
        const at = (n * 7919) % bytes.length;
        bytes[at] = (bytes[at] ?? 0) ^ (1 << (n % 8));
      }
      const verdict = await said(bytes);
      if (verdict.exit !== 0) continue;
      // The directory at the end is not read: what it says of a file is not what the file is.
      expect(await readPackage([bytes]), `byte ${n}`).toEqual(await readPackage([zip]));
    }
  });
});
