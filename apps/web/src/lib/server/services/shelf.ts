/** The shelf that all jobs take from: walls, units, methods, materials in versions that are only ever added. */
import { contentHash, startingShelf, type ShelfDocument, type ShelfItem, type ShelfKind } from '@hulvek/core';
import { and, asc, desc, eq } from 'drizzle-orm';
import { inTransaction, type Database, type Queries } from '../db/index.ts';
import { shelfVersions, users } from '../db/schema/index.ts';
import { storedShelfItem } from '../db/stored.ts';
import { userByEmail } from './accounts.ts';
import { note } from './audit.ts';
import { namesOf, toldApart } from './names.ts';

/** The newest version of every item, by kind and name. */
export async function loadShelf(db: Queries): Promise<ShelfItem[]> {
  const rows = await db
    .selectDistinctOn([shelfVersions.kind, shelfVersions.id])
    .from(shelfVersions)
    .orderBy(asc(shelfVersions.kind), asc(shelfVersions.id), desc(shelfVersions.version));
  const names = await namesOf(
    db,
    rows.map(({ userId }) => userId),
  );
  return rows
    .map((row) => storedShelfItem(row, names.of(row)))
    .sort((a, b) => a.document.name.localeCompare(b.document.name));
}

/** All versions of one item, newest first. */
export async function loadShelfVersions(db: Queries, kind: ShelfKind, id: string): Promise<ShelfItem[]> {
  const rows = await db
    .select()
    .from(shelfVersions)
    .where(and(eq(shelfVersions.kind, kind), eq(shelfVersions.id, id)))
    .orderBy(desc(shelfVersions.version));
  const names = await namesOf(
    db,
    rows.map(({ userId }) => userId),
  );
  return rows.map((row) => storedShelfItem(row, names.of(row)));
}

export interface ShelfPut {
  readonly kind: ShelfKind;
  readonly document: ShelfDocument;
  /** The version the sender knew; 0 for a new item. */
  readonly after: number;
  readonly user: string;
}

/** Adds the next version of an item; `null` when somebody else added one meanwhile. Unchanged adds nothing. */
export async function putOnSharedShelf(db: Database, put: ShelfPut): Promise<ShelfItem | null> {
  const { kind, document, after, user } = put;
  return inTransaction(db, async (tx) => {
    const [newest] = await loadShelfVersions(tx, kind, document.id);
    if ((newest?.version ?? 0) !== after) return null;
    if (newest && contentHash(newest.document) === contentHash(document)) return newest;
    const [added] = await tx
      .insert(shelfVersions)
      .values({ kind, id: document.id, version: after + 1, document, userId: user })
      .onConflictDoNothing()
      .returning();
    const names = await namesOf(tx, [user]);
    return added ? storedShelfItem(added, names.of(added)) : null;
  });
}

/** Fills an empty shelf with walls, schools and stock to start from. */
export async function stockEmptyShelf(db: Database): Promise<void> {
  if ((await db.$count(shelfVersions)) > 0) return;
  await db
    .insert(shelfVersions)
    .values(
      startingShelf().map(({ kind, document }) => ({
        kind,
        id: document.id,
        version: 1,
        document,
      })),
    )
    .onConflictDoNothing();
}

/** Who may write on the shelf, by name. */
export async function keepersOfShelf(db: Queries): Promise<string[]> {
  const rows = await db
    .select({ id: users.id, name: users.name })
    .from(users)
    .where(eq(users.keepsShelf, true))
    .orderBy(asc(users.createdAt), asc(users.id));
  return [...toldApart(rows).values()];
}

/** @returns whether there is an account with this e-mail */
export async function makeKeeper(db: Database, email: string, by: string | null): Promise<boolean> {
  return inTransaction(db, async (tx) => {
    const user = await userByEmail(tx, email);
    if (user === null) return false;
    await tx.update(users).set({ keepsShelf: true }).where(eq(users.id, user));
    await note(tx, { action: 'shelf-keeper', user: by, about: user });
    return true;
  });
}
