/** Do the numbers of the build-up still do their work: reach, lap, slope, stretch? */
import { LEAST_SLOPE_deg, LEVEL_WITHIN_deg } from '../../survey/tolerances.ts';
import { type Side, sides } from '../../vocabulary/sides.ts';
import { bounds } from '../../geometry/polygon.ts';
import { sheetMaterials } from '../../vocabulary/materials.ts';
import type { Piece } from '../../methods/pieces/piece.ts';
import type { Build } from '../../build/build.ts';
import { jambTapeReach, sealOnReveal } from '../../methods/pieces/tape.ts';
import { slitReach } from '../../methods/pieces/wall.ts';
import { piecesFor } from '../../build/by-role.ts';
import { LEAST_LAP_mm, LEAST_PAN_LAP_mm } from '../../vocabulary/laps.ts';
import type { PieceRole } from '../../vocabulary/roles.ts';
import { LEAST_FILM_mm } from '../../vocabulary/parameters.ts';
import { defineCheck } from '../check.ts';

const PRACTICE = 'common practice, no source';

const LEAST_UPTURN_mm = 100;
const LEAST_ON_WALL_mm = 50;
const LEAST_ON_REVEAL_mm = 20;

const has = (build: Build | null, ...roles: readonly PieceRole[]): boolean =>
  build !== null && roles.every((role) => piecesFor(build, role).length > 0);
const sheets = (pieces: readonly Piece[]) => pieces.filter((p) => p.form === 'sheet');

export const slope = defineCheck({
  code: 'sill-too-flat',
  proof: 'water',
  severity: 'watch',
  source: PRACTICE,
  *run({ build, numbers, choices }) {
    if (!build || choices?.sillDrain === 'back-dam' || numbers.slope >= LEAST_SLOPE_deg) return;
    // What is lost to a sill that falls inward, or is level at the pan, is said in its own words.
    if ((build.context.opening.sillFall_deg ?? 0) < 0 || Math.abs(numbers.slope) <= LEVEL_WITHIN_deg) return;
    yield {
      facts: { slope_deg: numbers.slope, limit_deg: LEAST_SLOPE_deg },
      fixes: [{ kind: 'design-changing', set: { slope: LEAST_SLOPE_deg } }],
    };
  },
});

/** A level pan drains nowhere by itself: only a dam at its back keeps what stands in it out of the room. */
export const sillLevelWithoutDam = defineCheck({
  code: 'sill-level-without-dam',
  proof: 'water',
  severity: 'watch',
  source: PRACTICE,
  *run({ build, numbers, choices }) {
    if (!build || !choices || Math.abs(numbers.slope) > LEVEL_WITHIN_deg) return;
    const dammed = choices.sillDrain === 'back-dam' || choices.sillDrain === 'slope-and-dam';
    if (dammed || choices.pan === 'none') return;
    const sillDrain = choices.sillDrain === 'framed-slope' ? 'back-dam' : 'slope-and-dam';
    yield {
      facts: { slope_deg: numbers.slope, limit_deg: LEVEL_WITHIN_deg },
      fixes: [{ kind: 'design-changing', set: {}, choose: { sillDrain } }],
    };
  },
});

export const panReach = defineCheck({
  code: 'pan-ends-under-frame',
  proof: 'water',
  severity: 'watch',
  source: PRACTICE,
  *run({ build, numbers }) {
    if (!build || !has(build, 'pan')) return;
    const { opening, unit } = build.context;
    const bare_mm = -unit.back - (opening.depth - numbers.panInset);
    if (bare_mm > 0.5)
      yield {
        facts: { bare_mm },
        fixes: [{ kind: 'safe', set: { panInset: Math.max(0, numbers.panInset - Math.ceil(bare_mm)) } }],
      };
  },
});

export const filmThin = defineCheck({
  code: 'film-too-thin',
  proof: 'water',
  severity: 'fails',
  source: PRACTICE,
  *run({ build, numbers }) {
    const brushed = build?.pieces.some((piece) => piece.form === 'sheet' && piece.film_mm !== undefined);
    if (!brushed || numbers.film >= LEAST_FILM_mm) return;
    yield {
      facts: { film_mm: numbers.film, limit_mm: LEAST_FILM_mm },
      fixes: [{ kind: 'safe', set: { film: LEAST_FILM_mm } }],
    };
  },
});

export const panUpturn = defineCheck({
  code: 'pan-upturn-short',
  proof: 'water',
  severity: 'watch',
  source: PRACTICE,
  *run({ build, numbers }) {
    if (!has(build, 'pan') || numbers.panUpturn >= LEAST_UPTURN_mm) return;
    yield {
      facts: { upturn_mm: numbers.panUpturn, limit_mm: LEAST_UPTURN_mm },
      fixes: [{ kind: 'safe', set: { panUpturn: 150 } }],
    };
  },
});

export const panLap = defineCheck({
  code: 'pan-lap-short',
  proof: 'water',
  severity: 'watch',
  source: PRACTICE,
  *run({ build, numbers }) {
    if (!has(build, 'pan') || numbers.panLap >= LEAST_PAN_LAP_mm) return;
    yield {
      facts: { lap_mm: numbers.panLap, limit_mm: LEAST_PAN_LAP_mm },
      fixes: [{ kind: 'safe', set: { panLap: LEAST_PAN_LAP_mm } }],
    };
  },
});

