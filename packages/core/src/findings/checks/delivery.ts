/** The unit as it came: what it is, what its label says, whether it suits the place and the method. */
import { ALTITUDE_WATCH_Pa, altitudeDifference } from '../../unit/altitude.ts';
import { LEVEL } from '../../survey/tolerances.ts';
import { madeOf, piecesFor } from '../../build/by-role.ts';
import type { Rating } from '../../vocabulary/ratings.ts';
import { defineCheck } from '../check.ts';
import type { Draft } from '../draft.ts';

const PRACTICE = 'common practice, no source';

export const checkable = defineCheck({
  code: 'unit-not-checkable',
  proof: 'fit',
  severity: 'not-checkable',
  source: 'the limits of this program',
  *run({ unit }) {
    if (!unit) return;
    if (unit.shape === 'other') yield { facts: { because: 'shape' } };
  },
});

export const altitude = defineCheck({
  code: 'altitude-differs',
  proof: 'structure',
  severity: 'watch',
  source: 'ISO 2533 standard atmosphere, from memory; the limit is common practice, no source',
  *run({ unit, job: { job } }) {
    if (unit?.madeAt_m === undefined || job.altitude_m === undefined) return;
    const difference_Pa = altitudeDifference(unit.madeAt_m, job.altitude_m);
    if (Math.abs(difference_Pa) <= ALTITUDE_WATCH_Pa) return;
    yield { facts: { difference_Pa, madeAt_m: unit.madeAt_m, site_m: job.altitude_m } };
  },
});

type Rated = 'uFactor' | 'shgc';
const RATED: readonly Rated[] = ['uFactor', 'shgc'];

/** What is said of the unit, by whom and how it was found, and what its façade asks. */
function labelled({ opening, unit, job: { job } }: Draft) {
  const facade = job.facades?.find((f) => f.name === opening.facade);
  const { label: read = {} } = opening;
  const asks: Readonly<Record<Rated, boolean>> = {
    uFactor: facade?.uMost !== undefined,
    shgc: facade?.shgcMost !== undefined || facade?.shgcLeast !== undefined,
  };
  /** What counts: what the label says, else what the unit was ordered as. */
  const said = (what: Rated) =>
    read[what] === undefined
      ? { figure: unit?.[what], rating: unit?.rating }
      : { figure: read[what], rating: read.rating ?? unit?.rating };
  return { facade, read, asks, said };
}

const differ = (one: Rating | undefined, other: Rating | undefined): boolean =>
  one !== undefined && other !== undefined && one !== other;

export const labelMissing = defineCheck({
  code: 'label-missing',
  proof: 'record',
  severity: 'not-checkable',
  source: 'what the job asks for',
  *run(draft) {
    const { asks, said } = labelled(draft);
    const what = RATED.filter((one) => asks[one] && said(one).figure === undefined);
    if (draft.unit && what.length > 0) yield { facts: { what } };
  },
});

export const labelProcedures = defineCheck({
  code: 'label-procedures-differ',
  proof: 'record',
  severity: 'not-checkable',
  source: 'the rating procedures themselves: sizes and temperatures differ',
  *run(draft) {
    const { facade, read, asks, said } = labelled(draft);
    const asked = facade?.rating;
    const toFacade = RATED.filter((one) => asks[one] && differ(said(one).rating, asked));
    const [first] = toFacade;
    const rated = first && said(first).rating;
    if (rated && asked) yield { facts: { what: toFacade, read: rated, asked, from: 'facade' } };
    const unit = draft.unit;
    const both = RATED.filter((one) => read[one] !== undefined && unit?.[one] !== undefined);
    if (both.length > 0 && read.rating && unit?.rating && read.rating !== unit.rating)
      yield { facts: { what: both, read: read.rating, asked: unit.rating, from: 'unit' } };
  },
});

export const label = defineCheck({
  code: 'label-differs',
  proof: 'record',
  severity: 'fails',
  source: 'what the job asks for',
  *run(draft) {
    const { facade, read, said } = labelled(draft);
    const { unit } = draft;
    const limits = [
      ['uFactor', 'most', facade?.uMost],
      ['shgc', 'most', facade?.shgcMost],
      ['shgc', 'least', facade?.shgcLeast],
    ] as const;
    for (const [what, side, asked] of limits) {
      const { figure, rating } = said(what);
      if (figure === undefined || asked === undefined || differ(rating, facade?.rating)) continue;
      if (side === 'most' ? figure > asked : figure < asked)
        yield { facts: { what, read: figure, asked, side, from: 'facade' } };
    }
    for (const what of RATED) {
      const [onLabel, ordered] = [read[what], unit?.[what]];
      if (onLabel === undefined || ordered === undefined || differ(read.rating, unit?.rating)) continue;
      if (Math.abs(onLabel - ordered) > READING_STEP)
        yield { facts: { what, read: onLabel, asked: ordered, side: 'most', from: 'unit' } };
    }
  },
});

/** Labels are written to two figures after the point. */
const READING_STEP = 0.005;

export const foam = defineCheck({
  code: 'maker-forbids-foam',
  proof: 'structure',
  severity: 'fails',
  source: 'the maker’s instructions, as entered for the unit',
  *run({ unit, build }) {
    const foamed = build !== null && piecesFor(build, 'fill').some((piece) => madeOf(piece, 'foam'));
    if (unit?.limits?.foam === 'forbidden' && foamed)
      yield { facts: {}, fixes: [{ kind: 'design-changing', set: {}, choose: { gapFill: 'wool' } }] };
  },
});

export const deliveredSize = defineCheck({
  code: 'delivered-size',
  proof: 'fit',
  severity: 'watch',
  source: PRACTICE,
  *run({ unit, readings: r }) {
    if (!unit) return;
    const limit_mm = LEVEL.line_mm;
    for (const [what, measured_mm, expected_mm] of [
      ['width', r.unitWidth, unit.width.mm],
      ['height', r.unitHeight, unit.height.mm],
    ] as const) {
      if (measured_mm !== undefined && Math.abs(measured_mm - expected_mm) > limit_mm)
        yield { facts: { what, measured_mm, expected_mm, limit_mm } };
    }
    const [rising, falling] = [r.unitDiagonalRising, r.unitDiagonalFalling];
    if (rising !== undefined && falling !== undefined && Math.abs(rising - falling) > limit_mm)
      yield { facts: { what: 'square', measured_mm: rising, expected_mm: falling, limit_mm } };
  },
});

export const damage = defineCheck({
  code: 'delivered-damaged',
  proof: 'record',
  severity: 'fails',
  source: 'the record of this job',
  *run({ opening: { damage: said } }) {
    if (said !== undefined && said.trim() !== '') yield { facts: { damage: said.trim() } };
  },
});
