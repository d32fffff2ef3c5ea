// Waits until the PostgreSQL at the given address answers, ten seconds at most.
import pg from 'pg';

const [, , url] = process.argv;
const until = Date.now() + 10_000;
for (;;) {
  const client = new pg.Client({ connectionString: url, connectionTimeoutMillis: 3000 });
  try {
    await client.connect();
    await client.query('select 1');
    await client.end();
    break;
  } catch (error) {
    await client.end().catch(() => undefined);
    if (Date.now() > until) {
      console.error(error instanceof Error ? error.message : error);
      process.exit(1);
    }
    await new Promise((resolve) => setTimeout(resolve, 500));
  }
}
