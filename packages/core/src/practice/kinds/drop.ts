/** Where does this drop end: water let go at a source of a wall, sound or with something done otherwise. */
import { withChanges, type ChangedBuild, type WallChange } from '../../build/changes.ts';
import { piecesFor } from '../../build/by-role.ts';
import { bondsAfter } from '../../build/stack.ts';
import type { Build } from '../../build/build.ts';
import { courseOf } from '../../proofs/water/course.ts';
import { proveWater } from '../../proofs/water/proof.ts';
import type { WaterSource } from '../../proofs/water/sources.ts';
import type { WaterOutcome, WaterPart } from '../../proofs/water/trace.ts';
import type { DrawItem } from '../../drawing/items.ts';
import { dropEnds, type DropEnd } from '../answers.ts';
import type { Dice } from '../dice.ts';
import { byLevel, type Make } from '../make.ts';
import { cutView, faceView, type Extra } from '../wall-views.ts';
import { playOf } from '../play.ts';
import type { PracticeLevel } from '../task.ts';
import type { PracticeWall } from '../wall.ts';

const END: Readonly<Record<Exclude<WaterOutcome, 'not-checkable'>, DropEnd>> = {
  shed: 'outside',
  drained: 'drains',
  trapped: 'stays',
  structure: 'framing',
  room: 'room',
};

/** Things done otherwise, at most, by level; and over which width a way must run to be asked for, mm. */
const CHANGES = [0, 1, 1, 2, 2] as const;
const STOPS = [2, 3, 4, 6, 8] as const;
const SEEN_mm = 25;

interface Drop {
  readonly source: WaterSource;
  readonly part: WaterPart;
  readonly end: DropEnd;
}

function dropsOf({ build, lost }: ChangedBuild, count: number, { exposed }: PracticeWall): Drop[] {
  const { traces } = proveWater(build, exposed, { lost, count });
  return traces.flatMap(({ source, parts }) =>
    parts.flatMap((part): Drop[] =>
      part.outcome === 'not-checkable' || part.width_mm < SEEN_mm || part.run.length < 2
        ? []
        : [{ source, part, end: END[part.outcome] }],
    ),
  );
}

/** Something that hands do otherwise: not rolled, left out, caulked shut. What holds most water back is thrown more often. */
function someChange(build: Build, dice: Dice): WallChange {
  const bonded = [...new Set(bondsAfter(build, build.steps.length).map(({ thing }) => thing))].filter((id) =>
    build.pieces.some((piece) => piece.id === id),
  );
  const grave = (['pan', 'dam', 'head-tape', 'jamb-tape', 'frame-bead'] as const).flatMap((role) =>
    piecesFor(build, role).map(({ id }) => id),
  );
  const piece = dice.pick(grave.length > 0 && dice() < 0.6 ? grave : bonded);
  return dice() < 0.4 ? { kind: 'bond-lost', piece } : { kind: 'left-out', piece };
}

interface Wall {
  readonly drop: Drop;
  readonly changes: readonly WallChange[];
  readonly build: Build;
  /** Steps done when the water comes. */
  readonly count: number;
}

/** What is done otherwise where water is wished to end so: what is shut keeps it, what lacks its pan lets it through. */
function changeFor(wished: DropEnd, build: Build, dice: Dice): WallChange | null {
  const [fin] = piecesFor(build, 'fin');
  const [pan] = piecesFor(build, 'pan');
  if (wished === 'stays' && fin) return { kind: 'sill-closed', piece: fin.id };
  if (wished === 'framing' && pan) return { kind: 'left-out', piece: pan.id };
  return someChange(build, dice);
}

/** A wall with water that ends as wished; `null` where this throw has none. */
function someDrop(own: PracticeWall, wished: DropEnd, level: PracticeLevel, dice: Dice): Wall | null {
  const stops = byLevel(level, STOPS);
  const many = byLevel(level, CHANGES);
  const last = own.build.steps.length;
  // What gets wet is found in a wall that is not finished, too.
  const count = wished === 'framing' && dice() < 0.5 ? dice.whole(Math.floor(last / 3), last) : last;
  const changes = Array.from({ length: many }, (_, k) =>
    k === 0 && count === last ? changeFor(wished, own.build, dice) : someChange(own.build, dice),
  ).filter((change) => change !== null);
  const changed = withChanges(own.build, changes);
  if (!changed.ok) return null;
  const drops = dropsOf(changed.value, count, own).filter(({ end }) => end === wished);
  // The way nearest to as many stops as the level asks for.
  const [drop] = dice
    .shuffled(drops)
    .toSorted((a, b) => Math.abs(a.part.run.length - stops) - Math.abs(b.part.run.length - stops));
  return drop ? { drop, changes, build: changed.value.build, count } : null;
}

export const makeDrop: Make = ({ level, dice, wish, wall }) => {
  const own = wall();
  const wished = wish<DropEnd>(
    level === 1 ? ['outside', 'drains'] : ['outside', 'drains', 'stays', 'framing'],
  );
  const found = own && someDrop(own, wished, level, dice);
  if (!found) return null;
  const { drop, changes, build, count } = found;
  const [start] = courseOf(drop.part.run, build).points;
  if (!start) return null;
  const mark: Extra = ({ place }): DrawItem[] =>
    place ? [{ kind: 'mark', at: place(start.at), tone: 'water', owner: '' }] : [];
  return {
    task: {
      asked: { form: 'one', options: dropEnds },
      question: {
        kind: 'drop',
        source: drop.source,
        changes,
        after: count < build.steps.length ? (build.steps[count - 1]?.id ?? null) : null,
      },
      views: [
        faceView(build, count, mark),
        ...(level > 1 ? [cutView(build, sideOfDrop(drop.source), count)] : []),
      ],
    },
    judge: (given) => ({
      right: given.form === 'one' && given.option === drop.end,
      answer: { form: 'one', option: drop.end },
      why: { code: 'drop', end: drop.end, on: drop.part.run.findLast(({ on }) => on !== null)?.on ?? null },
      play: playOf(drop.part, build),
      place: null,
    }),
    hardness: () => drop.part.run.length + 3 * changes.length,
  };
};

const sideOfDrop = (source: WaterSource) => (source === 'unit-sill' ? ('sill' as const) : ('head' as const));
