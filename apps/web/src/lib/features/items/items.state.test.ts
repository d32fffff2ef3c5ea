/** Walls, units and methods of a job: what a change would do is said before it is kept, and there is a way back. */
import { Outbox } from '$lib/device/outbox.svelte.ts';
import { demoPack, ME } from '$lib/device/testing/server.ts';
import { JobStore } from '$lib/job/job.svelte.ts';
import type { TypedLength, Unit, Wall } from '@hulvek/core';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { methodDiffers, unitDiffers, wallDiffers } from './differs.ts';
import { ItemDesk, type ItemKind } from './item-desk.svelte.ts';

const sent: unknown[] = [];
let refuse = '';
beforeEach(() => {
  sent.length = 0;
  refuse = '';
  vi.stubGlobal('fetch', (_: string, init?: { method?: string; body?: string }) => {
    if (init?.method === 'PUT') {
      sent.push(JSON.parse(init.body ?? 'null'));
      return Promise.resolve(new Response(refuse, { status: refuse === '' ? 200 : 409 }));
    }
    // What changed since: nothing that this test looks at.
    return Promise.resolve(new Response('', { status: 503 }));
  });
});
afterEach(() => vi.unstubAllGlobals());

function deskOf<Kind extends ItemKind>(kind: Kind): ItemDesk<Kind> {
  const pack = demoPack();
  const outbox = new Outbox(
    () => ME,
    () => undefined,
  );
  return new ItemDesk(new JobStore(pack.context.job.id, pack, outbox), kind);
}

const used = <Kind extends ItemKind>(desk: ItemDesk<Kind>) => {
  const item = desk.list.find(({ id }) => desk.usedBy(id).length > 0);
  if (!item) throw new Error(`no opening goes by any of the ${desk.kind}`);
  return item;
};
const length = (typed: string, mm: number): TypedLength => ({ typed, mm });
const thicker = (wall: Wall, thickness: TypedLength): Wall => ({
  ...wall,
  layers: wall.layers.map((layer, i) => (i === 0 ? { ...layer, thickness } : layer)),
});

describe('a change of a wall that openings go by', () => {
  it('waits for a word, and says whose it is and what every verdict would be', async () => {
    const desk = deskOf('walls');
    const wall = used(desk);
    const marks = desk.usedBy(wall.id).map(({ mark }) => mark);
    await desk.propose(wall, thicker(wall, length('40', 40)));
    expect(sent).toEqual([]);
    expect(desk.pending?.effect.openings).toEqual(marks);
    expect(desk.pending?.effect.looked).toBe(marks.length);
    for (const { mark, before, after } of desk.pending?.effect.verdicts ?? []) {
      expect(marks).toContain(mark);
      expect(before).not.toBe(after);
    }
    await desk.confirm();
    expect(sent).toEqual([{ kind: 'walls', was: wall, item: thicker(wall, length('40', 40)) }]);
    expect(desk.canUndo).toBe(true);
    await desk.undo();
    expect(sent.at(-1)).toEqual({ kind: 'walls', was: thicker(wall, length('40', 40)), item: wall });
    expect(desk.canUndo).toBe(false);
  });

  it('of its name only, or of what nobody goes by, is kept at once', async () => {
    const desk = deskOf('walls');
    const wall = used(desk);
    await desk.propose(wall, { ...wall, name: 'Another name' });
    expect(desk.pending).toBeNull();
    expect(sent).toHaveLength(1);
    await desk.propose(wall, { ...wall });
    expect(sent).toHaveLength(1);
  });

  it('cannot be taken back from what was before it, while it is on its way', async () => {
    const desk = deskOf('walls');
    const wall = used(desk);
    await desk.propose(wall, { ...wall, name: 'Another name' });
    const next = desk.propose({ ...wall, name: 'Another name' }, { ...wall, name: 'A third name' });
    expect(desk.canUndo).toBe(false);
    await next;
    expect(desk.canUndo).toBe(true);
  });

  it('is among its versions, also where they were asked for while it was on its way', async () => {
    const desk = deskOf('walls');
    const wall = used(desk);
    let stored = 1;
    vi.stubGlobal('fetch', async (address: string, init?: { method?: string }) => {
      if (init?.method === 'PUT') {
        await Promise.resolve();
        stored++;
        return new Response('');
      }
      if (!address.includes('/shelf?')) return new Response('', { status: 503 });
      const versions = Array.from({ length: stored }, (_, i) => ({
        version: i + 1,
        document: wall,
        person: 'Somebody',
        at: '2026-11-01T08:00:00.000Z',
      }));
      return Response.json({ versions });
    });
    const change = desk.propose(wall, { ...wall, name: 'Another name' });
    await desk.showVersions(wall.id);
    await change;
    expect(desk.versions).toHaveLength(2);
    desk.hideVersions();
    expect(desk.versions).toEqual([]);
  });

  it('left as it is sends nothing; one that is refused is no step to take back', async () => {
    const desk = deskOf('walls');
    const wall = used(desk);
    await desk.propose(wall, thicker(wall, length('40', 40)));
    desk.cancel();
    await desk.confirm();
    expect(sent).toEqual([]);
    refuse = 'Somebody else changed this meanwhile.';
    await desk.propose(wall, { ...wall, name: 'Another name' });
    expect(desk.problem).toContain('Somebody else');
    expect(desk.canUndo).toBe(false);
  });

  it('a copy has an id of its own, each time', async () => {
    const desk = deskOf('methods');
    const [method] = desk.list;
    if (!method) throw new Error('the demo has no method');
    expect(await desk.duplicate(method)).toBe(`${method.id}-copy`);
    expect(sent.at(-1)).toMatchObject({ was: null, item: { id: `${method.id}-copy` } });
    expect((sent.at(-1) as { item: object }).item).not.toHaveProperty('origin');
  });
});

describe('what differs between two', () => {
  it('tells lengths apart that one of the systems rounds to the same', () => {
    const wall = used(deskOf('walls'));
    const [metric, inch] = [length('140 mm', 140), length('5 1/2"', 139.7)];
    for (const reads of ['mm', 'in'] as const)
      expect(wallDiffers(thicker(wall, metric), thicker(wall, inch), reads)).toHaveLength(1);
    expect(wallDiffers(wall, wall, 'mm')).toEqual([]);
  });

  it('says in words what of a unit and of a method is another one', () => {
    const unit: Unit = used(deskOf('units'));
    const wider = { ...unit, width: length('910', 910) };
    const [row, ...others] = unitDiffers(unit, wider, 'mm');
    expect(others).toEqual([]);
    expect(row?.[2]).toContain('910');
    const method = used(deskOf('methods'));
    expect(methodDiffers(method, method, 'in')).toEqual([]);
    const [changed] = methodDiffers(method, { ...method, numbers: { leastGap: length('9', 9) } }, 'mm');
    expect(changed?.[2]).toContain('9');
  });
});
