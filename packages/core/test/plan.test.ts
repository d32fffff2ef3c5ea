import { exampleWalls } from '../src/demo/example.ts';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import {
  axes,
  axisIds,
  exampleJob,
  faceDrawing,
  openingsOf,
  type Condition,
  formatLength,
  planOpening,
  sceneAfter,
  cutDrawing,
  cutIds,
  presets,
  presetIds,
  skarvPoint,
  surveyDrawing,
  pieceText,
  wallThingText,
  stepTexts,
} from '@hulvek/core';
import { textBox, type TextItem } from '../src/drawing/items.ts';
import { holdsFor } from '../src/vocabulary/axes.ts';
import { pieceRows } from '../src/methods/piece-rows.ts';
import { stepRows } from '../src/methods/step-rows.ts';
import { parameterIds, parameters } from '../src/vocabulary/parameters.ts';
import { pieceTexts } from '../src/texts/en/pieces.ts';
import { surveyPointIds, surveyPoints } from '../src/vocabulary/survey-points.ts';
import { replay } from '../src/build/replay.ts';
import { sequence } from '../src/build/sequence.ts';
import { crooked, job, openingWith, planWith, SQUARE } from './support/openings.ts';
import { runs } from './support/count.ts';

const figure = (mm: number) => formatLength(mm, 'in', 'figure');

describe('planOpening', () => {
  it('gives the same plan for the same opening, to the letter', () => {
    const opening = openingWith(SQUARE);
    expect(JSON.stringify(planOpening(opening, job))).toBe(
      JSON.stringify(planOpening(opening, skarvPoint())),
    );
  });

  it('never throws on any readings and numbers that pass the schema', () => {
    const readings = fc.record(
      Object.fromEntries(
        surveyPointIds.map((id) => [
          id,
          fc.double({ min: surveyPoints[id].least_mm, max: surveyPoints[id].most_mm, noNaN: true }),
        ]),
      ),
      { requiredKeys: [] },
    );
    const numbers = fc.record(
      Object.fromEntries(
        parameterIds.map((id) => {
          const { least, most, kind } = parameters[id];
          const value = fc.double({ min: least, max: most, noNaN: true });
          return [
            id,
            value.map((v) => (kind === 'length' ? { typed: `${v} mm`, mm: v } : { typed: `${v}°`, deg: v })),
          ];
        }),
      ),
      { requiredKeys: [] },
    );
    fc.assert(
      fc.property(readings, numbers, (values, changed) => {
        const plan = planWith(values, { numbers: changed });
        expect(JSON.stringify(plan)).not.toContain('null,null');
        for (const cut of plan.cuts) expect(cut.length_mm).toBeGreaterThan(0);
        if (plan.build)
          expect(sceneAfter(plan.build, plan.build.steps.length).layers.length).toBeGreaterThan(10);
      }),
      runs(400, 80),
    );
  });

  it.each(presetIds)('%s is built on a sill that falls inward, outward and not at all', (id) => {
    const file = exampleJob(id);
    const [opening] = openingsOf(file);
    if (!opening) throw new Error('no opening');
    const depth = opening.survey.values.depth?.mm ?? 140;
    for (const mm of [-20, -6, 0, 9]) {
      const fall = { typed: String(mm), mm };
      const values = { ...opening.survey.values, sillFallLeft: fall, sillFallRight: fall };
      const survey = { ...opening.survey, values: { ...values, depth: { typed: String(depth), mm: depth } } };
      for (const choices of [{}, { sillSlope: 'level' }] as const)
        expect(planOpening({ ...opening, survey, choices: choices as never }, file).build).not.toBeNull();
    }
  });

  it('without a unit it says what is missing and nothing holds', () => {
    const plan = planWith(SQUARE, { unit: null });
    expect(plan.judgement.grade).toBe('not-checkable');
    expect(plan.findings.find((f) => f.code === 'not-planned')?.facts).toEqual({ missing: ['unit'] });
  });

  it('re-measuring one width by 0.3 mm leaves every step as it was, by 30 mm it does not', () => {
    const hashes = (widthTop: number) => planWith({ ...SQUARE, widthTop }).build?.steps.map((s) => s.hash);
    expect(hashes(920.3)).toEqual(hashes(920));
    expect(hashes(950)).not.toEqual(hashes(920));
  });
});

