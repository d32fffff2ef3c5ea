import { readdirSync, readFileSync } from 'node:fs';
import { join, relative } from 'node:path';
import { describe, expect, it } from 'vitest';
import { actions, may, mayLook, roles } from '../src/lib/contract/rights.ts';
import { ACCESS } from '../src/lib/server/access.ts';

const ROUTES = join(import.meta.dirname, '../src/routes');

/** Every method of every address, read from the files of the application. */
function answered(): string[] {
  const files = readdirSync(ROUTES, { recursive: true, withFileTypes: true }).filter((f) => f.isFile());
  const keys = files.flatMap((file) => {
    // Folders in parentheses group pages and are no part of an address.
    const route = `/${relative(ROUTES, file.parentPath)}`.replaceAll(/\/\([^)]*\)/g, '');
    const source = readFileSync(join(file.parentPath, file.name), 'utf8');
    if (file.name === '+page.svelte' || file.name === '+page.ts') return [`GET ${route}`];
    if (file.name === '+server.ts') {
      return [...source.matchAll(/export const (GET|POST|PUT|PATCH|DELETE)\b/g)].map(
        ([, method]) => `${method} ${route}`,
      );
    }
    if (file.name !== '+page.server.ts') return [];
    const named = source.split('export const actions = {')[1] ?? '';
    const forms = [...named.matchAll(/^ {2}(\w+): async/gm)].map(([, name]) =>
      name === 'default' ? `POST ${route}` : `POST ${route}?/${name}`,
    );
    return [`GET ${route}`, ...forms];
  });
  return [...new Set(keys)].sort();
}

describe('rights', () => {
  it('every address the application answers is in the table, and nothing else is', () =>
    expect(answered()).toEqual(Object.keys(ACCESS).sort()));

  it('each role may all that the one below it may, inspector and viewer read', () => {
    const count = roles.map((role) => actions.filter((action) => may(role, action)).length);
    expect(count).toEqual([...count].sort((a, b) => b - a));
    for (const action of actions) {
      expect(may('owner', action)).toBe(true);
      expect(may(null, action)).toBe(false);
      if (may('viewer', action)) expect(may('inspector', action)).toBe(true);
    }
  });

  it.each([
    ['not-the-doer', 'installer', 'Jonas', 'Jonas', false],
    ['not-the-doer', 'installer', 'Jonas', 'Tove', true],
    ['not-the-doer', 'lead', 'Tove', 'Tove', true],
    ['inspector', 'installer', 'Jonas', 'Tove', false],
    ['inspector', 'inspector', 'Maret', 'Tove', true],
    ['anyone', 'installer', 'Jonas', 'Jonas', true],
    ['anyone', 'viewer', 'Eilif', 'Jonas', false],
  ] as const)('rule %s: %s %s looking at the work of %s: %s', (rule, role, looker, doer, allowed) =>
    expect(mayLook(rule, role, { id: looker, name: looker }, { person: 'x', account: doer })).toBe(allowed),
  );

  it('two of one name are two, and of whoever a file names only the name is known', () => {
    const me = { id: 'a-1', name: 'Jonas Myhr' };
    const look = (doer: Parameters<typeof mayLook>[3]) => mayLook('not-the-doer', 'installer', me, doer);
    expect(look({ person: 'Jonas Myhr', account: 'a-2' })).toBe(true);
    expect(look({ person: 'Jonas Myhr · 2', account: 'a-1' })).toBe(false);
    const brought = { by: 'Tove Aas', from: 'job.json' };
    expect(look({ person: ' jonas MYHR', brought })).toBe(false);
    expect(look({ person: 'Ines Kallas', brought })).toBe(true);
  });
});
