/** A schedule on a device: what files are read, what is guessed and remembered, and what one press stores. */
import { strToU8, zipSync } from 'fflate';
import { afterEach, beforeEach, describe, expect, it } from 'vitest';
import { openingsChangeSchema, type OpeningsChange } from '$lib/contract/openings-change.ts';
import { dropItems, waitingItems } from '$lib/device/database.ts';
import { Outbox } from '$lib/device/outbox.svelte.ts';
import { answering, demoPack, ME } from '$lib/device/testing/server.ts';
import { JobStore } from '$lib/job/job.svelte.ts';
import { copyOfOpening, OpeningsSet } from '$lib/job/openings-set.svelte.ts';
import { addWords, openingsWords } from '$words/openings.ts';
import { LARGEST_FILE_bytes, readSheetFile } from './read-sheet.ts';
import { ScheduleDesk } from './schedule-desk.svelte.ts';
import { workbook } from './testing/workbook.ts';

let quiet = () => undefined as void;
beforeEach(async () => {
  localStorage.clear();
  await dropItems((await waitingItems()).flatMap(({ seq }) => seq ?? []));
});
afterEach(() => quiet());

const json = (body: unknown, status = 200) => new Response(JSON.stringify(body), { status });

/** A job whose server keeps the changes that it is sent, and answers as it is told. */
function open(
  answer: (change: OpeningsChange, sent: number) => Response | 'cut' = () => json({ versions: {} }),
) {
  const sent: OpeningsChange[] = [];
  const outbox = new Outbox(
    () => ME,
    () => undefined,
  );
  const store = new JobStore('skarv-point', demoPack(5), outbox);
  quiet = answering((address, init) => {
    if (!address.endsWith('/openings')) return Promise.reject(new TypeError('no network'));
    const change = openingsChangeSchema.parse(JSON.parse(String(init?.body)));
    sent.push(change);
    const answered = answer(change, sent.length);
    return answered === 'cut' ? Promise.reject(new TypeError('no network')) : Promise.resolve(answered);
  });
  const set = new OpeningsSet(store);
  return { store, set, desk: new ScheduleDesk(store, set), sent };
}
const file = (bytes: BlobPart, name = 'windows.xlsx') => new File([bytes], name);

describe('a file with a schedule', () => {
  it('of a spreadsheet gives figures as they are and formulas as they were saved', async () => {
    const read = await readSheetFile(
      file(
        workbook([
          ['Mark', 'Width'],
          ['W1', 900.5],
          ['W2', '=9*100'],
        ]),
      ),
    );
    expect(read).toEqual({
      ok: true,
      sheets: [
        {
          name: 'Openings',
          table: [
            ['Mark', 'Width'],
            ['W1', '900.5'],
            ['W2', '900'],
          ],
        },
      ],
    });
  });

  it('of text is read in the letters of today or of older spreadsheets', async () => {
    const older = new Uint8Array(
      [...'Mark;Fa']
        .map((c) => c.charCodeAt(0))
        .concat(0xe7, ...[...'ade\nW1;x'].map((c) => c.charCodeAt(0))),
    );
    for (const bytes of [older, strToU8('Mark;Façade\nW1;x')])
      expect(await readSheetFile(file(bytes as Uint8Array<ArrayBuffer>))).toMatchObject({
        sheets: [
          {
            table: [
              ['Mark', 'Façade'],
              ['W1', 'x'],
            ],
          },
        ],
      });
  });

  it('that is none, too large, or too large once unpacked is refused in words and nothing of it is unpacked', async () => {
    const because = async (bytes: BlobPart) => {
      const read = await readSheetFile(file(bytes));
      return read.ok ? null : read.because;
    };
    expect(await because('')).toBe('empty');
    expect(await because(new Uint8Array([1, 0, 2]))).toBe('notRead');
    expect(await because(workbook([]).slice(0, 300))).toBe('notRead');
    expect(await because(zipSync({ 'a.txt': strToU8('no workbook') }))).toBe('notRead');
    expect(await because(new Uint8Array(LARGEST_FILE_bytes + 1))).toBe('tooLarge');
    const zeros = new Uint8Array(51 * 1024 * 1024);
    const started = performance.now();
    expect(await because(zipSync({ 'xl/worksheets/sheet1.xml': zeros }, { level: 9 }))).toBe(
      'tooLargeInside',
    );
    expect(performance.now() - started).toBeLessThan(10_000);
  });
});

