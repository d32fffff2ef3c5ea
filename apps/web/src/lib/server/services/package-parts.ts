/** Packages on their way in: kept in parts, so that one that breaks off goes on, and any server can read it. */
import { and, asc, eq, gt, sql } from 'drizzle-orm';
import { inTransaction, type Database, type Queries } from '../db/index.ts';
import { packageParts, packages } from '../db/schema/index.ts';

export interface Begun {
  readonly id: string;
  readonly name: string;
}

/** Begins a package; one that this person began before is gone. */
export const beginPackage = (
  db: Database,
  of: { readonly user: string; readonly name: string; readonly size_bytes: number },
): Promise<string> =>
  inTransaction(db, async (tx) => {
    await tx.delete(packages).where(eq(packages.userId, of.user));
    const [row] = await tx
      .insert(packages)
      .values({ userId: of.user, name: of.name, size_bytes: of.size_bytes })
      .returning({ id: packages.id });
    if (!row) throw new Error('the package was not stored');
    return row.id;
  });

/** A package of this person, with what has come of it. */
export async function packageOfPerson(db: Queries, user: string, id: string) {
  const [row] = await db
    .select({
      id: packages.id,
      name: packages.name,
      size_bytes: packages.size_bytes,
      came_bytes: sql<number>`coalesce((select sum(length(p.bytes)) from package_parts p where p.package_id = ${packages.id}), 0)::float8`,
    })
    .from(packages)
    .where(and(eq(packages.id, id), eq(packages.userId, user)));
  return row ?? null;
}

/** Adds the next part; sent again it counts once. @returns how much has come, or `null` where it does not follow */
export const addPart = (
  db: Database,
  of: { readonly user: string; readonly id: string; readonly from: number; readonly bytes: Uint8Array },
): Promise<number | null> =>
  inTransaction(db, async (tx) => {
    await tx.execute(sql`select pg_advisory_xact_lock(hashtext(${of.id}))`);
    const known = await packageOfPerson(tx, of.user, of.id);
    if (!known) return null;
    const end = of.from + of.bytes.length;
    if (known.came_bytes >= end) return known.came_bytes;
    if (known.came_bytes !== of.from || end > known.size_bytes) return null;
    await tx
      .insert(packageParts)
      .values({ packageId: of.id, from_bytes: of.from, bytes: Buffer.from(of.bytes) });
    return end;
  });

/** The bytes of a package, one part in memory at a time. */
export async function* partsOf(db: Queries, id: string): AsyncGenerator<Uint8Array, void, void> {
  let last = -1;
  for (;;) {
    const [part] = await db
      .select()
      .from(packageParts)
      .where(and(eq(packageParts.packageId, id), gt(packageParts.from_bytes, last)))
      .orderBy(asc(packageParts.from_bytes))
      .limit(1);
    if (!part) return;
    last = part.from_bytes;
    yield new Uint8Array(part.bytes);
  }
}
