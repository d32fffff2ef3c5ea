/** Accounts put back from a package: nobody gets in by it, and whoever restores stays signed in. */
import { hash } from '@node-rs/argon2';
import { eq, sql } from 'drizzle-orm';
import { randomBytes } from 'node:crypto';
import * as z from 'zod/mini';
import type { Queries } from '../db/index.ts';
import { sessions, users } from '../db/schema/index.ts';
import { putRowsBack, type RowsOf } from './package-rows.ts';

const who = z.object({ id: z.uuid(), email: z.string() });

/**
 * @param restoring the account that restores: where it bears the address of one that comes back, it becomes that one
 * @returns that one, for `movedOver` once all is kept
 */
export async function putPeopleBack(
  tx: Queries,
  packed: RowsOf,
  lines: readonly string[],
  restoring: string,
): Promise<string | null> {
  let moved: string | null = null;
  // A password that nobody knows: a link sets another.
  const nobodyKnows = await hash(randomBytes(32).toString('base64url'));
  for (const line of lines) {
    const { id, email } = who.parse(JSON.parse(line));
    const [there] = await tx.select().from(users).where(eq(users.email, email));
    const [same] = await tx.select({ id: users.id }).from(users).where(eq(users.id, id));
    if (same) continue;
    if (there && there.id !== restoring) throw new Error(`${email} has another account here`);
    if (there)
      await tx
        .update(users)
        .set({ email: `${id}.moved.invalid` })
        .where(eq(users.id, there.id));
    await putRowsBack(tx, { ...packed, without: { password_hash: there?.passwordHash ?? nobodyKnows } }, [
      line,
    ]);
    if (!there) continue;
    await tx
      .update(users)
      .set({ keepsShelf: sql`${users.keepsShelf} or ${there.keepsShelf}` })
      .where(eq(users.id, id));
    await tx.update(sessions).set({ userId: id }).where(eq(sessions.userId, there.id));
    moved = id;
  }
  return moved;
}

/** What is still under way goes over too; before all is kept, others write there. */
export async function movedOver(tx: Queries, from: string, to: string): Promise<void> {
  for (const table of ['tasks', 'packages', 'tokens'])
    await tx.execute(sql`update ${sql.raw(table)} set user_id = ${to} where user_id = ${from}`);
  await tx.delete(users).where(eq(users.id, from));
}