describe('a schedule', () => {
  const LINES =
    'Ref;Elev;Model;Size\nW1;South;Type B, casement;900x1200\nW2;East;Z;500x700\nS-01;South;Z;500x700\n';

  it('takes a unit of the same size that is here, makes the others, and leaves openings that are here alone', async () => {
    const { desk, sent } = open();
    await desk.text(LINES);
    expect(desk.ready).toBe(false);
    desk.bare = 'mm';
    expect(desk.added.map(({ mark, unit }) => [mark, unit.startsWith('Type')])).toEqual([
      ['W1', true],
      ['W2', false],
    ]);
    expect(await desk.take()).toBe(true);
    expect(sent).toHaveLength(1);
    expect(sent[0]).toMatchObject({
      units: [{ name: 'Z', width: { typed: '500 mm', mm: 500 } }],
      add: [
        { mark: 'W1', facade: 'South' },
        { mark: 'W2', facade: 'East', unit: sent[0]?.units[0]?.id },
      ],
      change: [],
    });
    // Weight and glass are each unit's own.
    expect(sent[0]?.units[0]).not.toHaveProperty('weight_kg');
  });

  it('changes those that are here when it is told to, from the version that is here', async () => {
    const { desk, sent, store } = open();
    await desk.text(LINES);
    desk.bare = 'mm';
    desk.known = 'change';
    await desk.take();
    const here = store.pack.openings.find(({ document }) => document.mark === 'S-01');
    expect(sent[0]?.change).toMatchObject([
      { version: here?.version, document: { id: here?.document.id, name: here?.document.name } },
    ]);
  });

  it('that is sent again after a lost answer is the same, id by id', async () => {
    const { desk, set, sent } = open((_, n) => (n === 1 ? 'cut' : json({ versions: {} })));
    await desk.text(LINES);
    desk.bare = 'mm';
    expect(await desk.take()).toBe(false);
    expect(set.problem).toBe(addWords.needsNetwork);
    expect(await desk.take()).toBe(true);
    expect(sent[1]).toEqual(sent[0]);
  });

  it('is stored once however often it is pressed at once', async () => {
    const { desk, sent } = open();
    await desk.text(LINES);
    desk.bare = 'mm';
    expect(await Promise.all([desk.take(), desk.take(), desk.take()])).toEqual([true, false, false]);
    expect(sent).toHaveLength(1);
  });

  it('what somebody said of a heading is known the next time, also that it is left aside', async () => {
    const first = open().desk;
    await first.text('Pos;Side;Size;Note\nW1;South;900x1200;x\n');
    expect(first.fields).toEqual([null, 'facade', 'size', null]);
    expect(first.schedule.problems).toEqual([{ code: 'no-mark-column' }]);
    first.setField(0, 'mark');
    first.setField(1, null);
    const next = open().desk;
    await next.text('POS.\tSide\tSize\nW9\tEast\t900x1200\n');
    expect(next.fields).toEqual(['mark', null, 'size']);
  });

  it('the rough openings of its lines become figures from the drawing, kept until they are sent', async () => {
    const { desk, store } = open();
    await desk.text('Mark;R.O. Width;R.O. Height\nS-02;1215;1520\n');
    desk.bare = 'mm';
    desk.known = 'change';
    await desk.take();
    const kept = store.waiting.flatMap((item) => (item.type === 'reading' ? [item.record] : []));
    expect(kept.map(({ point, value, instrument }) => [point, value?.mm, instrument])).toEqual([
      ['roughWidth', 1215, 'drawing'],
      ['roughHeight', 1520, 'drawing'],
    ]);
  });
});

describe('a change of the openings', () => {
  it('is taken back by its opposite, knowing the versions it made', async () => {
    const { store, set, sent } = open(() => json({ versions: { 'skarv-s-01': 8 } }));
    const [part] = store.pack.openings;
    if (!part) throw new Error('the demo is empty');
    await set.change([part.document.id], (document) => ({ ...document, mark: 'X-1' }));
    expect(set.said).toBe(openingsWords.changed(1));
    await set.undo();
    expect(sent[1]?.change).toEqual([{ version: 8, document: part.document }]);
    expect(set.said).toBe(openingsWords.undone);
    expect(set.canUndo).toBe(false);
    await set.add([copyOfOpening(part.document, 'copy-1', 'X-2')]);
    await set.undo();
    expect(sent[3]?.remove).toEqual(['copy-1']);
    await set.remove(['a', 'b']);
    await set.undo();
    expect(sent[5]?.restore).toEqual(['a', 'b']);
  });

  it('that is refused says why and leaves nothing to undo', async () => {
    const { set } = open(() => json({ message: 'Nothing was changed: S-01 would stand for two.' }, 409));
    expect(await set.remove(['a'])).toBe(false);
    expect(set.problem).toContain('S-01 would stand for two');
    expect(set.canUndo).toBe(false);
  });

  it('that leaves everything as it is sends nothing', async () => {
    const { store, set, sent } = open();
    expect(
      await set.change(
        store.pack.openings.map(({ document }) => document.id),
        (one) => one,
      ),
    ).toBe(true);
    expect(sent).toEqual([]);
  });

  it('a copy has what was chosen and nothing that happened', () => {
    const [part] = demoPack().openings;
    if (!part) throw new Error('the demo is empty');
    const damaged = { ...part.document, damage: 'corner', label: { uFactor: 1 }, deviations: [] };
    const copy = copyOfOpening(damaged, 'copy-1', 'X-2');
    expect(copy).toMatchObject({ mark: 'X-2', wall: part.document.wall, unit: part.document.unit });
    for (const own of ['damage', 'label', 'deviations', 'position']) expect(copy).not.toHaveProperty(own);
  });
});
