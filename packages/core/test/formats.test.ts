/** The published JSON Schemas are those that files are read by. `RECORD=1` writes them anew. */
import { readFileSync, writeFileSync } from 'node:fs';
import { expect, it } from 'vitest';
import * as z from 'zod/mini';
import { logSchema, manifestSchema, sectionSchema } from '../src/index.ts';

it.each([
  ['log', 'Hulvek log', logSchema],
  ['package', 'Manifest of a Hulvek package', manifestSchema],
  ['section', 'Hulvek section for heat', sectionSchema],
] as const)('the schema of a %s', (name, title, schema) => {
  const path = new URL(`../../../docs/formats/${name}.schema.json`, import.meta.url);
  const own: unknown = { title, ...z.toJSONSchema(schema, { io: 'input' }) };
  if (process.env.RECORD === '1') writeFileSync(path, `${JSON.stringify(own, null, 2)}\n`);
  expect(JSON.parse(readFileSync(path, 'utf8'))).toEqual(JSON.parse(JSON.stringify(own)));
});
