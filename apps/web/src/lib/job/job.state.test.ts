/** A job on a device: whose verdict is shown, what is shown of answers that cross, what stays when nobody answers. */
import { withChanges } from './pack-changes.ts';
import { judgeMark } from '$lib/contract/judged.ts';
import type { Pack } from '$lib/contract/pack.ts';
import { Outbox } from '$lib/device/outbox.svelte.ts';
import { dropItems, waitingItems } from '$lib/device/database.ts';
import { answering, demoPack, item, ME, PretendServer } from '$lib/device/testing/server.ts';
import { judge, openingOf, planOpening, type Judgement } from '@hulvek/core';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { JobStore } from './job.svelte.ts';
import { openJob } from './open-job.ts';

let quiet = () => undefined as void;
beforeEach(async () => dropItems((await waitingItems()).flatMap((i) => i.seq ?? [])));
afterEach(() => quiet());

const outbox = () =>
  new Outbox(
    () => ME,
    () => undefined,
  );
const open = (pack: Pack = demoPack()) => new JobStore(pack.context.job.id, pack, outbox());
const json = (body: unknown) => Promise.resolve(new Response(JSON.stringify(body), { status: 200 }));

/** The demo's first opening with a verdict of the server, made of what it really is or of something else. */
function judgedPack(change: (mark: string) => string = (mark) => mark): { pack: Pack; verdict: Judgement } {
  const pack = demoPack();
  const [part, ...rest] = pack.openings;
  if (!part) throw new Error('the demo has no opening');
  const opening = openingOf(part.document, part.readings);
  const verdict = judge(planOpening(opening, pack.context), { heat: 'unsolved' });
  const judged = { mark: change(judgeMark(pack.context)(opening)), judgement: verdict };
  return { pack: { ...pack, openings: [{ ...part, judged }, ...rest] }, verdict };
}

/** Stands in for the stream of a job's changes: what is said to it is heard by whoever follows. */
function pretendEvents(): (data: unknown) => void {
  let listener: ((event: { data: string }) => void) | null = null;
  globalThis.EventSource = class {
    set onmessage(one: (event: { data: string }) => void) {
      listener = one;
    }
    close(): void {
      listener = null;
    }
  } as never;
  return (data) => listener?.({ data: JSON.stringify(data) });
}

describe('the verdict shown', () => {
  it('is the one the server keeps, as long as the opening is what was judged; nothing is planned for it', () => {
    const { pack, verdict } = judgedPack();
    const store = open(pack);
    expect(store.names[0]?.judgement).toEqual(verdict);
    expect(store.canPlan).toBe(false);
  });

  it('of something else is not shown: the opening is judged here, without heat, and says that heat is at work', async () => {
    const { pack } = judgedPack(() => 'another');
    const store = open(pack);
    expect(store.names[0]?.judgement).toBeNull();
    await store.judgeRest();
    expect(store.names[0]?.judgement).toMatchObject({ working: true });
    expect(store.names.every(({ judgement }) => judgement !== null)).toBe(true);
  });

  it('goes the moment a figure is entered that is not sent yet', () => {
    const { pack, verdict } = judgedPack();
    const store = open(pack);
    const [part] = pack.openings;
    const first = item(1);
    store.outbox.items = [
      {
        ...first,
        opening: part?.document.id ?? '',
        type: 'reading',
        record: {
          id: first.id,
          opening: part?.document.id as never,
          point: 'widthTop',
          from: 'outside',
          value: { typed: '901', mm: 901 },
          replaces: [],
          instrument: 'tape',
          at: '2026-11-23T10:00:00.000Z',
        } as never,
      } as never,
    ];
    expect(store.names[0]?.judgement).not.toEqual(verdict);
  });

  it('needs plans asked for: a page that did not is told so, and no plan is made behind its back', async () => {
    const store = open();
    expect(() => store.plans).toThrow(/did not ask for planning/);
    await store.planning();
    expect(store.plans).toHaveLength(demoPack().openings.length);
    const [plan] = store.plans;
    expect(plan && store.planOf(plan.opening)).toBe(plan);
  });
});

