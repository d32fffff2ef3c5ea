/** The leak is here, what next: of looks that could be taken, one that parts the causes that are left as evenly as any. */
import type { Build } from '../../build/build.ts';
import {
  causesOf,
  nextLook,
  offeredProbes,
  simulatedSpray,
  sprayingOf,
  sprayNetwork,
  wetBy,
  allWet,
  failureKey,
  type Cause,
  type Offered,
  type SprayNetwork,
} from '../../leaks/index.ts';
import { sprayStages, wettings } from '../../vocabulary/wet-zones.ts';
import type { Dice } from '../dice.ts';
import { byLevel, type Make } from '../make.ts';
import { faceView } from '../wall-views.ts';

/** A look named so that it can be said again: what is wetted or masked. */
export const lookId = ({ kind, wets, masked }: Offered): string =>
  kind === 'wet-only' ? `wet ${wets.join('+')}` : kind === 'mask' ? `mask ${masked.join('+')}` : kind;

const OPTIONS = [2, 3, 4, 5, 6] as const;
/** How much less a wrong look may tell than the best one, bits, by level: the nearer, the harder. */
const LESS = [0.5, 0.4, 0.3, 0.2, 0.12] as const;
/** Looks that tell as much as the best within this count as right. */
const ALIKE = 0.03;
/** Pressed as a usual test is, Pa. */
const PRESSURE_Pa = 150;

const networks = new WeakMap<Build, SprayNetwork>();
function networkOf(build: Build): SprayNetwork {
  const known = networks.get(build) ?? sprayNetwork(build, { pressure_Pa: PRESSURE_Pa });
  networks.set(build, known);
  return known;
}

/** What a look tells, bits: by the share of the causes that would show in it. */
export function toldBy(network: SprayNetwork, causes: readonly Cause[], look: Offered): number {
  const spraying = sprayingOf(network, look);
  const wet = causes.reduce((sum, { failures, share }) => {
    const failed = new Set(failures.flatMap((fault) => network.failureAt.get(failureKey(fault)) ?? []));
    return allWet(wetBy(network, failed, spraying)) === 0 ? sum : sum + share;
  }, 0);
  const part = (share: number) => (share <= 0 || share >= 1 ? 0 : -share * Math.log2(share));
  return part(wet) + part(1 - wet);
}

/** One failed bond or two together, or a joint of the unit, that shows in the room; `null` where none of many throws does. */
function someFailures(network: SprayNetwork, dice: Dice): ReadonlySet<number> | null {
  const all = { wets: new Set(wettings), pressed: true, masked: new Set<number>() };
  for (let i = 0; i < THROWS; i++) {
    const open = new Set(
      Array.from({ length: i % 3 === 0 ? 1 : 2 }, () => dice.whole(0, network.failures.length - 1)),
    );
    if (allWet(wetBy(network, open, all)) !== 0) return open;
  }
  return null;
}
const THROWS = 90;

export const makeLeak: Make = ({ level, dice, show, wall }) => {
  const own = wall();
  if (!own) return null;
  const { build } = own;
  const network = networkOf(build);
  const open = someFailures(network, dice);
  if (!open) return null;
  const hidden = { build, planted: [], pressure_Pa: PRESSURE_Pa, network, open };
  const test = simulatedSpray(hidden, { pressed: true, seed: dice.whole(1, 1e6) });
  if (test.leaks.length === 0) return null;
  const causes = causesOf(network, test);
  const { classes, probe } = nextLook(network, causes, true);
  if (!probe || classes.length < 2) return null;
  const told = new Map(
    offeredProbes(network, causes, true).map(
      (look) => [lookId(look), toldBy(network, causes, look)] as const,
    ),
  );
  const best = Math.max(...told.values());
  const good = dice.shuffled([...told].filter(([, bits]) => bits > best - ALIKE));
  const less = byLevel(level, LESS);
  const poor = [...told]
    .filter(([, bits]) => bits < best - Math.max(less, 2 * ALIKE))
    .sort((a, b) => b[1] - a[1]);
  const many = byLevel(level, OPTIONS);
  const [right] = good;
  const wrong = poor.slice(0, many - 1);
  if (!right || wrong.length < many - 1) return null;
  const nearest = Math.max(...wrong.map(([, bits]) => bits));
  return {
    task: {
      asked: { form: 'one', options: show.shuffled([right[0], ...wrong.map(([id]) => id)]) },
      question: {
        kind: 'leak',
        dry: sprayStages.filter(
          (stage) =>
            test.stages.some((run) => run.stage === stage) &&
            !test.leaks.some((leak) => leak.stage === stage),
        ),
        seen: test.leaks.map(({ zone, stage }) => ({ zone, stage })),
      },
      views: [faceView(build, build.steps.length)],
    },
    judge: (given) => ({
      right: given.form === 'one' && (told.get(given.option) ?? -1) > best - ALIKE,
      answer: { form: 'one', option: right[0] },
      why: { code: 'leak', best: right[0], share: best, causes: causes.length },
      play: null,
      place: null,
    }),
    hardness: () => many + nearest / best,
  };
};
