/**
 * How often somebody may try to get in. A try is counted before it is judged, in the database, so that many at once and many
 * servers are one count. Strangers who guess at an account never lock out whoever signed in from the same place before.
 */
import { and, count, eq, gt, inArray, lt, max, sql } from 'drizzle-orm';
import type { Database } from '../db/index.ts';
import { tries } from '../db/schema/index.ts';
import { digest } from './tokens.ts';

const WINDOW_ms = 15 * 60_000;
/** How long a place counts as known, days. */
const KNOWN_days = 90;

/** Most tries within a quarter of an hour: common practice, no source. */
const MOST = {
  /** For one account from one address. */
  pair: 5,
  /** From one address, at whatever accounts. */
  address: 60,
  /** At one account from places that it never signed in from. */
  account: 30,
} as const;

export interface Knock {
  readonly account: string;
  readonly address: string;
}

const keysOf = ({ account, address }: Knock) => {
  const who = account.trim().toLowerCase();
  return {
    pair: digest(`pair ${who} ${address}`),
    address: digest(`address ${address}`),
    account: digest(`account ${who}`),
    known: digest(`known ${who} ${address}`),
  };
};

/** Counts a try, and says whether it may be judged. */
export async function mayTry(db: Database, knock: Knock, now = new Date()): Promise<boolean> {
  const keys = keysOf(knock);
  const known = await db.$count(tries, eq(tries.key, keys.known));
  const counted = known > 0 ? (['pair', 'address'] as const) : (['pair', 'address', 'account'] as const);
  await db.insert(tries).values(counted.map((kind) => ({ key: keys[kind], at: now })));
  const rows = await db
    .select({ key: tries.key, n: count() })
    .from(tries)
    .where(
      and(
        inArray(
          tries.key,
          counted.map((kind) => keys[kind]),
        ),
        gt(tries.at, new Date(now.getTime() - WINDOW_ms)),
      ),
    )
    .groupBy(tries.key);
  const of = new Map(rows.map(({ key, n }) => [key, n]));
  return counted.every((kind) => (of.get(keys[kind]) ?? 0) <= MOST[kind]);
}

/** Links opened from one address: 128 random bits are not guessed, and whoever tries is stopped all the same. */
export async function mayOpenLink(db: Database, address: string, now = new Date()): Promise<boolean> {
  const key = digest(`link ${address}`);
  await db.insert(tries).values({ key, at: now });
  const since = new Date(now.getTime() - WINDOW_ms);
  return (await db.$count(tries, and(eq(tries.key, key), gt(tries.at, since)))) <= MOST.address;
}

/** It was the right one: its tries are forgotten, and the place is known from now on. */
export async function gotIn(db: Database, knock: Knock): Promise<void> {
  const keys = keysOf(knock);
  await db.delete(tries).where(inArray(tries.key, [keys.pair, keys.known]));
  // What was right is no try at the address or the account either.
  for (const key of [keys.address, keys.account]) {
    const last = db
      .select({ id: max(tries.id) })
      .from(tries)
      .where(eq(tries.key, key));
    await db.delete(tries).where(inArray(tries.id, last));
  }
  await db.insert(tries).values({ key: keys.known });
}

/** Takes out what counts no more. */
export async function forgetOldTries(db: Database): Promise<void> {
  await db.delete(tries).where(lt(tries.at, sql`now() - make_interval(days => ${KNOWN_days})`));
}
