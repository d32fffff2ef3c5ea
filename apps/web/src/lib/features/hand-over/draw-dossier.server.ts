/** The dossier on paper: openings with their drawings as built, what was done, seen, measured and hidden, and what is still open. */
import { MARGIN, PdfPage, SOFT } from '$lib/drawing/pdf-page.server.ts';
import { handOverWords as t } from '$words/hand-over.ts';
import {
  asBuilt,
  cutDrawing,
  faceDrawing,
  formatLength,
  pieceText,
  stepText,
  wallThingText,
  type Build,
  type Dossier,
  type Entry,
  type Issue,
  type JobContext,
  type LengthUnit,
  type OpeningDocument,
  type SignedHead,
} from '@hulvek/core';
import { openDatabase, type Queries } from '../../server/db/index.ts';
import { printable } from '../../server/beside/printable.ts';
import { TaskFile } from '../../server/beside/task-file.ts';
import { dossierSections } from './dossier-sections.ts';
import { standingOf } from './standing.ts';

export interface DossierPart {
  readonly document: OpeningDocument;
  readonly issues: readonly Issue[];
  readonly entries: readonly Entry[];
}

export interface DossierGiven {
  readonly parts: readonly DossierPart[];
  readonly context: JobContext;
  readonly reads: LengthUnit;
  readonly person: string;
  readonly at: Date;
  readonly names: boolean;
  /** Ids of the entries whose pictures are printed; they are read one opening after the other. */
  readonly pictures: readonly string[];
  /** Where the pictures are, and the task that it is drawn for, where it is for one. */
  readonly url: string;
  readonly task?: string;
  /** Pictures that are not. */
  readonly leftOut: number;
  readonly head: SignedHead | null;
  /** Stands across every page, where it is handed to somebody by link. */
  readonly watermark?: string;
}

const DRAWING_pt = 250;
const PICTURE_pt = 160;
/** Points of paper for a pixel of a drawing. */
const SCALE = 0.75;

const minute = (at: string): string => `${at.slice(0, 16).replace('T', ' ')} UTC`;

/** @returns the paper, or nothing where it went to its task part by part */
export async function drawDossier(given: DossierGiven): Promise<Uint8Array | null> {
  const { db, pool } = openDatabase(given.url);
  try {
    return await drawn(given, db);
  } finally {
    await pool.end();
  }
}

async function drawn(given: DossierGiven, db: Queries): Promise<Uint8Array | null> {
  const { parts, context, person, at, head, task } = given;
  const out = task === undefined ? null : new TaskFile(db, task);
  const page = new PdfPage({
    title: `${context.job.name}: ${t.title}`,
    author: person,
    at,
    tagged: true,
    ...(out && { sink: (part: Buffer) => out.add(part) }),
  });
  page.text(context.job.name, { font: 'bold', size: 20, as: 'H1' });
  page.text(t.title, { size: 13 });
  page.text(minute(at.toISOString()), { colour: SOFT });
  page.text(head ? t.head(head.seq, head.head, head.key) : t.noHead, { colour: SOFT });
  page.title(t.contents);
  for (const { document, issues } of parts)
    if (issues.length > 0) page.link(`${document.mark} ${document.name}`.trim(), anchorOf(document.id));
  const { releases = [] } = context.job;
  if (releases.length > 0) {
    page.title(t.release);
    for (const one of releases) {
      const by = given.names ? one.person : '';
      page.text(t.released_(minute(one.at), by, one.openings, one.of, one.open));
      if (one.note) page.text(`“${one.note}”`);
      if (one.head) page.text(t.releasedHead(one.head.seq, one.head.head), { colour: SOFT });
    }
  }
  page.title(t.cautions);
  for (const line of t.cautionLines) page.text(line);
  if (given.leftOut > 0) page.text(t.leftOut(given.leftOut));
  const wanted = new Set(given.pictures);
  const begun = parts.filter(({ issues }) => issues.length > 0);
  const others = parts.filter(({ issues }) => issues.length === 0);
  if (others.length > 0) {
    page.title(t.notBegun);
    page.text(others.map(({ document }) => document.mark).join(', '));
  }
  for (const [i, part] of begun.entries()) {
    page.doc.addPage();
    drawPart(page, part, given, await printable(db, part, wanted));
    await out?.write((i + 1) / begun.length);
  }
  if (given.watermark) page.watermark(given.watermark);
  page.footers([context.job.name, person, minute(at.toISOString())].filter(Boolean).join(' · '), t.title);
  const whole = await page.end();
  if (!out) return new Uint8Array(whole);
  await out.write(1);
  return null;
}

const anchorOf = (id: string): string => `opening-${id}`;

function drawPart(
  page: PdfPage,
  { document, issues, entries }: DossierPart,
  { context, reads, names, at }: DossierGiven,
  pictures: ReadonlyMap<string, Uint8Array>,
): void {
  const name = `${document.mark} ${document.name}`.trim();
  const outline = page.chapter(name, anchorOf(document.id));
  const section = (title: string) => {
    page.title(title);
    outline.addItem(title);
  };
  const stands = standingOf({ issues, entries }, context, at.toISOString());
  if (!stands) {
    page.text(t.notStarted);
    return;
  }
  const { build, dossier } = stands;
  const figure = (mm: number) => formatLength(mm, context.job.units, 'figure');
  for (const [place, { title, rows, widths }] of dossierSections(build, dossier, {
    reads,
    names,
  }).entries()) {
    // What is hidden stands behind what was done.
    if (place === 2) drawHidden(page, dossier, pictures, section);
    section(title);
    if (widths)
      page.rows(
        rows.map((cells) => ({ cells })),
        [...widths],
      );
    else for (const [text = ''] of rows) page.text(text);
    if (place === 0) drawAsBuilt(page, { build, entries, name, figure });
  }
}

/** As it stands: what is not done yet is not there. */
function drawAsBuilt(
  page: PdfPage,
  {
    build,
    entries,
    name,
    figure,
  }: { build: Build; entries: readonly Entry[]; name: string; figure: (mm: number) => string },
): void {
  const { build: built, count } = asBuilt(build, entries);
  page.room(DRAWING_pt + 10);
  const size = { width: page.width / 2 / SCALE - 10, height: DRAWING_pt / SCALE };
  const options = { ...size, step: count, figure };
  const y = page.doc.y;
  page.figure(`${name}: ${t.planned}`, () => {
    page.drawing(faceDrawing(built, { ...options, wallName: wallThingText }), { x: MARGIN, y, scale: SCALE });
    page.drawing(cutDrawing(built, { ...options, cut: 'sill', name: pieceText, wallName: wallThingText }), {
      x: MARGIN + page.width / 2,
      y,
      scale: SCALE,
    });
  });
  page.doc.y = y + DRAWING_pt + 8;
}

/** Pictures beside one another, each under what it shows. */
function drawHidden(
  page: PdfPage,
  { hidden }: Dossier,
  pictures: ReadonlyMap<string, Uint8Array>,
  section: (title: string) => void,
): void {
  if (hidden.length === 0) return;
  section(t.hidden);
  const shown = new Set<string>();
  for (const { piece, coveredBy, pictures: own } of hidden) {
    const words = t.hiddenBy(pieceText(piece), stepText(coveredBy).title);
    page.text(own.length === 0 ? `${words}: ${t.noPicture}` : words);
    // A picture of a step stands once, at the first piece that it shows.
    for (const { id } of own) {
      const bytes = pictures.get(id);
      if (!bytes || shown.has(id)) continue;
      shown.add(id);
      page.picture(Buffer.from(bytes), words, PICTURE_pt);
    }
  }
}
