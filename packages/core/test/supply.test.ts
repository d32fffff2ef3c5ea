/** Material: counted by hand and off the drawings, cut, ordered in time, and what touches what. */
import {
  askStock,
  chemistries,
  contactFaces,
  contacts,
  contactTable,
  contextOf,
  costOf,
  cutPlan,
  difference,
  early,
  exampleJob,
  insteadOf,
  isSettledByTest,
  needsOf,
  noSupply,
  onDay,
  openingsOf,
  piecesSvg,
  planOpening,
  presetIds,
  startingShelf,
  stripsOf,
  takeoff,
  withChanges,
  whatInsteadChanges,
  wrapNeeds,
  articleOf,
  type Build,
  type Material,
  type PresetId,
  type Supply,
  type SupplyOrder,
  type TakeoffLine,
} from '@hulvek/core';
import loadHighs from 'highs';
import { describe, expect, it } from 'vitest';
import { BY_HAND, needed } from './supply.expected.ts';

const materials = startingShelf().flatMap(({ kind, document }) =>
  kind === 'materials' ? [document as Material] : [],
);

function buildOf(school: PresetId): Build {
  const file = exampleJob(school);
  const [opening] = openingsOf(file);
  const build = opening && planOpening(opening, contextOf(file)).build;
  if (!build) throw new Error(`${school} cannot be built`);
  return build;
}
const linesOf = (school: PresetId, supply: Supply = noSupply): TakeoffLine[] =>
  takeoff({ needs: needsOf('one', buildOf(school), {}), supply });
const lineOf = (lines: readonly TakeoffLine[], id: string): TakeoffLine => {
  const line = lines.find(({ article }) => article.id === id);
  if (!line) throw new Error(`nothing of ${id}`);
  return line;
};

