/** Pictures as paper needs them: of one opening at a time, as large as they are printed and no larger. */
import type { Entry } from '@hulvek/core';
import { eq } from 'drizzle-orm';
import sharp from 'sharp';
import type { Queries } from '../db/index.ts';
import { photos } from '../db/schema/index.ts';

/** The longer side, px: two hundred and more to the inch as wide as a picture stands on the paper. */
const LONGER_px = 720;
const QUALITY = 72;
// Beside the server; it has other things to do.
sharp.concurrency(1);
sharp.cache(false);

/** By entry, pictures of an opening that are wanted; one that cannot be read is left out. */
export async function printable(
  db: Queries,
  { entries }: { readonly entries: readonly Entry[] },
  wanted: ReadonlySet<string>,
): Promise<Map<string, Uint8Array>> {
  const made = new Map<string, Uint8Array>();
  for (const { id } of entries) {
    if (!wanted.has(id)) continue;
    const [row] = await db.select({ bytes: photos.bytes }).from(photos).where(eq(photos.id, id));
    const small = row && (await shrunk(row.bytes));
    if (small) made.set(id, small);
  }
  return made;
}

async function shrunk(bytes: Buffer): Promise<Uint8Array | null> {
  try {
    return await sharp(bytes)
      .resize({ width: LONGER_px, height: LONGER_px, fit: 'inside', withoutEnlargement: true })
      .flatten({ background: '#fff' })
      .jpeg({ quality: QUALITY })
      .toBuffer();
  } catch {
    return null;
  }
}
