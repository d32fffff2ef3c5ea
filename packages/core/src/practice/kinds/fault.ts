/** Find the fault in a wall: one thing is done otherwise, and is pressed on the picture or named. */
import { kindOf } from '../../build/by-role.ts';
import type { Point2 } from '../../geometry/vector.ts';
import { area, contains, edgesOf } from '../../geometry/polygon.ts';
import { proveWater } from '../../proofs/water/proof.ts';
import type { Drawing } from '../../drawing/items.ts';
import type { CutId } from '../../vocabulary/sides.ts';
import { byLevel, type Make } from '../make.ts';
import { cutView, faceView } from '../wall-views.ts';
import { changedPlay, penPlay } from '../play.ts';
import type { Play, PracticeView } from '../task.ts';
import type { PracticeWall } from '../wall.ts';
import { faultIds } from '../answers.ts';
import { plantIn, SCREW, SILL_JOINT, type PlantedFault } from './faults/index.ts';

/** Pictures of which one shows it, by level. */
const VIEWS = [1, 2, 3, 4, 5] as const;
const ALL: readonly ('face' | CutId)[] = ['face', 'sill', 'left', 'right', 'head'];
/** A finger is so wide, px. */
const FINGER_px = 18;

export const makeFault: Make = ({ level, dice, show, wish, wall }) => {
  const own = wall();
  const planted = own && plantIn(own, wish(faultIds), level, dice);
  if (!own || !planted) return null;
  const { build } = own;
  const others = dice
    .shuffled(ALL.filter((name) => name !== planted.view))
    .slice(0, byLevel(level, VIEWS) - 1);
  const names = show.shuffled([planted.view, ...others]);
  const view = names.indexOf(planted.view);
  const views = names.map((name) => viewOf(name, planted));
  const parts = new Set(
    build.pieces
      .filter((piece) => piece.form !== 'sheet' || piece.stock === 'worked')
      .map(({ id }) => kindOf(build, id)),
  );
  if (build.context.unit.finWidth > 0) parts.add(SILL_JOINT);
  parts.add(SCREW);
  for (const part of planted.parts) parts.add(part);
  return {
    task: {
      asked: { form: 'place', parts: show.shuffled([...parts]) },
      question: { kind: 'fault', school: own.school },
      views,
    },
    judge: (given) => {
      const right =
        given.form === 'part'
          ? planted.parts.includes(given.part)
          : given.form === 'press' &&
            given.view === view &&
            isOn(planted, views[view]?.draw(given.size), given.at);
      const play = playFor(planted, own, view);
      return {
        right,
        answer: { form: 'part', part: planted.parts[0] ?? '' },
        why: {
          code: 'fault',
          fault: planted.fault,
          piece: planted.piece,
          other: planted.other,
          mm: planted.mm,
        },
        play,
        place: { view, rings: planted.rings },
      };
    },
    hardness: () => Math.log2(names.length * parts.size * (1 + 60 / (sizeOf(planted) + 20))),
  };
};

/** Where water comes in, on the face; for a seal that is missing, where the pen should run. */
function playFor(planted: PlantedFault, { build, exposed }: PracticeWall, view: number): Play | null {
  const { fault, traced } = planted;
  if (fault === 'open-seal' && planted.view !== 'face') return penPlay(build, planted.view, view);
  if (planted.view !== 'face') return null;
  const water = proveWater(traced.build, exposed, { lost: traced.lost });
  const { play } = changedPlay(proveWater(build, exposed), water, traced.build);
  return play && { ...play, view };
}

const viewOf = (name: 'face' | CutId, { view, drawn, step, extra }: PlantedFault): PracticeView => {
  const own = name === view ? extra : undefined;
  return name === 'face' ? faceView(drawn, step, own) : cutView(drawn, name, step, own);
};

/** Whether a press is on the fault, or a finger beside it. */
function isOn({ rings }: PlantedFault, drawing: Drawing | undefined, at: Point2): boolean {
  const place = drawing?.place;
  if (!place) return false;
  return rings.some((ring) => {
    const drawn = ring.map((point) => place(point));
    return contains(drawn, at) || edgesOf(drawn).some(([a, b]) => farFrom(at, a, b) <= FINGER_px);
  });
}

function farFrom([x, y]: Point2, [ax, ay]: Point2, [bx, by]: Point2): number {
  const [dx, dy] = [bx - ax, by - ay];
  const long = dx * dx + dy * dy;
  const t = long === 0 ? 0 : Math.min(1, Math.max(0, ((x - ax) * dx + (y - ay) * dy) / long));
  return Math.hypot(x - ax - t * dx, y - ay - t * dy);
}

/** The square root of what is to be seen of it, mm. */
const sizeOf = ({ rings }: PlantedFault): number =>
  Math.sqrt(rings.reduce((sum, ring) => sum + Math.abs(area(ring.map(([u, v]): Point2 => [u, v]))), 0));
