/** Five plans worked by hand in docs/validation/plans-by-hand.md, figure by figure. */
import { describe, expect, it } from 'vitest';
import {
  exampleJob,
  openingsOf,
  planOpening,
  sizeToFrame,
  soldLength,
  type Plan,
  type PresetId,
} from '@hulvek/core';
import { buckAims } from '../../src/methods/buck-aim.ts';

const plans = new Map<PresetId, Plan>();
function planned(preset: PresetId): Plan {
  const known = plans.get(preset);
  if (known) return known;
  const file = exampleJob(preset);
  const [opening] = openingsOf(file);
  if (!opening) throw new Error('no opening');
  const plan = planOpening(opening, file);
  plans.set(preset, plan);
  return plan;
}

const built = (plan: Plan) => {
  if (!plan.build) throw new Error('nothing is built');
  return plan.build;
};
const cut = (plan: Plan, piece: string, at = 0) => {
  const row = plan.cuts.filter((c) => c.piece === piece)[at];
  if (!row) throw new Error(`no cut ${piece}`);
  return row;
};
const seat = (plan: Plan) => built(plan).context.unit.bottom;
const wedge = (plan: Plan) => plan.fit?.shims.find(({ side }) => side === 'sill')?.bevel_mm ?? NaN;
const aim = (plan: Plan) => buckAims({ ...built(plan).context, shims: built(plan).fit.shims })[0];

type Row = readonly [figure: string, of: (plan: Plan) => number, by_hand: number, within?: number];

const rows: Readonly<Partial<Record<PresetId, readonly Row[]>>> = {
  'drained-head-flap': [
    ['width to frame', (p) => sizeToFrame(p)?.width ?? NaN, 920],
    ['height to frame', (p) => sizeToFrame(p)?.height ?? NaN, 1223],
    ['seat', seat, 12.85],
    ['thick edge of the board', (p) => cut(p, 'board').thickness_mm ?? NaN, 16.3],
    ['wedge', wedge, 5.07],
    ['length of the pan', (p) => cut(p, 'pan').length_mm, 1220],
    ['width of the pan', (p) => cut(p, 'pan').width_mm, 190.5],
    ['length of a jamb flashing', (p) => cut(p, 'jamb-flashing-left').length_mm, 1231.7],
    ['width of a jamb flashing', (p) => cut(p, 'jamb-flashing-left').width_mm, 202],
    ['jamb tape', (p) => cut(p, 'jamb-tape-left').length_mm, 1395],
    ['head tape', (p) => cut(p, 'head-tape').length_mm, 1150],
    ['bead', (p) => cut(p, 'bead').length_mm, 3400],
    ['screws', (p) => built(p).fastening.count, 20],
    ['length of a screw', (p) => built(p).fastening.screw.length_mm, 51.5],
  ],
  'foam-buck-outboard': [
    ['width to frame', (p) => sizeToFrame(p)?.width ?? NaN, 996],
    ['height to frame', (p) => sizeToFrame(p)?.height ?? NaN, 1298],
    ['seat', seat, 11.6],
    ['opening that is left', (p) => built(p).context.opening.width, 920],
    ['front', (p) => cut(p, 'buck-sill').length_mm, 1048],
    ['leg', (p) => cut(p, 'buck-sill', 1).length_mm, 994],
    ['hole to stud', (p) => aim(p)?.missed_mm ?? NaN, 23],
    ['least angle', (p) => aim(p)?.cure?.angle_deg ?? NaN, 23],
    ['length', (p) => built(p).fastening.screw.length_mm, 135.7, 0.1],
    ['length that is sold', (p) => soldLength(built(p).fastening.screw.length_mm), 150],
  ],
  'interior-clips': [
    ['brackets', (p) => built(p).fastening.count, 8],
    ['screw', (p) => built(p).fastening.screw.length_mm, 40],
    ['beads', (p) => built(p).pieces.filter(({ roles }) => roles.includes('frame-bead')).length, 0],
    ['head tape', (p) => cut(p, 'head-tape').length_mm, 1170],
  ],
  'masonry-cavity': [
    ['setback', (p) => -built(p).context.unit.front, 184.5],
    ['seat', seat, 29.93],
    ['height to frame', (p) => sizeToFrame(p)?.height ?? NaN, 1240],
    ['wedge', wedge, 7.26],
    ['width of the pan', (p) => cut(p, 'pan').width_mm, 491.7],
    ['damp course', (p) => cut(p, 'damp-course').length_mm, 1070],
    ['band at a jamb', (p) => cut(p, 'outer-seal').length_mm, 1210],
    ['membrane', (p) => cut(p, 'membrane').length_mm, 4517, 0.5],
    ['boards', (p) => built(p).pieces.filter(({ id }) => id === 'board').length, 0],
  ],
  pocket: [
    ['seat', seat, 15.19],
    ['height wanted', (p) => sizeToFrame(p)?.height ?? NaN, 1225],
    ['bead on the stops', (p) => cut(p, 'bead').length_mm, 3268],
    ['screw', (p) => built(p).fastening.screw.length_mm, 83],
    ['rod at a jamb', (p) => cut(p, 'inner-rod', 1).width_mm, 13],
  ],
};

for (const [preset, own] of Object.entries(rows) as [PresetId, readonly Row[]][])
  describe(`worked by hand: ${preset}`, () => {
    for (const [figure, of, by_hand, within = 0.06] of own)
      it(figure, () => expect(Math.abs(of(planned(preset)) - by_hand)).toBeLessThanOrEqual(within));
  });
