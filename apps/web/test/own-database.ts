import { randomBytes } from 'node:crypto';
import { join } from 'node:path';
import pg from 'pg';
import { migrateDatabase, openDatabase, type Database } from '../src/lib/server/db/index.ts';

process.env.HULVEK_MIGRATIONS = join(import.meta.dirname, '../drizzle');

/** Databases of one test file: files run beside each other and would take each other's rows. */
export class OwnDatabases {
  readonly #server: string;
  readonly #made: string[] = [];
  readonly #closing: (() => Promise<void>)[] = [];

  constructor() {
    const server = process.env.TEST_DATABASE_URL ?? process.env.DATABASE_URL;
    if (!server) throw new Error('TEST_DATABASE_URL is not set: run the tests with ./hulvek test');
    this.#server = server;
  }

  /** The address of a new, empty database. */
  async empty(): Promise<string> {
    const name = `hulvek_test_${randomBytes(6).toString('hex')}`;
    await this.#asAdmin(`create database ${name}`);
    this.#made.push(name);
    const url = new URL(this.#server);
    url.pathname = `/${name}`;
    return url.toString();
  }

  /** A connection of its own to one of them. */
  async client(url: string): Promise<pg.Client> {
    const client = new pg.Client({ connectionString: url });
    await client.connect();
    this.#closing.push(() => client.end().catch(() => undefined));
    return client;
  }

  /** A new database with today's tables. */
  async migrated(url?: string): Promise<Database> {
    const { db, pool } = openDatabase(url ?? (await this.empty()));
    this.#closing.push(() => pool.end());
    await migrateDatabase(db);
    return db;
  }

  /** Closes what was opened and drops what was made. */
  async drop(): Promise<void> {
    for (const close of this.#closing) await close();
    for (const name of this.#made) await this.#asAdmin(`drop database ${name} with (force)`);
  }

  async #asAdmin(statement: string): Promise<void> {
    const admin = new pg.Client({ connectionString: this.#server });
    await admin.connect();
    await admin.query(statement).finally(() => admin.end());
  }
}