describe('what an opening needs', () => {
  it.each(Object.entries(needed) as [PresetId, Record<string, number>][])(
    'of %s is what is worked by hand',
    (school, by) => {
      const lines = linesOf(school);
      for (const [id, amount] of Object.entries(by)) {
        const off = Math.abs(lineOf(lines, id).net - amount);
        // A board's slope is not a round figure; fluids are to the millilitre.
        expect(off, `${id}: ${lineOf(lines, id).net}, by hand ${amount}`).toBeLessThan(
          id === 'sealant' ? 1 : 0.6,
        );
      }
    },
  );

  it.each(presetIds)(
    'of %s, strips are as long and wide as they measure on the drawings that are exported',
    (school) => {
      const build = buildOf(school);
      const svg = piecesSvg(build.pieces, ({ id }) => id);
      const drawn = new Map<string, readonly [number, number]>();
      // Each piece is a group with its name and its outlines, in mm.
      for (const [, name = '', body = ''] of svg.matchAll(/<g data-piece="([^"]*)"[^>]*>([\s\S]*?)<\/g>/g)) {
        const points = [...body.matchAll(/points="([^"]*)"/g)]
          .flatMap(([, list = '']) => list.trim().split(/\s+/))
          .map((pair) => pair.split(',').map(Number));
        const span = (axis: number) =>
          Math.max(...points.map((p) => p[axis] ?? 0)) - Math.min(...points.map((p) => p[axis] ?? 0));
        drawn.set(name, [span(0), span(1)]);
      }
      const strips = needsOf('one', build, {}).filter(
        ({ article, piece }) => article.form === 'roll' && drawn.has(piece ?? ''),
      );
      // Of the pocket nothing is cut flat.
      expect(drawn.size > 0).toBe(school !== 'pocket');
      for (const { piece, length_mm, width_mm } of strips) {
        const [long, wide] = drawn.get(piece ?? '') ?? [0, 0];
        expect(Math.abs((length_mm ?? 0) - long), `${piece}: ${length_mm}, drawn ${long}`).toBeLessThan(0.2);
        expect(Math.abs((width_mm ?? 0) - wide), `${piece}: ${width_mm}, drawn ${wide}`).toBeLessThan(0.2);
      }
    },
  );

  it('is told against what is on the van, on order, come, and used by what is done', () => {
    const supply: Supply = {
      ...noSupply,
      van: [{ id: 'a', article: 'sealant', amount: 2 }],
      orders: [order('sealant', 1, 'ordered'), order('sealant', 3, 'came'), order('sealant', 9, 'wrong')],
      articles: [{ id: 'sealant', price: 10 }],
    };
    const build = buildOf('closed-barrier');
    const bead = build.steps.find(({ places }) =>
      places.some((piece) => build.pieces.some((p) => p.id === piece && p.form === 'bead')),
    );
    const [line] = takeoff({
      needs: needsOf('one', build, {}).filter(({ article }) => article.id === 'sealant'),
      supply,
      isDone: (_opening, step) => step === bead?.id,
    });
    // 221 ml of bead with 15 % waste from tubes of 300.
    expect(line?.used).toBeCloseTo((221.17 * 1.15) / 300, 3);
    expect(line).toMatchObject({ van: 2, ordered: 1, came: 3, missing: 0 });
    expect(line?.left).toBeCloseTo(5 - (line?.used ?? 0), 9);
    expect(line?.cost).toBe((line?.packs ?? 0) * 10);
  });

  it('differs between two methods by what one has more of', () => {
    const more = difference(linesOf('closed-barrier'), linesOf('drained-head-flap'));
    expect(more.find(({ article }) => article.id === 'stretch-flashing/230')).toMatchObject({ before: 0 });
    expect(more.some(({ article }) => article.goods === 'unit')).toBe(false);
  });

  it('costs its parts of packs and everybody’s hours', () => {
    const build = buildOf('drained-head-flap');
    const needs = needsOf('one', build, {});
    const supply: Supply = { ...noSupply, articles: [{ id: 'flashing-tape/100', price: 25 }] };
    const cost = costOf(needs, build.steps, { supply, rate: 60 });
    expect(cost.material).toBeCloseTo((25 * 4440) / 25_000, 6);
    expect(cost.unpriced).toBe(new Set(needs.map(({ article }) => article.id)).size - 1);
    expect(cost.labour).toBeCloseTo(cost.hours * 60, 9);
  });
});

function order(
  article: string,
  amount: number,
  state: SupplyOrder['events'][number]['state'],
  promised?: string,
): SupplyOrder {
  const event = { state, at: '2026-11-01T08:00:00.000Z', person: 'Somebody', ...(promised && { promised }) };
  return { id: `${article}-${state}`, article, amount, events: [event] };
}

describe('a plan of cuts of a job', () => {
  const cut = async (line: TakeoffLine, supply = noSupply, done: ReadonlySet<string> = new Set()) =>
    cutPlan({ line, supply, done }, await loadHighs(), { now: () => performance.now() });

  it('cuts every strip once, none shorter than asked, and nothing that is cut already', async () => {
    const line = lineOf(linesOf('drained-head-flap'), 'flashing-tape/100');
    const strips = stripsOf(line);
    const plan = await cut(line, noSupply, new Set([strips[0]?.id ?? '']));
    expect(plan.answer.bars.flatMap(({ pieces }) => pieces).sort()).toEqual(
      strips
        .slice(1)
        .map(({ id }) => id)
        .sort(),
    );
    for (const { need, length_mm } of strips)
      expect(length_mm).toBeGreaterThanOrEqual(need.length_mm ?? Infinity);
  });

  it('takes left-overs of the van first', async () => {
    const line = lineOf(linesOf('drained-head-flap'), 'flashing-tape/100');
    const van: Supply['van'] = [{ id: 'rest', article: line.article.id, amount: 1, length_mm: 5000 }];
    const plan = await cut(line, { ...noSupply, van });
    expect(plan.answer.used).toEqual({ 'van:rest': 1 });
  });

  it('joins a long seam with laps and never a pan', async () => {
    const line = lineOf(linesOf('drained-head-flap'), 'stretch-flashing/230');
    const long = { ...line, terms: { ...line.terms, lengths_mm: [1000] } };
    expect((await cut(long)).answer.unplaced).toHaveLength(1);
    const seam = { ...long, needs: long.needs.map((need) => ({ ...need, mayJoin: true })) };
    // 1220 of two parts with a lap of 150.
    expect(stripsOf(seam).map(({ length_mm }) => length_mm)).toEqual([685, 685]);
    expect((await cut(seam)).answer.unplaced).toEqual([]);
  });

  it('of boards rips strips first and says what is waste', async () => {
    const line = lineOf(linesOf('drained-full-jambs'), 'wood-board/6');
    const { sheets, answer } = await cut(line);
    const area = line.needs.reduce((sum, n) => sum + n.count * (n.length_mm ?? 0) * (n.width_mm ?? 0), 0);
    expect(answer.unplaced).toEqual([]);
    expect(sheets?.each).toHaveLength(1);
    expect(sheets?.waste).toBeCloseTo(1 - area / (1220 * 2440), 3);
  });
});

