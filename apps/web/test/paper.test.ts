/** Papers read back by a library that did not write them: text within the page, links, outline, tags, language, embedded fonts. */
import { skarvPoint, tanneryRow } from '@hulvek/core';
import { getDocument, OPS, type PDFDocumentProxy } from 'pdfjs-dist/legacy/build/pdf.mjs';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { drawDossier } from '../src/lib/features/hand-over/draw-dossier.server.ts';
import { drawStickers } from '../src/lib/features/hand-over/draw-stickers.server.ts';
import { dossierGiven } from '../src/lib/server/services/dossier.ts';
import { importJob, loadContext } from '../src/lib/server/services/jobs.ts';
import { OwnDatabases } from './own-database.ts';

const databases = new OwnDatabases();
afterAll(() => databases.drop());
const url = await databases.empty();
const db = await databases.migrated(url);
const JOB = 'skarv-point';
const AT = new Date('2026-11-30T10:00:00.000Z');
const WATERMARK = 'For the owner, to read only';

const opened = (bytes: Uint8Array) => getDocument({ data: bytes.slice(), verbosity: 0 }).promise;
async function pagesOf(pdf: PDFDocumentProxy) {
  return Promise.all(Array.from({ length: pdf.numPages }, (_, i) => pdf.getPage(i + 1)));
}
/** Every piece of text with where it stands, points from the lower left corner. */
async function textOf(pdf: PDFDocumentProxy) {
  const all = await Promise.all(
    (await pagesOf(pdf)).map(async (page) => {
      const { items } = await page.getTextContent();
      const [, , wide, high] = page.view;
      return items.flatMap((item) =>
        'str' in item ? [{ ...item, page: { wide: wide ?? 0, high: high ?? 0 } }] : [],
      );
    }),
  );
  return all.flat();
}
/** What is written level, so that its width runs along the page. */
const isLevel = ({ transform }: { transform: number[] }) => Math.abs(transform[1] ?? 0) < 1e-6;

async function expectWithin(pdf: PDFDocumentProxy): Promise<void> {
  for (const item of await textOf(pdf)) {
    if (!isLevel(item) || item.str.trim() === '') continue;
    const [, , , , x = 0, y = 0] = item.transform as number[];
    expect(x, item.str).toBeGreaterThanOrEqual(0);
    expect(x + item.width, item.str).toBeLessThanOrEqual(item.page.wide + 0.5);
    expect(y, item.str).toBeGreaterThanOrEqual(0);
    expect(y + item.height, item.str).toBeLessThanOrEqual(item.page.high + 0.5);
  }
}

let dossier: PDFDocumentProxy;
beforeAll(async () => {
  await importJob(db, skarvPoint());
  const given = await dossierGiven(db, {
    job: JOB,
    reads: 'mm',
    person: 'Ines Kallas',
    at: AT,
    names: false,
    withPictures: true,
    watermark: WATERMARK,
  });
  dossier = await opened((await drawDossier({ ...given!, url }))!);
});

describe('a dossier', () => {
  it('says what it is, in which language, and is tagged', async () => {
    const { info } = await dossier.getMetadata();
    expect(info).toMatchObject({ Title: expect.stringContaining('Skarv Point') as string, Language: 'en' });
    expect(await dossier.getMarkInfo()).toMatchObject({ Marked: true });
    const tree = await (await dossier.getPage(1)).getStructTree();
    expect(JSON.stringify(tree)).toContain('H1');
  });

  it('leads to every opening that is begun, by its outline and by a link on the first page', async () => {
    const outline = await dossier.getOutline();
    expect(outline.map(({ title }) => title)).toEqual(['S-05 stair window']);
    expect(outline[0]?.items.length).toBeGreaterThan(4);
    const links = (await (await dossier.getPage(1)).getAnnotations()).filter(
      ({ subtype }) => subtype === 'Link',
    );
    expect(links.length).toBe(1);
    // Two presses: open it, press; and it leads somewhere.
    for (const { dest } of links as { dest: string }[])
      expect(await dossier.getDestination(dest)).not.toBeNull();
  });

  it('keeps its text within the page, in faces that it carries, and names nobody where that was not chosen', async () => {
    await expectWithin(dossier);
    const words = (await textOf(dossier)).map(({ str }) => str).join(' ');
    expect(words).toContain('What is hidden now');
    expect(words).not.toContain('Ines Kallas');
    for (const page of await pagesOf(dossier)) {
      await page.getOperatorList();
      const { fnArray, argsArray } = await page.getOperatorList();
      const faces = new Set(
        fnArray.flatMap((fn, i) => (fn === OPS.setFont ? [String((argsArray[i] as unknown[])[0])] : [])),
      );
      for (const face of faces) {
        const font = page.commonObjs.get(face) as { missingFile?: boolean; name?: string };
        expect(font.missingFile ?? false, font.name).toBe(false);
      }
    }
  });

  it('bears its receiver across every page', async () => {
    for (const page of await pagesOf(dossier)) {
      const { items } = await page.getTextContent();
      const across = items.filter((item) => 'str' in item && !isLevel(item as { transform: number[] }));
      expect(across.map((item) => ('str' in item ? item.str : '')).join(' ')).toContain(WATERMARK);
    }
  });
});

describe('stickers', () => {
  it.each([
    ['mm', skarvPoint],
    ['in', tanneryRow],
  ] as const)(
    'in %s stand apart, one for every opening, with signs that their face has',
    async (reads, make) => {
      const file = make();
      if (file.job.id !== JOB) await importJob(db, file);
      const context = (await loadContext(db, file.job.id))!;
      const pdf = await opened(await drawStickers({ openings: file.openings, context, reads, at: AT }));
      await expectWithin(pdf);
      const text = await textOf(pdf);
      for (const { mark } of file.openings) expect(text.filter(({ str }) => str === mark)).toHaveLength(1);
      expect(pdf.numPages).toBe(Math.ceil(file.openings.length / 14));
      expect(text.map(({ str }) => str).join(' ')).not.toMatch(/[≤≥]/);
      // No line runs into the sticker beside it.
      for (const item of text) {
        const [, , , , x = 0] = item.transform as number[];
        const half = item.page.wide / 2;
        if (x < half) expect(x + item.width, item.str).toBeLessThanOrEqual(half);
      }
    },
  );
});
