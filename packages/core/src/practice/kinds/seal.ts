/** Which seal for this gap: of every way to close a joint, those that nothing rules out. */
import type { DrawItem } from '../../drawing/items.ts';
import { rectangle } from '../../geometry/polygon.ts';
import type { FrameMaterial } from '../../documents/unit.ts';
import { jointMovement, USUAL_SEASON } from '../../proofs/joint/movement.ts';
import { reasonsForSeal, type OptionInput, type SealId } from '../../proofs/joint/options.ts';
import { formatLength, toMark } from '../../quantities/format-length.ts';
import { byLevel, choseAll, type Make } from '../make.ts';
import type { PracticeWall } from '../wall.ts';
import type { PaperSize } from '../task.ts';

/** Ways that are asked for: the others stand or fall with a membrane round the frame. */
export const practiceSeals = [
  'corner-tape',
  'sealant-rod',
  'foam-alone',
  'precompressed',
] as const satisfies readonly SealId[];

/** How far the joint is from where another answer would be right, by level, mm. */
const FAR = [6, 4, 2.5, 1.5, 0.8] as const;
const FRAMES: readonly FrameMaterial[] = ['wood', 'vinyl', 'aluminium', 'fibreglass'];

interface Joint {
  readonly least_mm: number;
  readonly most_mm: number;
  readonly frame: FrameMaterial;
  readonly across_mm: number;
}

function inputOf({ least_mm, most_mm, frame, across_mm }: Joint, { build }: PracticeWall): OptionInput {
  const { unit, context } = build;
  const place = (mm: number, at: 0 | 1) => ({ side: 'left' as const, place: at, mm });
  return {
    sides: [
      {
        side: 'left',
        least: place(least_mm, 0),
        most: place(most_mm, 1),
        mean_mm: (least_mm + most_mm) / 2,
        length_mm: 1200,
        measured: true,
        movement: jointMovement({ length_mm: across_mm, material: frame, season: USUAL_SEASON }),
      },
    ],
    unit: { ...unit, limits: undefined },
    choices: { ...context.choices, gapFill: 'foam' },
    numbers: context.numbers,
    season: USUAL_SEASON,
    porous: false,
    blocks: 0,
    brackets: 0,
    tapeLeast_C: 5,
  };
}

const closes = (joint: Joint, wall: PracticeWall): SealId[] =>
  practiceSeals.filter((id) =>
    reasonsForSeal(id, inputOf(joint, wall)).every(({ weight }) => weight !== 'no'),
  );

const STEP_mm = 0.5;
const MOST_mm = 12;

/** By how much both ends of the joint may be wider or narrower before another answer is right, mm. */
function farFromOther(joint: Joint, wall: PracticeWall): number {
  const own = closes(joint, wall).join();
  for (let by = STEP_mm; by <= MOST_mm; by += STEP_mm)
    for (const sign of [-1, 1]) {
      const least_mm = joint.least_mm + sign * by;
      if (least_mm <= 0) continue;
      if (closes({ ...joint, least_mm, most_mm: joint.most_mm + sign * by }, wall).join() !== own) return by;
    }
  return MOST_mm;
}

export const makeSeal: Make = ({ level, system, dice, wall }) => {
  const own = wall();
  if (!own) return null;
  const target = byLevel(level, FAR);
  let best: { joint: Joint; off: number; far: number } | null = null;
  for (let i = 0; i < TRIES; i++) {
    const least_mm = toMark(2 + dice() * 44, system);
    const taper = level < 3 ? 0 : toMark(dice() * (level === 3 ? 4 : 8), system);
    const joint: Joint = {
      least_mm,
      most_mm: least_mm + taper,
      frame: level < 2 ? 'wood' : dice.pick(FRAMES),
      across_mm: dice.pick([600, 900, 1200, 1500, 2000]),
    };
    if (closes(joint, own).length === 0) continue;
    const far = farFromOther(joint, own);
    const off = Math.abs(far - target);
    if (!best || off < best.off) best = { joint, off, far };
  }
  if (!best) return null;
  const { joint, far } = best;
  const rights = closes(joint, own);
  return {
    task: {
      asked: { form: 'several', options: practiceSeals },
      question: { kind: 'seal', ...joint },
      views: [
        {
          name: 'joint',
          draw: (size) => jointPicture(size, joint, (mm) => formatLength(mm, system, 'figure')),
        },
      ],
    },
    judge: (given) => ({
      right: choseAll(given, rights),
      answer: { form: 'several', options: rights },
      why: {
        code: 'seal',
        against: practiceSeals.flatMap((seal) => {
          const reason = reasonsForSeal(seal, inputOf(joint, own)).find(({ weight }) => weight === 'no');
          return reason ? [{ seal, reason }] : [];
        }),
      },
      play: null,
      place: null,
    }),
    hardness: () => 1 / far + (joint.most_mm > joint.least_mm ? 1 : 0),
  };
};

const TRIES = 12;

/** The joint between stud and frame from the front, narrow end below. */
function jointPicture(
  { width, height }: PaperSize,
  { least_mm, most_mm }: Joint,
  figure: (mm: number) => string,
) {
  const scale = Math.min((width * 0.5) / Math.max(most_mm, 30), 8);
  const [top, low] = [34, height - 34];
  const stud = width * 0.28;
  const x = (mm: number) => stud + mm * scale;
  const words = (at: readonly [number, number], text: string): DrawItem => ({
    kind: 'text',
    at,
    text,
    size: 14,
    turned: false,
    tone: 'plain',
    owner: '',
  });
  const items: DrawItem[] = [
    { kind: 'area', points: rectangle([8, stud], [top, low]), fill: 'wood', stroke: 'outline', owner: '' },
    {
      kind: 'area',
      points: [
        [x(least_mm), low],
        [x(most_mm), top],
        [width - 8, top],
        [width - 8, low],
      ],
      fill: 'frame',
      stroke: 'outline',
      owner: '',
    },
    words([(stud + x(most_mm)) / 2, top - 16], figure(most_mm)),
    words([(stud + x(least_mm)) / 2, low + 16], figure(least_mm)),
  ];
  return { width, height, scale, items };
}