describe('what must be ordered by when', () => {
  const lines = linesOf('fluid-recessed');
  const [unit, metal] = ['unit/u-900-1200', 'sheet-metal/300'].map((id) => lineOf(lines, id));
  const days = new Map(
    lines.flatMap(({ needs }) => needs.map(({ step }) => [`one/${step ?? ''}`, '2026-12-20'] as const)),
  );
  const told = (
    orders: readonly SupplyOrder[],
    today: string,
    own = takeoff({
      needs: lines.flatMap(({ needs }) => needs),
      supply: { ...noSupply, orders: [...orders] },
    }),
  ) => new Map(early(own, { days, orders, today }).map((one) => [one.line.article.id, one]));

  it('is the day it is needed less its days of lead: late, this week, later', () => {
    const at = told([], '2026-12-08');
    // 42 days before 20 December, and 10.
    expect(at.get(unit?.article.id ?? '')).toMatchObject({
      orderBy: '2026-11-08',
      standing: 'late',
      because: ['unit'],
    });
    expect(at.get(metal?.article.id ?? '')).toMatchObject({ orderBy: '2026-12-10', standing: 'now' });
    expect(told([], '2026-11-20').get(metal?.article.id ?? '')?.standing).toBe('later');
  });

  it('is in no plan where nobody planned a day', () => {
    const [one] = early(lines, { days: new Map(), orders: [], today: '2026-12-08' });
    expect(one).toMatchObject({ orderBy: null, standing: 'undated' });
  });

  it('that is promised too late names whom it holds up, and what came wrong is said', () => {
    const late = told([order('unit/u-900-1200', 1, 'promised', '2026-12-22')], '2026-11-01');
    expect(late.get('unit/u-900-1200')).toMatchObject({ standing: 'too-late', heldUp: ['one'] });
    expect(
      told([order('unit/u-900-1200', 1, 'promised', '2026-12-20')], '2026-11-01').get('unit/u-900-1200')
        ?.standing,
    ).toBe('waiting');
    expect(told([order('unit/u-900-1200', 1, 'wrong')], '2026-11-01').get('unit/u-900-1200')?.standing).toBe(
      'wrong',
    );
    expect(told([order('unit/u-900-1200', 1, 'came')], '2026-11-01').get('unit/u-900-1200')?.standing).toBe(
      'there',
    );
  });
});

