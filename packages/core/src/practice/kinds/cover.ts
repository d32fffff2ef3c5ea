/** What must be seen before this is covered: the pieces that a step hides. */
import type { Build } from '../../build/build.ts';
import { kindOf } from '../../build/by-role.ts';
import { coveringStep } from '../../build/covered.ts';
import { UNIT } from '../../methods/names.ts';
import { byLevel, choseAll, type Make } from '../make.ts';
import { faceView } from '../wall-views.ts';

/** By kind, left and right as one: the step that hides all of it; `null` for what none hides, left out where sides differ. */
const known = new WeakMap<Build, ReadonlyMap<string, string | null>>();

export function coversByKind(build: Build): ReadonlyMap<string, string | null> {
  const before = known.get(build);
  if (before) return before;
  const found = new Map<string, string | null>();
  const mixed = new Set<string>();
  for (const piece of build.pieces) {
    if (piece.form !== 'sheet') continue;
    const kind = kindOf(build, piece.id);
    const by = coveringStep(build, piece.id);
    const other = found.get(kind);
    if (other !== undefined && other !== by) mixed.add(kind);
    found.set(kind, by);
  }
  for (const kind of mixed) found.delete(kind);
  known.set(build, found);
  return found;
}

const OPTIONS = [3, 4, 5, 6, 7] as const;

export const makeCover: Make = ({ level, dice, show, wall }) => {
  const own = wall();
  if (!own) return null;
  const { build } = own;
  const covers = coversByKind(build);
  // What is only tried and comes out again hides nothing for good.
  const isTried = (id: string) =>
    build.steps.some(
      (step) => step.id === id && step.events.some(({ op, thing }) => op === 'remove' && thing === UNIT),
    );
  const steps = [...new Set(covers.values())].flatMap((step) =>
    step === null || isTried(step) ? [] : [step],
  );
  if (steps.length === 0) return null;
  const step = dice.pick(steps);
  const at = build.steps.findIndex(({ id }) => id === step);
  const laid = new Set(
    build.steps.slice(0, at).flatMap(({ places }) => places.map((id) => kindOf(build, id))),
  );
  const hidden = [...covers].flatMap(([kind, by]) => (by === step && laid.has(kind) ? [kind] : []));
  const many = byLevel(level, OPTIONS);
  const others = dice.shuffled([...covers.keys()].filter((kind) => laid.has(kind) && !hidden.includes(kind)));
  // What is hidden by something else, or never, is there to be told from it.
  const rights = dice
    .shuffled(hidden)
    .slice(0, Math.max(1, many - Math.min(others.length, Math.ceil(many / 2))));
  const options = [...rights, ...others.slice(0, many - rights.length)];
  if (rights.length === 0 || options.length < 3 || options.length < many - 1) return null;
  return {
    task: {
      asked: { form: 'several', options: show.shuffled(options) },
      question: { kind: 'cover', step },
      views: [faceView(build, at)],
    },
    judge: (given) => ({
      right: choseAll(given, rights),
      answer: { form: 'several', options: options.filter((one) => rights.includes(one)) },
      why: { code: 'cover', hidden: rights },
      play: null,
      place: null,
    }),
    hardness: () => Math.log2(2 ** options.length - 1),
  };
};
