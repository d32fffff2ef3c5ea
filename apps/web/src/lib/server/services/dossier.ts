/** What a dossier is drawn from: openings with their logs, and as many pictures as a paper may hold. */
import { photoOrder } from '../../contract/photo-order.ts';
import { databaseUrl, type Database } from '../db/index.ts';
import { signedHead } from './evidence.ts';
import { loadContext } from './jobs.ts';
import { loadParts } from './openings.ts';
import type { ForReader } from '../paper.ts';
import { beside, type GivenTo } from '../beside/threads.ts';

/** Pictures of one paper: each is made as small as it is printed. */
const MOST_PICTURES = 2000;

export interface DossierAsked extends ForReader {
  readonly job: string;
  /** These openings; all of them without it. */
  readonly opening?: string | readonly string[];
  readonly names: boolean;
  readonly withPictures: boolean;
  /** Whom it is handed to by link: stands across every page. */
  readonly watermark?: string;
}

/** What the thread that draws it is given; `null` where there is no such job or opening. */
export async function dossierGiven(
  db: Database,
  asked: DossierAsked,
): Promise<Omit<GivenTo<'drawDossier'>, 'url'> | null> {
  const { job, opening, names, withPictures, ...reader } = asked;
  const context = await loadContext(db, job);
  const parts = await loadParts(db, job, opening);
  if (!context || parts.length === 0) return null;
  const wanted = withPictures ? photoOrder(parts).map(({ id }) => id) : [];
  const all = parts.reduce((n, { entries }) => n + entries.filter(({ kind }) => kind === 'photo').length, 0);
  const pictures = wanted.slice(0, MOST_PICTURES);
  return {
    parts: parts.map(({ document, issues, entries }) => ({ document, issues, entries })),
    context,
    ...reader,
    person: names ? reader.person : '',
    names,
    pictures,
    leftOut: all - pictures.length,
    head: await signedHead(db, job),
  };
}

/** @returns `null` where there is no such job or opening */
export async function dossierPdf(db: Database, asked: DossierAsked): Promise<Uint8Array | null> {
  const given = await dossierGiven(db, asked);
  return given && beside('drawDossier', { ...given, url: databaseUrl() });
}
