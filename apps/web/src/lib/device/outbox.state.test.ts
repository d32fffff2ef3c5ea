import { dropItems, waitingItems } from './database.ts';
import fc from 'fast-check';
import { afterEach, beforeEach, describe, expect, it } from 'vitest';
import { Outbox } from './outbox.svelte.ts';
import { answering, item, ME, PretendServer, type Fate } from '$lib/device/testing/server.ts';

let quiet = () => undefined as void;
beforeEach(async () => dropItems((await waitingItems()).flatMap((i) => i.seq ?? [])));
afterEach(() => quiet());

const ids = (outbox: Outbox) => outbox.items.map((i) => i.id);
const serve = (server: PretendServer) => {
  quiet();
  quiet = answering(server.fetch);
};
const settled = async (outbox: Outbox) => {
  await outbox.send();
  return (await waitingItems()).map((i) => i.id);
};

describe('the outbox', () => {
  it('whatever the network does, every item ends stored once and in order, or refused and still here', () =>
    fc.assert(
      fc.asyncProperty(
        fc.array(fc.constantFrom<Fate>('good', 'lost-before', 'lost-after', 'broken'), { maxLength: 12 }),
        fc.array(fc.constantFrom('entry', 'photo', 'refused'), { minLength: 1, maxLength: 14 }),
        fc.array(fc.nat(13), { maxLength: 3 }),
        async (fates, kinds, restarts) => {
          await dropItems((await waitingItems()).flatMap((i) => i.seq ?? []));
          const refusedIds = new Set(kinds.flatMap((kind, n) => (kind === 'refused' ? [item(n).id] : [])));
          const left = [...fates];
          const server = new PretendServer(
            () => left.shift() ?? 'good',
            (id) => (refusedIds.has(id) ? 'because' : null),
          );
          serve(server);
          let outbox = new Outbox(
            () => ME,
            () => undefined,
          );
          for (const [n, kind] of kinds.entries()) {
            outbox.add(
              item(n, kind === 'photo' ? ({ type: 'photo', picture: new Blob(['x']) } as never) : {}),
            );
            await outbox.send();
            if (restarts.includes(n)) {
              // The page is closed and opened again: only what was written down is known.
              outbox = new Outbox(
                () => ME,
                () => undefined,
              );
              await outbox.start();
            }
          }
          for (let i = 0; i < fates.length + 2; i++) await outbox.send();
          const expected = kinds.flatMap((kind, n) => (kind === 'refused' ? [] : [item(n).id]));
          expect(server.stored).toEqual(expected);
          expect(ids(outbox).sort()).toEqual([...refusedIds].sort());
          expect(outbox.items.every((i) => i.refusal === 'because')).toBe(true);
          expect((await waitingItems()).map((i) => i.id).sort()).toEqual([...refusedIds].sort());
        },
      ),
      { numRuns: 20 },
    ));

  it('a refused item is sent again under its own id when somebody asks, and goes only when set aside', async () => {
    let reason: string | null = 'something before it is open';
    const server = new PretendServer(
      () => 'good',
      () => reason,
    );
    serve(server);
    const outbox = new Outbox(
      () => ME,
      () => undefined,
    );
    outbox.add(item(1), item(2));
    expect(await settled(outbox)).toHaveLength(2);
    expect(outbox.items.map((i) => i.refusal)).toEqual([reason, reason]);
    reason = null;
    await outbox.retry(item(1).id);
    expect(server.stored).toEqual([item(1).id]);
    await outbox.discard(item(2).id);
    expect(await waitingItems()).toEqual([]);
  });

  it('somebody else’s items stay until that person is signed in on this device', async () => {
    const server = new PretendServer(() => 'good');
    serve(server);
    let me = ME;
    const outbox = new Outbox(
      () => me,
      () => undefined,
    );
    const jonas = { ...ME, id: 'jonas', name: 'Jonas Myhr' };
    outbox.add(item(1, { by: jonas }), item(2));
    await outbox.send();
    expect(server.stored).toEqual([item(2).id]);
    expect(ids(outbox)).toEqual([item(1).id]);
    me = jonas;
    await outbox.send();
    expect(server.stored).toEqual([item(2).id, item(1).id]);
  });

  it('one record the server cannot read does not hold up the others', async () => {
    const server = new PretendServer(() => 'good');
    quiet = answering(async (address, init) => {
      const unreadable = String(init?.body).includes(item(2).id);
      if (unreadable) return new Response(JSON.stringify({ message: 'step: too long' }), { status: 400 });
      return server.fetch(address, init);
    });
    const outbox = new Outbox(
      () => ME,
      () => undefined,
    );
    outbox.add(item(1), item(2), item(3));
    await outbox.send();
    expect(server.stored).toEqual([item(1).id, item(3).id]);
    expect(outbox.items.map((i) => [i.id, i.refusal])).toEqual([[item(2).id, 'step: too long']]);
  });

  it('signed out it says so and waits; three hundred items go in two requests', async () => {
    let fate: Fate = 'signed-out';
    const server = new PretendServer(() => fate);
    serve(server);
    const outbox = new Outbox(
      () => ME,
      () => undefined,
    );
    outbox.add(...Array.from({ length: 300 }, (_, n) => item(n)));
    await outbox.send();
    expect([outbox.line, outbox.items.length]).toEqual(['signed-out', 300]);
    [fate, server.requests] = ['good', 0];
    await outbox.send();
    expect([server.requests, server.stored.length, outbox.line]).toEqual([2, 300, 'idle']);
  });
});
