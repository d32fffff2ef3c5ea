/** Makes a database for this run and drops it afterwards. */
import { randomBytes } from 'node:crypto';
import pg from 'pg';
import type { TestProject } from 'vitest/node';

declare module 'vitest' {
  export interface ProvidedContext {
    databaseUrl: string;
  }
}

export default async function setup(project: TestProject) {
  const server = process.env.TEST_DATABASE_URL ?? process.env.DATABASE_URL;
  if (!server) throw new Error('TEST_DATABASE_URL is not set: run the tests with ./hulvek test');
  const name = `hulvek_test_${randomBytes(6).toString('hex')}`;
  const admin = new pg.Client({ connectionString: server });
  await admin.connect();
  await admin.query(`create database ${name}`);
  const url = new URL(server);
  url.pathname = `/${name}`;
  project.provide('databaseUrl', url.toString());
  return async () => {
    await admin.query(`drop database ${name} with (force)`);
    await admin.end();
  };
}
