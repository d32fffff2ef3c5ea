/**
 * A dossier of many openings with pictures: drawn beside the server, picture by picture, into parts. The long form draws a
 * hundred openings with a thousand pictures and prints what it took.
 */
import { randomUUID } from 'node:crypto';
import { skarvPoint, type Entry, type JobFile } from '@hulvek/core';
import { sql } from 'drizzle-orm';
import sharp from 'sharp';
import { afterAll, describe, expect, it } from 'vitest';
import { drawDossier } from '../src/lib/features/hand-over/draw-dossier.server.ts';
import { createUser } from '../src/lib/server/services/accounts.ts';
import { dossierGiven } from '../src/lib/server/services/dossier.ts';
import { importJob } from '../src/lib/server/services/jobs.ts';
import { sha256 } from '../src/lib/server/services/records.ts';
import { taskFiles, tasks } from '../src/lib/server/db/schema/index.ts';
import { OwnDatabases } from './own-database.ts';

const isLong = process.env.HULVEK_LONG === '1';
const [OPENINGS, EACH] = isLong ? [100, 10] : [4, 3];
const MB = 1e6;

const databases = new OwnDatabases();
afterAll(() => databases.drop());
const url = await databases.empty();
const db = await databases.migrated(url);

/** The opening of the demo that is built, many times over, each with pictures of its own. */
function manyOf(file: JobFile): { job: JobFile; pictures: string[] } {
  const [issue] = file.records.issues;
  const like = file.openings.find(({ id }) => id === issue?.opening.id);
  if (!issue || !like) throw new Error('the demo has no opening that is built');
  const own = file.records.entries.filter(({ opening }) => opening === like.id);
  const tick = own.findLast(({ kind, step }) => kind === 'tick' && step === 'pan') ?? own[0]!;
  const pictures: string[] = [];
  const ids = Array.from({ length: OPENINGS }, (_, i) => `many-${i}`);
  const entries = ids.flatMap((opening): Entry[] => {
    const fresh = new Map(own.map(({ id }) => [id, randomUUID()]));
    const copies = own.map((entry) => ({
      ...entry,
      id: fresh.get(entry.id) ?? randomUUID(),
      undoes: entry.undoes === null ? null : (fresh.get(entry.undoes) ?? null),
      opening,
    }));
    const photos = Array.from({ length: EACH }, () => {
      const id = randomUUID();
      pictures.push(id);
      const { kind: _, facts: _facts, ...rest } = tick;
      return {
        ...rest,
        id,
        opening,
        kind: 'photo',
        undoes: null,
        photo: { sha256: 'a'.repeat(64), type: 'image/jpeg', width_px: 1600, height_px: 1200, bytes: 1 },
      };
    });
    return [...copies, ...photos] as unknown as Entry[];
  });
  const job = {
    ...file,
    openings: ids.map((id, i) => ({ ...like, id, mark: `M-${i + 1}` })),
    records: {
      readings: [],
      issues: ids.map((id, i) => ({ ...issue, opening: { ...issue.opening, id, mark: `M-${i + 1}` } })),
      entries,
    },
  } as unknown as JobFile;
  return { job, pictures };
}

describe('a dossier of many openings', () => {
  it(
    `with ${OPENINGS * EACH} pictures is drawn part by part, as small as they are printed, and can be jumped through`,
    { timeout: 600_000 },
    async () => {
      const { job, pictures } = manyOf(skarvPoint());
      expect(await importJob(db, job)).toBe(true);
      // As phones send them: 1600 pixels wide, each another one.
      for (const id of pictures) {
        const noise = { type: 'gaussian' as const, mean: 90 + (pictures.indexOf(id) % 90), sigma: 25 };
        const bytes = await sharp({
          create: { width: 1600, height: 1200, channels: 3, background: '#888', noise },
        })
          .jpeg({ quality: 75 })
          .toBuffer();
        await db.execute(sql`insert into photos (id, bytes) values (${id}, ${bytes})`);
        expect(sha256(bytes)).not.toBe('');
      }
      const user =
        (await createUser(db, { email: 'd@d.invalid', name: 'D', password: 'not to be guessed' })) ?? '';
      const [task] = await db
        .insert(tasks)
        .values({ userId: user, kind: 'dossier', state: 'working' })
        .returning();
      const given = await dossierGiven(db, {
        job: job.job.id,
        reads: 'mm',
        person: '',
        at: new Date('2026-11-30T10:00:00.000Z'),
        names: false,
        withPictures: true,
      });
      expect(given?.pictures).toHaveLength(pictures.length);
      const before = process.memoryUsage().rss;
      let peak = before;
      const watching = setInterval(() => (peak = Math.max(peak, process.memoryUsage().rss)), 50);
      const started = performance.now();
      expect(await drawDossier({ ...given!, url, task: task?.id ?? '' })).toBeNull();
      const seconds = (performance.now() - started) / 1000;
      clearInterval(watching);
      const parts = await db.select().from(taskFiles).orderBy(taskFiles.part);
      const size = parts.reduce((sum, { bytes }) => sum + bytes.length, 0);
      // One part for every opening, and the end: nobody holds it whole.
      expect(parts.length).toBeGreaterThanOrEqual(OPENINGS);
      const pdf = Buffer.concat(parts.map(({ bytes }) => bytes)).toString('latin1');
      expect(pdf.startsWith('%PDF-1.7')).toBe(true);
      expect(pdf.trimEnd().endsWith('%%EOF')).toBe(true);
      expect(pdf.match(/\/Subtype \/Image/g)).toHaveLength(pictures.length);
      for (let i = 0; i < OPENINGS; i++) expect(pdf).toContain(`(opening-many-${i})`);
      // No picture is larger than it is printed.
      for (const [, wide] of pdf.matchAll(/\/Subtype \/Image[\s\S]{0,200}?\/Width (\d+)/g))
        expect(Number(wide)).toBeLessThanOrEqual(720);
      if (isLong)
        console.log(
          `dossier: ${OPENINGS} openings, ${pictures.length} pictures: ${seconds.toFixed(1)} s, ${(size / MB).toFixed(1)} MB of file, ${((peak - before) / MB).toFixed(0)} MB of memory on top of ${(before / MB).toFixed(0)}`,
        );
    },
  );
});
