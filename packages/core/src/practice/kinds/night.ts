/** What will the night do: the crew stops after a step, and it rains. */
import type { Build } from '../../build/build.ts';
import { momentOf } from '../../build/moment.ts';
import { eveningAfter, type Evening } from '../../order/evenings.ts';
import { proveWater } from '../../proofs/water/proof.ts';
import { byLevel, type Make } from '../make.ts';
import { cutView, faceView } from '../wall-views.ts';
import { gravestPlay } from '../play.ts';
import type { PracticeWall } from '../wall.ts';

export const nightEnds = ['drains', 'wets-framing', 'wets-room'] as const;

const known = new WeakMap<Build, Map<number, Evening>>();

function evening({ build, exposed }: PracticeWall, count: number): Evening {
  const own = known.get(build) ?? new Map<number, Evening>();
  known.set(build, own);
  const before = own.get(count);
  if (before) return before;
  const one = eveningAfter(build, exposed, count);
  own.set(count, one);
  return one;
}

/** Steps from here to the nearest evening that ends otherwise: the nearer, the harder to tell. */
function farFromOther(wall: PracticeWall, count: number): number {
  const { state } = evening(wall, count);
  const last = wall.build.steps.length;
  for (let far = 1; far <= MOST_FAR; far++)
    for (const other of [count - far, count + far])
      if (other >= 0 && other <= last && evening(wall, other).state !== state) return far;
  return MOST_FAR + 1;
}
const MOST_FAR = 6;

const FAR = [7, 5, 3, 2, 1] as const;

export const makeNight: Make = ({ level, dice, wish, wall }) => {
  const own = wall();
  if (!own) return null;
  const { build } = own;
  const last = build.steps.length;
  const wished = wish(nightEnds);
  const asked = byLevel(level, FAR);
  const counts = dice
    .shuffled(Array.from({ length: last + 1 }, (_, count) => count))
    .slice(0, TRIES)
    .filter((count) => evening(own, count).state !== 'not-checkable');
  const ranked = counts
    .map((count) => ({
      count,
      off: Math.abs(farFromOther(own, count) - asked) + (evening(own, count).state === wished ? 0 : WISH),
    }))
    .sort((a, b) => a.off - b.off);
  const [best] = ranked;
  if (!best) return null;
  const { count } = best;
  const it = evening(own, count);
  return {
    task: {
      asked: { form: 'one', options: nightEnds },
      question: { kind: 'night', step: build.steps[count - 1]?.id ?? null },
      views: [faceView(build, count), ...(level > 2 ? [cutView(build, 'sill', count)] : [])],
    },
    judge: (given) => {
      const { play } = it.open
        ? { play: null }
        : gravestPlay(proveWater(build, own.exposed, { count }), momentOf(build, count).build);
      return {
        right: given.form === 'one' && given.option === it.state,
        answer: { form: 'one', option: it.state },
        why: { code: 'night', state: it.state, open: it.open, source: it.by?.source ?? null },
        play,
        place: null,
      };
    },
    hardness: () => 1 / farFromOther(own, count),
  };
};

/** Evenings that are looked at; and how much an end that is wished for weighs against one that is near another. */
const TRIES = 6;
const WISH = 1.5;