describe('what touches what', () => {
  it('has an answer for every adhesive on every face', () => {
    for (const chemistry of chemistries)
      for (const face of contactFaces)
        expect(contactTable[chemistry][face], `${chemistry} on ${face}`).toBeTruthy();
  });

  it.each(presetIds)('in %s is known wherever the shelf says what a material is made of', (school) => {
    const all = contacts(buildOf(school), { materials });
    expect(all.length).toBeGreaterThan(3);
    for (const { material, chemistry, face, touch, piece, onto } of all)
      if (touch === 'unknown')
        expect(material === null || chemistry === null || face === null, `${piece} on ${onto}`).toBe(true);
    // Every pair with a chemistry on both sides is in the table.
    const known = all.filter(({ touch }) => touch !== 'unknown');
    expect(known.length).toBeGreaterThan(all.length / 2);
  });

  it('is unknown where no material was chosen: nothing is taken for granted', () => {
    for (const { touch } of contacts(buildOf('drained-head-flap'), {})) expect(touch).toBe('unknown');
  });

  // Handbook facts of the trade: common practice, no source.
  it.each([
    ['rubberised-asphalt', 'vinyl', 'attacked'],
    ['rubberised-asphalt', 'epdm', 'attacked'],
    ['acrylic', 'cured-silicone', 'no-stick'],
    ['acrylic', 'masonry', 'primer'],
    ['acrylic', 'wood', 'goes'],
    ['silicone-acid', 'masonry', 'attacked'],
    ['silicone-acid', 'bare-metal', 'attacked'],
    ['acrylic', 'fluid-film', 'both-makers'],
  ] as const)('%s on %s: %s', (chemistry, face, answer) => {
    expect(contactTable[chemistry][face]).toBe(answer);
  });

  const test = (
    face: Supply['adhesion'][number]['face'],
    more: Partial<Supply['adhesion'][number]> = {},
  ) => ({
    id: 't',
    material: 'silicone' as Supply['adhesion'][number]['material'],
    face,
    primer: false,
    held: true,
    at: '2026-11-01T08:00:00.000Z',
    person: 'Somebody',
    note: '',
    ...more,
  });
  const siliconeOn = (face: string, adhesion: Supply['adhesion'], own: Partial<Material> = {}) =>
    contacts(buildOf('closed-barrier'), {
      materials: materials.map((m) => (m.id === 'silicone' ? { ...m, ...own } : m)),
      adhesion,
    }).filter((one) => one.material?.id === 'silicone' && one.face === face);

  it('is settled by an own pull where a primer is asked for, and never against chemistry or a maker', () => {
    expect(new Set(siliconeOn('wood', []).map(({ touch }) => touch))).toEqual(new Set(['primer']));
    expect(new Set(siliconeOn('wood', [test('wood')]).map(({ touch }) => touch))).toEqual(new Set(['goes']));
    expect(new Set(siliconeOn('wood', [test('wood', { held: false })]).map(({ touch }) => touch))).toEqual(
      new Set(['no-stick']),
    );
    const asphalt = { chemistry: 'rubberised-asphalt' as const };
    expect(new Set(siliconeOn('vinyl', [test('vinyl')], asphalt).map(({ touch }) => touch))).toEqual(
      new Set(['attacked']),
    );
    expect(
      new Set(siliconeOn('vinyl', [test('vinyl')], { banned: ['vinyl'] }).map(({ touch }) => touch)),
    ).toEqual(new Set(['banned']));
    expect(isSettledByTest('attacked')).toBe(false);
  });

  it('has another stock for a piece, the one that goes first; what is narrow or does not stretch is told', () => {
    const build = buildOf('drained-head-flap');
    const instead = insteadOf(build, 'pan', { materials });
    expect(instead.length).toBeGreaterThan(0);
    expect(instead.every(({ doesNotStretch }) => doesNotStretch)).toBe(true);
    const tape = insteadOf(build, 'jamb-tape-left', { materials });
    expect(tape.map(({ material }) => material.id)).toContain('tape-230');
    expect(tape[0]).toMatchObject({ tooNarrow: false, doesNotStretch: false, touch: 'goes' });
  });

  it('that does not stick where it is planned fails, with a primer it is a look, what is not known is not checkable', () => {
    const file = exampleJob('drained-head-flap');
    const [opening] = openingsOf(file);
    if (!opening) throw new Error('no opening');
    const withTape = (change: Partial<Material>) => {
      const own = materials.map((one) => (one.kind === 'flashing-tape' ? { ...one, ...change } : one));
      const { findings } = planOpening(opening, { ...contextOf(file), materials: own });
      return new Map(
        findings.flatMap((one) =>
          one.code === 'does-not-stick' && one.facts.material.includes('tape')
            ? [[`${one.facts.touch} ${one.facts.faces.join()}`, one.severity] as const]
            : [],
        ),
      );
    };
    expect([...withTape({}).values()].filter((severity) => severity !== 'look')).toEqual([]);
    expect(withTape({ banned: ['wrap'] }).get('banned wrap')).toBe('fails');
    expect(withTape({ chemistry: 'silicone-acid' }).get('no-stick wrap')).toBe('fails');
    expect([...withTape({ chemistry: undefined } as never).values()]).toContain('not-checkable');
    // However many grounds a bead meets, it is looked at once.
    const looks = planOpening(opening, { ...contextOf(file), materials }).findings.filter(
      ({ code, severity }) => code === 'does-not-stick' && severity === 'look',
    );
    expect(new Set(looks.map(({ step }) => step)).size).toBe(looks.length);
    // Without a stock the school's own kind is judged, as before.
    const bare = planOpening(opening, contextOf(file));
    expect(bare.findings.some(({ code }) => code === 'does-not-stick')).toBe(false);
  });

  it('used on site in a piece’s place counts by what it touches: as planned, as no bond, or as not known', () => {
    const build = buildOf('drained-head-flap');
    const [best] = insteadOf(build, 'jamb-tape-left', { materials });
    if (!best) throw new Error('nothing else is there');
    const noStick: Material = {
      ...best.material,
      id: 'old-roll' as Material['id'],
      banned: ['wrap', 'vinyl'],
    };
    const ask = askStock({ materials: [...materials, noStick] });
    const used = (stock: string) => {
      const change = { kind: 'other-material', piece: 'jamb-tape-left', material: 'x', stock } as const;
      const result = withChanges(build, [change], undefined, ask);
      if (!result.ok) throw new Error(result.error);
      return { lost: result.value.lost, strange: result.value.strange };
    };
    expect(used(best.material.id)).toEqual({ lost: [], strange: [] });
    expect(used('old-roll')).toEqual({ lost: ['jamb-tape-left'], strange: [] });
    expect(used('never-heard-of')).toEqual({ lost: [], strange: ['jamb-tape-left'] });
    expect(ask(build, 'pan', best.material.id)).toBe('unknown');
  });

  it('is not worked on a day that is too cold, too warm or wet', () => {
    const [tape] = materials.filter(({ id }) => id === 'tape-100');
    const row = { at: '2026-12-01T08:00:00.000Z', temperature_C: -8, rain_mm: 0.4, wind_ms: 3, gust_ms: 5 };
    expect(tape && onDay(tape, [row])).toEqual(['too-cold', 'wet']);
    expect(tape && onDay(tape, [{ ...row, temperature_C: 10, rain_mm: 0 }])).toEqual([]);
  });
});