describe('answers of the server', () => {
  it('an answer overtaken by a newer one is not shown', async () => {
    const store = open(demoPack(5));
    quiet = answering(() => json({ ...demoPack(4), openings: [] }));
    await store.refresh();
    expect(store.pack.revision).toBe(5);
    expect(store.views.size).toBeGreaterThan(0);
  });

  it('one that is no pack is refused, and what was there stays', async () => {
    const store = open(demoPack(5));
    quiet = answering(() => json({ hello: 'world' }));
    expect(await store.refresh()).toBe(false);
    expect(store.pack.revision).toBe(5);
  });

  it('a part of one opening replaces that one only', async () => {
    const store = open(demoPack(5));
    const [part] = store.pack.openings;
    if (!part) throw new Error('the demo has no opening');
    const renamed = { ...part, version: 2, document: { ...part.document, name: 'moved' } };
    quiet = answering(() => json({ revision: 6, part: renamed }));
    expect(await store.refresh(part.document.id)).toBe(true);
    expect(store.view(part.document.id)?.opening.name).toBe('moved');
    expect(store.pack.openings).toHaveLength(demoPack().openings.length);
  });
});

describe('the head of the log', () => {
  const head = (seq: number, digit: string) => ({
    job: demoPack().context.job.id,
    seq,
    head: digit.repeat(64),
    at: '2026-11-29T12:00:00.000Z',
    signature: 'c2ln',
    key: 'a2V5',
  });
  const key = `hulvek:head:${demoPack().context.job.id}`;

  it('is kept, the newest of them; one that the server does not know is told until somebody decides', async () => {
    localStorage.removeItem(key);
    const store = open();
    const asked: string[] = [];
    let answer: object = { head: head(5, 'a'), own: true };
    quiet = answering((address) => {
      asked.push(address);
      return json(answer);
    });
    await store.checkHead();
    answer = { head: head(4, 'b'), own: true };
    await store.checkHead();
    expect(JSON.parse(localStorage.getItem(key) ?? '')).toMatchObject({ seq: 5 });
    expect(asked[1]).toContain(`?seq=5&head=${'a'.repeat(64)}`);
    answer = { head: head(3, 'c'), own: false };
    await store.checkHead();
    expect(store.otherLog).toMatchObject({ seq: 5 });
    expect(JSON.parse(localStorage.getItem(key) ?? '')).toMatchObject({ seq: 5 });
    answer = { head: head(3, 'c'), own: true };
    store.acceptLog();
    expect(store.otherLog).toBeNull();
    await expect.poll(() => (JSON.parse(localStorage.getItem(key) ?? '{}') as { seq?: number }).seq).toBe(3);
  });
});

describe('what changed since', () => {
  it('is asked for again when the answer was lost, although nothing more is heard', async () => {
    const say = pretendEvents();
    const store = open(demoPack(5));
    const leave = store.follow();
    let asked = 0;
    quiet = answering(() => {
      asked += 1;
      if (asked === 1) return Promise.reject(new TypeError('no network'));
      return json({ ...demoPack(8), since: 5, openings: [], order: [] });
    });
    say({ revision: 8 });
    await expect.poll(() => store.pack.revision, { timeout: 6000 }).toBe(8);
    expect(asked).toBe(2);
    leave();
  });

  it('is put into the pack that is here: what is named comes anew, what is gone goes, the rest stays as it is', () => {
    const pack = demoPack(5);
    const [first, second, third] = pack.openings;
    if (!first || !second || !third) throw new Error('the demo has too few openings');
    const moved = { ...second, document: { ...second.document, name: 'moved' } };
    const ids = [second, first].map((part) => String(part.document.id));
    const answer = { ...pack, revision: 8, since: 5, openings: [moved], order: ids };
    const now = withChanges(pack, answer);
    expect(now.revision).toBe(8);
    expect(now.openings.map((part) => part.document.name)).toEqual(['moved', first.document.name]);
    expect(now.openings[1]).toBe(first);
    expect('order' in now || 'since' in now).toBe(false);
    // Frozen plans that are here already are not sent again.
    const { issues: _, ...bare } = moved;
    expect(withChanges(pack, { ...answer, openings: [bare] }).openings[0]?.issues).toBe(second.issues);
    // From a revision that is not here yet it cannot be put together.
    expect(withChanges(pack, { ...answer, since: 7 })).toBe(pack);
    expect(withChanges(pack, demoPack(9)).revision).toBe(9);
  });

  it('records of others come with the word of them, and nothing is asked for', async () => {
    const store = open(demoPack(5));
    let asked = 0;
    quiet = answering(() => {
      asked += 1;
      return json({});
    });
    const say = pretendEvents();
    const leave = store.follow();
    const begun = store.pack.openings.find(({ entries }) => entries.length > 0);
    const [known] = begun?.entries ?? [];
    if (!begun || !known) throw new Error('the demo has no entries');
    const fresh = { ...known, id: '5ca20000-0000-4000-8000-00000000abcd', note: 'of somebody else' };
    const entries = [fresh, { ...known, received: '2026-11-28T10:00:00.000Z' }];
    say({ revision: 7, from: 5, openings: [], entries });
    const now = store.view(begun.document.id)?.entries ?? [];
    expect(now).toHaveLength(begun.entries.length + 1);
    expect(now.find(({ id }) => id === known.id)?.received).toBe('2026-11-28T10:00:00.000Z');
    expect(store.pack.revision).toBe(7);
    // What comes twice is there once; what leaves a gap is asked for.
    say({ revision: 7, from: 5, openings: [], entries });
    expect(store.view(begun.document.id)?.entries).toHaveLength(begun.entries.length + 1);
    expect(asked).toBe(0);
    say({ revision: 12, from: 10, openings: [], entries: [] });
    await expect.poll(() => asked, { timeout: 3000 }).toBe(1);
    leave();
  });
});