export const stretch = defineCheck({
  code: 'corner-overstretched',
  proof: 'water',
  severity: 'watch',
  source: PRACTICE,
  *run({ build }) {
    for (const { sheet } of sheets(build?.pieces ?? [])) {
      const limit = sheetMaterials[sheet.material].largestStretch;
      const most = Math.max(0, ...sheet.fans.map((fan) => fan.stretch));
      if (most > limit) yield { facts: { stretch: most, limit } };
    }
  },
});

export const tapeOnWall = defineCheck({
  code: 'tape-off-fin',
  proof: 'water',
  severity: 'watch',
  source: PRACTICE,
  *run({ build, numbers }) {
    if (!build || !has(build, 'jamb-tape')) return;
    const { finWidth } = build.context.unit;
    const onWall_mm = jambTapeReach(build.context) - finWidth;
    if (onWall_mm >= LEAST_ON_WALL_mm) return;
    yield {
      facts: { onWall_mm, limit_mm: LEAST_ON_WALL_mm },
      fixes: [
        {
          kind: 'safe',
          set: { jambTapeWidth: Math.ceil((numbers.jambTapeWidth - onWall_mm + LEAST_ON_WALL_mm) / 25) * 25 },
        },
      ],
    };
  },
});

/** The head tape must reach above the upper ends of the jamb tapes it covers. */
export const headTapeLow = defineCheck({
  code: 'head-tape-low',
  proof: 'water',
  severity: 'fails',
  source: PRACTICE,
  *run({ build, numbers }) {
    if (!build || !has(build, 'head-tape', 'jamb-tape')) return;
    const above_mm = topOf(build, 'head-tape') - topOf(build, 'jamb-tape');
    // Where they stand out altogether it is a reverse lap, and said as one.
    if (above_mm >= LEAST_LAP_mm || above_mm <= 0) return;
    const width = numbers.headTapeWidth + LEAST_LAP_mm - above_mm;
    yield {
      facts: { above_mm, limit_mm: LEAST_LAP_mm },
      fixes: [{ kind: 'safe', set: { headTapeWidth: Math.ceil(width / 25) * 25 } }],
    };
  },
});

/** The flap covers from its hinge down: a tape that ends below it is covered, and a reserve under it is a wish. */
export const headTapePastFlap = defineCheck({
  code: 'head-tape-past-flap',
  proof: 'water',
  severity: 'fails',
  source: PRACTICE,
  *run({ build, numbers }) {
    // Behind a buck the flap comes down over the buck's flashing, in another plane.
    if (!build || !has(build, 'head-tape', 'slit-tape') || build.context.opening.buck) return;
    const hinge = build.context.opening.height + slitReach(numbers.flapSlit);
    const below_mm = hinge - topOf(build, 'head-tape');
    const over_mm = LEAST_LAP_mm - below_mm;
    if (over_mm <= 0) return;
    const slit = numbers.flapSlit + over_mm * Math.SQRT2;
    yield {
      facts: { over_mm, below_mm },
      severity: below_mm >= 0 ? 'note' : 'fails',
      fixes: [{ kind: 'safe', set: { flapSlit: Math.ceil(slit / 10) * 10 } }],
    };
  },
});

export const shimThin = defineCheck({
  code: 'shim-too-thin',
  proof: 'fit',
  severity: 'watch',
  source: PRACTICE,
  *run({ fit, numbers, build }) {
    if (fit?.result.verdict === 'does-not-fit' || !has(build, 'jamb-shims')) return;
    for (const side of ['left', 'right'] as const) {
      const thinnest = Math.min(
        ...(fit?.shims ?? []).filter((s) => s.side === side).map((s) => s.thickness_mm),
      );
      if (thinnest >= numbers.leastShim || thinnest === Infinity) continue;
      yield { facts: { side, thickness_mm: thinnest, limit_mm: numbers.leastShim } };
    }
  },
});

export const sealNarrow = defineCheck({
  code: 'seal-narrow',
  proof: 'air',
  severity: 'watch',
  source: PRACTICE,
  *run({ build, numbers }) {
    if (!build || !(has(build, 'inner-strip') || has(build, 'frame-membrane'))) return;
    const left = sides.map((side: Side) => ({ side, onReveal_mm: sealOnReveal(side, build.context) }));
    for (const { side, onReveal_mm } of left.filter((s) => s.onReveal_mm < LEAST_ON_REVEAL_mm)) {
      const width = numbers.sealWidth + LEAST_ON_REVEAL_mm - onReveal_mm;
      yield {
        facts: { side, onReveal_mm, limit_mm: LEAST_ON_REVEAL_mm },
        fixes: [{ kind: 'safe', set: { sealWidth: Math.ceil(width / 10) * 10 } }],
      };
    }
  },
});

function topOf(build: Build, role: PieceRole): number {
  const [piece] = sheets(piecesFor(build, role));
  if (!piece) return -Infinity;
  return Math.max(...piece.sheet.faces.map((face) => bounds(face.placed).y[1]));
}