describe('rows of all methods', () => {
  it('every row has words, a source and only things and reasons that exist', () => {
    const things = new Set<string>([...pieceRows.map((p) => p.id), 'opening']);
    const names = new Set(stepRows.flatMap((s) => [s.id, s.role]));
    for (const step of stepRows) {
      expect(Object.keys(stepTexts)).toContain(step.id);
      expect(step.source).toBeTruthy();
      for (const { thing } of step.events) expect(things).toContain(thing);
      for (const { step: before } of step.after) expect(names).toContain(before);
      if (step.holdPoint) expect(stepTexts[step.id as keyof typeof stepTexts].look, step.id).toBeTruthy();
    }
    expect(Object.keys(stepTexts).sort()).toEqual([...new Set(stepRows.map((s) => s.id))].sort());
    expect(Object.keys(pieceTexts).sort()).toEqual([...new Set(pieceRows.map((p) => p.id))].sort());
  });

  it('no piece comes twice in any method that differs from a school by one choice', () => {
    for (const preset of presetIds)
      for (const axis of axisIds)
        for (const choice of axes[axis]) {
          const choices = { ...presets[preset].choices, [axis]: choice };
          for (const facts of [
            [],
            ['has-exterior-board'],
            ['has-exterior-board', 'has-outer-leaf'],
          ] as const) {
            const here = (rows: readonly { id: string; when: Condition }[]) =>
              rows.filter((row) => holdsFor(row.when, choices, new Set(facts))).map((row) => row.id);
            for (const ids of [here(pieceRows), here(stepRows)])
              expect([...new Set(ids)], `${preset} ${axis} ${choice}`).toEqual(ids);
          }
        }
  });

  const { steps } = planWith(SQUARE).build ?? {};
  if (!steps) throw new Error('no steps');

  it('whatever order the rows are listed in, each comes after all it waits for', () => {
    fc.assert(
      fc.property(fc.shuffledSubarray([...steps], { minLength: steps.length }), (shuffled) => {
        const order = sequence(shuffled).map((s) => s.id);
        for (const step of steps)
          for (const { step: before } of step.after)
            expect(order.indexOf(before)).toBeLessThan(order.indexOf(step.id));
      }),
    );
  });

  it('rows that wait for each other are named, not looped over', () => {
    const [a, b] = steps.slice(0, 2);
    if (!a || !b) throw new Error('too few rows');
    const circle = [
      { ...a, after: [{ step: b.id, because: 'physical' as const }] },
      { ...b, after: [{ step: a.id, because: 'physical' as const }] },
    ];
    expect(() => sequence(circle)).toThrow(`${a.id}, ${b.id}`);
  });
});

describe('the wall over time', () => {
  const { build } = planWith(SQUARE);
  if (!build) throw new Error('no build');
  const after = (step: string) => sceneAfter(build, build.steps.findIndex((s) => s.id === step) + 1);
  const order = (step: string, thing: string, face: string) =>
    after(step).state.faces.get(`${thing}/${face}`)?.order ?? -1;

  it('the head flap is lifted before the head tape and lies over it once returned', () => {
    expect(after('head-tape').state.faces.get('wrap/flap')?.state).toBe('lifted');
    expect(order('head-tape', 'head-tape', 'face')).toBeGreaterThan(order('head-tape', 'wrap', 'flap'));
    expect(order('flap-down', 'wrap', 'flap')).toBeGreaterThan(order('flap-down', 'head-tape', 'face'));
    expect(after('flap-down').state.faces.get('wrap/flap-edge')?.state).toBe('gone');
  });

  it('each upper piece of the finished wall lies over the lower one', () => {
    const [first, last] = ['pan', 'release'] as const;
    expect(first).not.toBe(last);
    const up = ['pan/left-face', 'jamb-flashing-left/face', 'head-flashing/face'].map(
      (key) => after(last).state.faces.get(key)?.order ?? -1,
    );
    expect(up).toEqual([...up].sort((a, b) => a - b));
    expect(order(last, 'head-tape', 'face')).toBeGreaterThan(order(last, 'jamb-tape-left', 'face'));
  });

  it('the dry fit leaves no unit behind, the setting does', () => {
    expect(after('dry-fit').layers.some((l) => l.thing === 'unit')).toBe(false);
    expect(after('set').layers.some((l) => l.thing === 'unit')).toBe(true);
    expect(
      after('set')
        .state.contacts.filter((c) => c.thing === 'fin' && c.kind === 'bead')
        .map((c) => c.face),
    ).toEqual(['left', 'head', 'right']);
  });

  it.each([
    [
      'placing what is there',
      [
        ['place', 'pan'],
        ['place', 'pan'],
      ],
      /already there/,
    ],
    [
      'returning what was not lifted',
      [
        ['place', 'wrap'],
        ['return', 'wrap'],
      ],
      /was not lifted/,
    ],
    [
      'bonding to a lifted face',
      [
        ['place', 'wrap'],
        ['lift', 'wrap'],
        ['bond', 'wrap'],
      ],
      /cannot be bonded/,
    ],
    ['naming what is no part', [['place', 'gutter']], /no part of this opening/],
  ] as const)('%s is refused', (_, ops, message) => {
    const things = new Map([
      ['pan', ['body']],
      ['wrap', ['flap']],
    ]);
    expect(() =>
      replay(
        things,
        ops.map(([op, thing]) => ({ step: 'x', op, thing })),
      ),
    ).toThrow(message);
  });
});