describe('opening a job', () => {
  it('while entries are being sent shows them, whichever answer comes first and wherever the job was kept', async () => {
    const now = demoPack(9);
    quiet = answering(new PretendServer(() => 'good').fetch);
    const sending = outbox();
    const id = 'crossing';
    const mine = item(77, { job: id });
    const has = (store: JobStore) =>
      store.view(String(mine.opening))?.entries.some((entry) => entry.id === mine.id) ?? false;

    // The answer was on its way before the server took the entry, and arrives after: nobody had the job open.
    let answer: (pack: Response) => void = () => undefined;
    const early = openJob(id, sending, () => new Promise((resolve) => (answer = resolve)));
    sending.add(mine);
    await vi.waitFor(() => expect(sending.taken.map((taken) => taken.id)).toEqual([mine.id]));
    answer(await json(now));
    const opened = await early;
    expect(opened.ok && has(opened.store)).toBe(true);

    // The device's own copy is shown first, and an answer that is late does not take the entry away.
    vi.useFakeTimers({ toFake: ['setTimeout'] });
    const late = openJob(id, sending, () => new Promise((resolve) => (answer = resolve)));
    await vi.waitFor(() => expect(vi.getTimerCount()).toBeGreaterThan(0));
    vi.runAllTimers();
    const shown = await late;
    vi.useRealTimers();
    expect(shown.ok && has(shown.store)).toBe(true);
    answer(
      await json({
        ...now,
        revision: 10,
        since: 9,
        openings: [],
        order: now.openings.map((o) => o.document.id),
      }),
    );
    await expect.poll(() => shown.ok && shown.store.pack.revision).toBe(10);
    expect(shown.ok && has(shown.store)).toBe(true);
  });

  it('waits for no network where the device has a copy, and says so where it has none', async () => {
    const from: typeof fetch = () => json(demoPack(9));
    // A job of its own: stores of other tests keep theirs a moment later.
    const first = await openJob('kept-here', outbox(), from);
    expect(first.ok && first.store.pack.revision).toBe(9);
    const dead: typeof fetch = () => Promise.reject(new TypeError('no network'));
    const again = await openJob('kept-here', outbox(), dead);
    expect(again.ok && again.store.pack.revision).toBe(9);
    const unknown = await openJob('never-seen', outbox(), dead);
    expect(unknown).toMatchObject({ ok: false, status: 503 });
  });

  it('that one may no longer see is forgotten on the device', async () => {
    await openJob('left-job', outbox(), () => json(demoPack(9)));
    const refused: typeof fetch = () => Promise.resolve(new Response('', { status: 403 }));
    expect(await openJob('left-job', outbox(), refused)).toMatchObject({ ok: false, status: 403 });
    const dead: typeof fetch = () => Promise.reject(new TypeError('no network'));
    await vi.waitFor(async () =>
      expect(await openJob('left-job', outbox(), dead)).toMatchObject({ ok: false, status: 503 }),
    );
  });
});
