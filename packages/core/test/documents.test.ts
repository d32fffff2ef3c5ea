import { readdirSync, readFileSync, writeFileSync } from 'node:fs';
import { fileURLToPath } from 'node:url';
import { describe, expect, it } from 'vitest';
import {
  jobFileJsonSchema,
  openingsOf,
  planOpening,
  read,
  readJobFile,
  renamed,
  ruleIds,
  type JobFile,
} from '@hulvek/core';
import { pieceRows } from '../src/methods/piece-rows.ts';
import { stepRows } from '../src/methods/step-rows.ts';

const folder = fileURLToPath(new URL('./fixtures/', import.meta.url));
const fixtures = readdirSync(folder).filter((name) => name.startsWith('job-file.'));
const textOf = (name: string): string => readFileSync(`${folder}${name}`, 'utf8');
const opened = (name: string): JobFile => {
  const result = readJobFile(textOf(name));
  if (!result.ok) throw new Error(JSON.stringify(result.problems[0]));
  return result.value;
};

describe('documents of earlier days', () => {
  it.each(fixtures)('%s is read, and everything in it that can be planned is', (name) => {
    const file = opened(name);
    for (const opening of openingsOf(file)) {
      const plan = planOpening(opening, file);
      if (opening.wall && opening.unit && opening.method && plan.frame)
        expect(plan.build, opening.mark).not.toBeNull();
    }
  });

  it('a pan chosen before its name changed is the pan it was', () => {
    const file = opened('job-file.v2-before-stretched.json');
    expect(file.methods[0]?.choices).toEqual({ pan: 'stretched' });
    const [opening] = openingsOf(file);
    if (!opening) throw new Error('no opening');
    const pan = planOpening(opening, file).build?.pieces.find(({ id }) => id === 'pan');
    expect(pan?.form === 'sheet' && pan.sheet.material).toBe('stretch-flashing');
    expect(read('opening', { ...file.openings[0], choices: { pan: 'stretch' } })).toMatchObject({
      ok: true,
      value: { choices: { pan: 'stretched' } },
    });
  });

  it('a document that is none says so with its place', () => {
    expect(read('opening', { id: 'o' })).toMatchObject({
      ok: false,
      problems: expect.arrayContaining([{ path: 'mark', message: 'this is missing' }]),
    });
    expect(read('wall', 7)).toEqual({
      ok: false,
      problems: [{ path: '', message: 'this must be an object' }],
    });
  });
});

type Json = Readonly<Record<string, unknown>>;
const isJson = (value: unknown): value is Json => typeof value === 'object' && value !== null;

/** Every value of a list that documents can hold, with its place: `methods[].choices.pan: fluid`. */
function storedValues(schema: unknown, path = ''): string[] {
  if (!isJson(schema)) return [];
  const own = [
    ...(Array.isArray(schema.enum) ? schema.enum : []),
    ...('const' in schema ? [schema.const] : []),
  ];
  const inside = (part: unknown, at: string) => storedValues(part, at);
  return [
    ...own.map((value) => `${path}: ${String(value)}`),
    ...Object.entries(isJson(schema.properties) ? schema.properties : {}).flatMap(([key, part]) => [
      `${path}: .${key}`,
      ...inside(part, path === '' ? key : `${path}.${key}`),
    ]),
    ...inside(schema.items, `${path}[]`),
    ...inside(schema.additionalProperties, `${path}.*`),
    ...inside(schema.propertyNames, `${path}.*`),
    ...['anyOf', 'oneOf', 'allOf'].flatMap((key) => {
      const list = schema[key];
      return Array.isArray(list) ? list.flatMap((part) => inside(part, path)) : [];
    }),
  ];
}

describe('stored values', () => {
  const file = `${folder}stored-values.json`;
  const now = [
    ...new Set([
      ...storedValues(jobFileJsonSchema()).filter((value) => !/(^|\.)version: /.test(value)),
      ...pieceRows.map(({ id }) => `piece: ${id}`),
      ...stepRows.map(({ id }) => `step: ${id}`),
      ...ruleIds.map((id) => `rule: ${id}`),
    ]),
  ].sort();
  const before: unknown = JSON.parse(readFileSync(file, 'utf8'));
  // A version is counted on, and has its own tests of being read.
  const known = Array.isArray(before)
    ? before.map(String).filter((value) => !/(^|\.)version: /.test(value))
    : [];
  // What was stored once is never taken out again.
  if (process.env.RECORD === '1')
    writeFileSync(file, `${JSON.stringify([...new Set([...known, ...now])].sort(), null, 1)}\n`);

  it('none was renamed or removed without a line in documents/renamed.ts that says what it is now', () => {
    const there = new Set(now);
    const isRenamed = (value: string): boolean => {
      const at = value.lastIndexOf(': ');
      const [path, name] = [value.slice(0, at), value.slice(at + 2)];
      return Object.entries(renamed).some(([place, names]) => {
        const to = path.endsWith(place) ? names[name] : undefined;
        return to !== undefined && there.has(`${path}: ${to}`);
      });
    };
    expect(known.filter((value) => !there.has(value) && !isRenamed(value))).toEqual([]);
  });

  it('every new one is kept from now on: record it with RECORD=1', () => {
    const recorded = new Set(known);
    expect(now.filter((value) => !recorded.has(value))).toEqual([]);
  });
});