describe('drawings', () => {
  const collisions = (items: readonly { kind: string }[]) => {
    const texts = items.filter((i): i is TextItem => i.kind === 'text');
    return texts.flatMap((a, i) =>
      texts.slice(i + 1).flatMap((b) => {
        const [p, q] = [textBox(a), textBox(b)];
        const apart = p.x[1] <= q.x[0] || q.x[1] <= p.x[0] || p.y[1] <= q.y[0] || q.y[1] <= p.y[0];
        return apart ? [] : [`${a.text} on ${b.text}`];
      }),
    );
  };
  const NAMED = {
    dimensionNames: { opening: 'Rough opening', unit: 'Unit' },
    wallName: wallThingText,
  };
  /** A sheet of A4 across with its margins, at 96 pixels per inch. */
  const PRINTED = { width: 1047, height: 718 };
  const paper = fc.record({
    width: fc.integer({ min: 360, max: 1400 }),
    height: fc.integer({ min: 300, max: 900 }),
  });

  it('no figure lies on another: face, cuts and survey of 150 openings on any paper at any step', () => {
    fc.assert(
      fc.property(crooked, paper, fc.integer({ min: 0, max: 22 }), (readings, size, step) => {
        const { build, frame, fit, numbers } = planWith(readings);
        if (!build || !frame) throw new Error('no build');
        const options = { ...size, step, figure };
        expect(collisions(faceDrawing(build, options).items)).toEqual([]);
        const cut = cutIds[step % cutIds.length] ?? 'sill';
        expect(collisions(cutDrawing(build, { ...options, cut, name: pieceText }).items)).toEqual([]);
        const survey = surveyDrawing(frame, fit, {
          ...size,
          figure,
          point: 'widthTop',
          unit: { width: 900, height: 1200 },
          least_mm: numbers.leastGap,
          leg_mm: step % 3 === 0 ? 38 : 0,
          fromInside: step % 2 === 0,
        });
        expect(collisions(survey.items)).toEqual([]);
      }),
      runs(150, 30),
    );
  });

  it('no name or figure lies on another: all cuts and faces of all schools, on the screen and on the printed sheet', () => {
    for (const preset of presetIds) {
      const file = exampleJob(preset);
      const [opening] = openingsOf(file);
      const { build } = planOpening(opening as never, file);
      if (!build) throw new Error(`${preset} is not built`);
      for (const size of [{ width: 664, height: 470 }, PRINTED, { width: 390, height: 420 }])
        for (const step of [6, Math.ceil(build.steps.length / 2), build.steps.length]) {
          const options = { ...size, step, figure: (mm: number) => formatLength(mm, 'mm', 'figure') };
          for (const from of ['outside', 'inside'] as const)
            for (const named of [{}, NAMED])
              expect(
                collisions(faceDrawing(build, { ...options, ...named, from }).items),
                `${preset} ${size.width} ${step}`,
              ).toEqual([]);
          for (const cut of cutIds)
            for (const wallName of [undefined, wallThingText])
              expect(
                collisions(
                  cutDrawing(build, { ...options, cut, name: pieceText, ...(wallName && { wallName }) })
                    .items,
                ),
                `${preset} ${cut} ${size.width} ${step}`,
              ).toEqual([]);
        }
    }
  });

  it('the wall is named before the work: studs, header, rough sill; and what each dimension is of', () => {
    const { build } = planWith(SQUARE);
    if (!build) throw new Error('no build');
    const texts = (items: readonly { kind: string }[]) =>
      items.filter((i): i is TextItem => i.kind === 'text').map(({ text }) => text);
    const before = texts(faceDrawing(build, { ...PRINTED, ...NAMED, figure, step: 0 }).items);
    expect(before).toEqual(expect.arrayContaining([expect.stringMatching(/^Rough opening \d/)]));
    expect(before).toEqual(expect.arrayContaining([expect.stringMatching(/^Unit \d/)]));
    const cut = (id: 'head' | 'sill') =>
      texts(
        cutDrawing(build, {
          ...PRINTED,
          cut: id,
          figure,
          step: build.steps.length,
          name: pieceText,
          wallName: wallThingText,
        }).items,
      );
    expect(cut('head')).toEqual(expect.arrayContaining(['Header', 'Sheathing', 'Frame']));
    expect(cut('sill')).toEqual(expect.arrayContaining(['Rough sill', 'Sheathing', 'Frame']));
  });

  it('battens and cladding that come later stand in outline in every cut, clear of the frame', () => {
    const file = exampleJob('drained-head-flap');
    const clad = Object.entries(exampleWalls)
      .filter(([, { layers }]) =>
        layers.some(({ role, material }) => role === 'cladding' && material === 'siding'),
      )
      .flatMap(([id, wall]) => {
        const [opening] = openingsOf(file);
        const own = { ...opening, wall: id };
        return planOpening(own as never, { ...file, walls: [{ ...wall, id }] } as never).build ?? [];
      });
    expect(clad.length).toBeGreaterThan(1);
    for (const build of clad) {
      const face = faceDrawing(build, { ...PRINTED, ...NAMED, figure, step: build.steps.length }).items;
      expect(collisions(face)).toEqual([]);
      const texts = face.filter((i): i is TextItem => i.kind === 'text').map(({ text }) => text);
      expect(texts).toEqual(expect.arrayContaining(['Cladding', 'Frame']));
      expect(face.some((i) => i.kind === 'line' && i.owner === 'cladding' && i.stroke === 'hidden')).toBe(
        true,
      );
      for (const cut of cutIds) {
        const options = { ...PRINTED, cut, figure, step: build.steps.length, name: pieceText };
        const drawing = cutDrawing(build, { ...options, wallName: wallThingText });
        const outlines = drawing.items.filter((i) => i.kind === 'line' && i.stroke === 'hidden');
        expect(outlines.map((i) => ('owner' in i ? i.owner : ''))).toContain('cladding');
        const texts = drawing.items.filter((i): i is TextItem => i.kind === 'text').map(({ text }) => text);
        expect(texts).toContain('Cladding');
        expect(cutDrawing(build, options).items.some((i) => i.kind === 'line' && i.stroke === 'hidden')).toBe(
          false,
        );
      }
    }
  });

  it('the pan drawn in the sill cut is as long as the pan that is cut', () => {
    const { build, cuts } = planWith(SQUARE);
    if (!build) throw new Error('no build');
    const drawing = cutDrawing(build, {
      cut: 'sill',
      width: 900,
      height: 600,
      step: 5,
      figure,
      name: pieceText,
    });
    const line = drawing.items.find((i) => i.kind === 'line' && i.owner === 'pan' && i.fill !== undefined);
    if (line?.kind !== 'line') throw new Error('no pan');
    const [a, b, c, d] = line.points;
    if (!a || !b || !c || !d) throw new Error('pan not folded');
    const drawn =
      (Math.hypot(a[0] - b[0], a[1] - b[1]) + Math.hypot(c[0] - d[0], c[1] - d[1])) / drawing.scale;
    expect(drawn).toBeCloseTo(cuts.find((cut) => cut.piece === 'pan')?.width_mm ?? 0, 0);
  });
});