describe('what is counted beside the pieces', () => {
  const bare = {
    opening: 'one',
    piece: null,
    step: null,
    length_mm: null,
    width_mm: null,
    volume_ml: null,
    mayJoin: false,
  };

  it('wrap that the crew hangs itself, in courses that lap', () => {
    const { facade, courses, net_mm } = BY_HAND.wrap;
    const supply = { ...noSupply, wraps: [{ id: 'w', facade: 'South', ...facade }] };
    const needs = wrapNeeds(supply, []);
    expect(needs.map(({ count, article }) => [count, article.width_mm])).toEqual([[courses, 2740]]);
    expect(takeoff({ needs, supply })[0]).toMatchObject({ net: net_mm, packs: 1 });
  });

  it('a lift for each day on which it is used', () => {
    const { days, needed: lifts } = BY_HAND.lifts;
    const needs = days.map((_, i) => ({
      ...bare,
      opening: `o${i}`,
      step: 'set',
      article: articleOf('lift-day'),
      count: 1,
    }));
    const dayOf = (opening: string) => days[Number(opening.slice(1))] ?? null;
    expect(takeoff({ needs, supply: noSupply, dayOf })[0]?.packs).toBe(lifts);
    expect(takeoff({ needs, supply: noSupply })[0]?.packs).toBe(days.length);
  });

  it('boards are ripped along or across, whichever takes fewer, from the sheet that is sold here', async () => {
    const solver = await loadHighs();
    const { piece, count, sheets } = BY_HAND.boards;
    const article = articleOf('wood-board', { thickness_mm: 18 });
    const needs = [{ ...bare, article, count, length_mm: piece[0], width_mm: piece[1] }];
    const planned = (supply: Supply) => {
      const [line] = takeoff({ needs, supply });
      if (!line) throw new Error('no line');
      return cutPlan({ line, supply }, solver, { now: () => performance.now(), seconds: 5 });
    };
    const plan = planned(noSupply);
    expect(plan.answer).toMatchObject({ used: { board: sheets }, unplaced: [] });
    expect(plan.sheets).toMatchObject({ length_mm: 1220, width_mm: 2440 });
    const large = { ...noSupply, articles: [{ id: article.id, sheet: [1250, 600] as [number, number] }] };
    expect(planned(large).answer.used).toEqual({ board: 5 });
  });

  it('a band closes its joint at its widest and narrowest in a year', () => {
    const file = exampleJob('interior-clips');
    const [opening] = openingsOf(file);
    if (!opening) throw new Error('no opening');
    const { build } = planOpening({ ...opening, choices: { innerSeal: 'precompressed' } }, contextOf(file));
    if (!build) throw new Error('not built');
    const band = (coldest_C: number) =>
      Math.max(
        ...needsOf('one', build, {
          joints: { installed_C: 20, coldest_C, hottest_C: 20 },
        } as never).flatMap(({ article }) => (article.goods === 'band' ? [article.width_mm ?? 0] : [])),
      );
    expect(band(-60)).toBeGreaterThan(band(20));
  });

  it('primer is counted by the area that lies on what asks for it', () => {
    const file = exampleJob('masonry-cavity');
    const [opening] = openingsOf(file);
    const { build } = opening ? planOpening(opening, contextOf(file)) : { build: null };
    if (!build) throw new Error('not built');
    const primer = needsOf('one', build, { materials }).filter(({ article }) => article.goods === 'primer');
    const on = contacts(build, { materials }).filter(({ touch }) => touch === 'primer');
    expect(primer.map(({ piece }) => piece)).toEqual(
      expect.arrayContaining(
        on
          .map(({ piece }) => piece)
          .filter((piece) => build.pieces.find((p) => p.id === piece)?.form === 'sheet'),
      ),
    );
    expect(primer.length).toBeGreaterThan(0);
    expect(needsOf('one', build, {}).some(({ article }) => article.goods === 'primer')).toBe(false);
  });

  it('what another stock would change is told: what it touches, proofs, weather, time and money', () => {
    const build = buildOf('drained-head-flap');
    const needs = needsOf('one', build, { materials });
    const tape = (id: string) => needs.find(({ piece }) => piece === id)?.article;
    const prices = (ids: readonly (string | undefined)[]) =>
      ids.flatMap((id) => (id ? [{ id, price: 10 }] : []));
    const [wide] = whatInsteadChanges(build, 'jamb-tape-left', needs, { materials, supply: noSupply });
    expect(wide).toMatchObject({ says: 'as-planned', cost: null });
    const supply = {
      ...noSupply,
      articles: prices([
        tape('jamb-tape-left')?.id,
        wide && articleOf(wide.material.kind, { width_mm: wide.material.width?.mm ?? 0 }).id,
      ]),
    };
    const [priced] = whatInsteadChanges(build, 'jamb-tape-left', needs, { materials, supply });
    expect(priced?.cost).not.toBeNull();
  });
});
