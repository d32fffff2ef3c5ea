/** Instruments for trying out and for practice: they measure an invented opening that is the same for the same seed. */
import type { Instrument as InstrumentKind } from '../documents/survey.ts';
import type { Size } from '../quantities/size.ts';
import type { SurveyPointId } from '../vocabulary/survey-points.ts';
import { instrumentFor, type InstrumentAnswer, type MeasuringInstrument } from './instrument.ts';
import { generator } from '../quantities/random.ts';

/** A seed from any text. */
export const seedOf = (text: string): number =>
  [...text].reduce((hash, letter) => Math.imul(hash ^ letter.charCodeAt(0), 16_777_619), 2_166_136_261) >>> 0;

/** Largest error of one reading, evenly spread, mm. Common practice, no source. */
const NOISE_mm: Readonly<Record<InstrumentKind, number>> = {
  tape: 1,
  'distance-meter': 1,
  'levelling-laser': 0.5,
  'total-station': 1,
  'digital-level': 0.3,
  drawing: 0,
};
/** How far a corner of an invented opening lies off its drawn place at most, mm. */
const FRAMING_mm = 4;
/** Share of readings after which the connection is gone. */
const LOSS_SHARE = 0.04;
/** Instruments answer to the tenth. */
const STEP_mm = 0.1;

type Truth = Readonly<Partial<Record<SurveyPointId, number>>>;

/** Everything one would read without error: all figures belong to the same four corners. */
export function inventedOpening(seed: number, nominal: Size, depth_mm: number): Truth {
  const random = generator(seed);
  const off = (most = FRAMING_mm) => (random() * 2 - 1) * most;
  const a = [0, 0] as const;
  const b = [nominal.width + off(), off(2)] as const;
  const c = [nominal.width + off(), nominal.height + off()] as const;
  const d = [off(), nominal.height + off()] as const;
  const bow = { left: off(2), right: off(2) };
  const middle = { left: d[0] / 2 + bow.left, right: (b[0] + c[0]) / 2 + bow.right };
  const sag = off(1);
  const between = (p: readonly [number, number], q: readonly [number, number]) =>
    Math.hypot(p[0] - q[0], p[1] - q[1]);
  return {
    roughWidth: nominal.width,
    roughHeight: nominal.height,
    widthBottom: b[0],
    widthMiddle: middle.right - middle.left,
    widthTop: c[0] - d[0],
    heightLeft: d[1],
    heightCentre: (d[1] + c[1]) / 2 - (b[1] / 2 + sag),
    heightRight: c[1] - b[1],
    diagonalRising: between(a, c),
    diagonalFalling: between(d, b),
    sillLeft: 0,
    sillMiddle: b[1] / 2 + sag,
    sillRight: b[1],
    plumbLeft: d[0],
    plumbRight: c[0] - b[0],
    depth: depth_mm + off(1),
    bowLeft: bow.left,
    bowRight: bow.right,
    twistLeft: off(2),
    twistRight: off(2),
    sillFallLeft: off(2),
    sillFallRight: off(2),
    stringGap: off(1),
    faceHollow: off(2),
    freeLeft: 600 + off(200),
    freeRight: 600 + off(200),
    freeAbove: 800 + off(200),
    freeBelow: 800 + off(200),
  };
}

/**
 * Returns an instrument that measures an invented opening. Same seed, same readings, losses included.
 *
 * @param lossShare 0 for an instrument that never fails
 */
export function simulatedInstrument(o: {
  kind: InstrumentKind;
  truth: Truth;
  seed: number;
  lossShare?: number;
}): MeasuringInstrument {
  const random = generator(o.seed);
  let lost = false;
  return {
    kind: o.kind,
    reconnect: () => (lost = false),
    read(point): InstrumentAnswer {
      const mm = o.truth[point];
      if (mm === undefined || instrumentFor(point) !== o.kind) return { ok: false, because: 'cannot' };
      if (lost || random() < (o.lossShare ?? LOSS_SHARE)) {
        lost = true;
        return { ok: false, because: 'lost' };
      }
      const noisy = mm + (random() * 2 - 1) * NOISE_mm[o.kind];
      return { ok: true, mm: Math.round(noisy / STEP_mm) * STEP_mm };
    },
  };
}