describe('joined units and doors', () => {
  const [unit] = job.units.filter((u) => u.id === openingWith(SQUARE).unit);
  if (!unit) throw new Error('no unit');
  const planOf = (changes: Partial<typeof unit>) =>
    planOpening(openingWith(SQUARE), { ...job, units: [{ ...unit, ...changes }] });
  const sill = (plan: ReturnType<typeof planOf>) =>
    (plan.fit?.shims ?? [])
      .filter((s) => s.side === 'sill')
      .map((s) => s.at_mm - (plan.fit?.placement.left ?? 0));

  it('a mullion at 450 of 900 mm carries on a shim of its own and stands in the drawing as two frames, 140 mm wide', () => {
    const plan = planOf({ mullions: [{ typed: '450', mm: 450 }] });
    expect(sill(plan).map(Math.round)).toEqual([50, 450, 850]);
    const mullion = plan.build?.pieces
      .flatMap((p) => (p.form === 'solid' ? p.solids : []))
      .find((s) => s.id.endsWith('mullion-1'));
    expect(mullion && mullion.u[1] - mullion.u[0]).toBe(140);
    expect(sill(planOf({ mullions: [{ typed: '300', mm: 300 }] })).map(Math.round)).toEqual([
      50, 300, 450, 850,
    ]);
  });

  it('a threshold carries every 305 mm at most', () => {
    const places = sill(planOf({ threshold: { typed: '30', mm: 30 } }));
    expect(places.slice(1).every((at, i) => at - (places[i] ?? 0) <= 304.8)).toBe(true);
    expect(places.length).toBeGreaterThan(sill(planOf({})).length);
  });
});
