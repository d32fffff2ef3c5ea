/** Which piece laps over which, from low to high: the shingle rule as a table. */
import type { ParameterId } from '../vocabulary/parameters.ts';
import type { PlaneId } from '../vocabulary/planes.ts';

export interface ShinglePair {
  readonly plane: PlaneId;
  /** A piece, and the face of it that laps where it has several. */
  readonly upper: readonly [thing: string, face?: string];
  readonly lower: readonly [thing: string, face?: string];
  /** Numbers that make the upper one reach higher, or the lower one less high. */
  readonly mend: { readonly raise?: ParameterId; readonly cut?: ParameterId };
  /** The upper one has to reach over all of the lower one's width. */
  readonly whole?: true;
  /** Another piece that makes this lap needless. */
  readonly unless?: string;
  readonly source: 'common practice, no source';
}

type Row = readonly [
  upper: string | readonly [string, string],
  lower: string | readonly [string, string],
  more?: ShinglePair['mend'] & Pick<ShinglePair, 'unless' | 'whole'>,
];

const named = (name: Row[0]): ShinglePair['upper'] => (typeof name === 'string' ? [name] : name);
const on =
  (plane: PlaneId) =>
  ([upper, lower, { unless, whole, ...mend } = {}]: Row): ShinglePair => ({
    plane,
    upper: named(upper),
    lower: named(lower),
    mend,
    ...(unless !== undefined && { unless }),
    ...(whole && { whole }),
    source: 'common practice, no source',
  });
const bothSides = (rows: (side: 'left' | 'right') => readonly Row[]): Row[] =>
  (['left', 'right'] as const).flatMap(rows);

const HEAD_OVER_JAMB = { raise: 'headTapeWidth', cut: 'jambTapeAboveFin', whole: true } as const;
const WHOLE = { whole: true } as const;

const WALL: readonly Row[] = [
  [['wrap', 'flap'], 'head-tape'],
  [
    ['wrap', 'flap'],
    ['drip-cap', 'leg'],
  ],
  ['head-tape-2', 'head-tape', { raise: 'headTape2Width', cut: 'headTapeWidth', whole: true }],
  ['face-tape-head', ['drip-cap', 'leg'], WHOLE],
  [['apron', 'hanging'], 'course-lower'],
  [
    ['pan', 'face'],
    ['apron', 'top'],
  ],
  [['pan', 'face'], ['wrap', 'below'], { raise: 'panLap' }],
  // Round a buck a strip bridges the seam instead.
  [['pan', 'face'], ['wall-face', 'below'], { raise: 'panLap', unless: 'face-tape-sill' }],
  ...bothSides((side) => [
    ['head-tape', `jamb-tape-${side}`, HEAD_OVER_JAMB],
    [
      ['course-upper', `${side}-low`],
      ['apron', 'hanging'],
    ],
    ['wrap-tape-head', `wrap-tape-${side}`, WHOLE],
    ['face-tape-head', `face-tape-${side}`, WHOLE],
    [`face-tape-${side}`, 'face-tape-sill'],
    [`jamb-tape-${side}`, 'sill-tape'],
    [`jamb-tape-${side}`, ['pan', `${side}-face`]],
    [['head-flashing', 'face'], [`jamb-flashing-${side}`, 'face'], { cut: 'jambAboveHead' }],
    [[`jamb-flashing-${side}`, 'face'], ['pan', `${side}-face`], { cut: 'panUpturn' }],
  ]),
];
const BEHIND: readonly Row[] = [
  [
    ['wrap', 'flap'],
    ['buck-flashing-head', 'wall'],
  ],
  ...bothSides((side) => [
    [
      ['buck-flashing-head', 'wall'],
      [`buck-flashing-${side}`, 'wall'],
    ],
    [
      [`buck-flashing-${side}`, 'wall'],
      ['buck-flashing-sill', 'wall'],
    ],
  ]),
];
const reveal = (side: 'left' | 'right'): readonly Row[] => [
  [
    [`jamb-flashing-${side}`, 'reveal'],
    ['pan', `${side}-upturn`],
  ],
  [
    ['head-flashing', `${side}-tab`],
    [`jamb-flashing-${side}`, 'reveal'],
  ],
  [
    ['pan', `${side}-upturn`],
    [`corner-patch-${side}`, 'jamb'],
  ],
];

/** Membranes and wraps that are continuous over the wall come over and under by where they are cut. */
export const shinglePairs: readonly ShinglePair[] = [
  ...WALL.map(on('wall')),
  ...BEHIND.map(on('inner-plane')),
  ...reveal('left').map(on('left-reveal')),
  ...reveal('right').map(on('right-reveal')),
];
