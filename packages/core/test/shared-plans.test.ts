/** Plans shared between openings that are alike say exactly what plans of their own would. */
import { expect, test } from 'vitest';
import {
  exampleJob,
  openingsOf,
  planOpening,
  presetIds,
  SharedPlans,
  type Opening,
  type SharedMade,
} from '../src/index.ts';

const subject = (id: (typeof presetIds)[number]) => {
  const file = exampleJob(id);
  const [opening] = openingsOf(file);
  if (!opening) throw new Error(`the example of ${id} has no opening`);
  return { file, opening };
};
const named = (opening: Opening, id: string): Opening => ({ ...opening, id: id as Opening['id'], mark: id });

test.each(presetIds)('%s: the second of two equal openings is judged as if it were alone', (id) => {
  const { file, opening } = subject(id);
  const shared: SharedMade = new SharedPlans();
  const first = planOpening(named(opening, 'A-01'), file, shared);
  const second = planOpening(named(opening, 'A-02'), file, shared);
  const alone = planOpening(named(opening, 'A-02'), file);
  expect(second.judgement).toEqual(alone.judgement);
  expect(second.findings).toEqual(alone.findings);
  expect(second.cuts).toEqual(alone.cuts);
  expect(second.opening.mark).toBe('A-02');
  expect(second.build).toBe(first.build);
  expect(shared.size).toBe(1);
});

test('whatever could change a plan makes another one; a name, a mark, a place and a look at it do not', () => {
  const { file, opening } = subject('drained-head-flap');
  const shared: SharedMade = new SharedPlans();
  const plan = (o: Opening, job = file) => planOpening(o, job, shared);
  const first = plan(opening).build;
  const place = { u: { typed: '0', mm: 0 }, v: { typed: '0', mm: 0 } };
  expect(plan({ ...opening, name: 'elsewhere', position: place }).build).toBe(first);
  expect(plan(opening, structuredClone(file)).build).toBe(first);
  const others = [
    plan({ ...opening, facade: 'another' }),
    plan({ ...opening, exposure: { height_m: 12 } }),
    plan({ ...opening, choices: { ...opening.choices, pan: 'none' } as Opening['choices'] }),
    plan(opening, { ...file, job: { ...file.job, altitude_m: 900 } }),
  ];
  for (const other of others) expect(other.build).not.toBe(first);
  expect(shared.size).toBe(1 + others.length);
});

test('no more is kept than may be, and what was asked for longest ago leaves first', () => {
  const { file, opening } = subject('drained-head-flap');
  const shared: SharedMade = new SharedPlans(900_000);
  const at = (height_m: number) => planOpening({ ...opening, exposure: { height_m } }, file, shared).build;
  const first = at(1);
  for (let height_m = 2; height_m < 30; height_m++) {
    at(height_m);
    expect(at(1)).toBe(first);
  }
  expect(shared.size).toBeLessThanOrEqual(4);
  const second = at(29);
  expect(at(29)).toBe(second);
});
