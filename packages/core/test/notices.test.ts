/** What later trades are told: common practice, no source. */
import {
  contextOf,
  exampleJob,
  issueOf,
  noticeRuleTexts,
  noticeToText,
  openingsOf,
  planOpening,
  presetIds,
  progress,
  tradeNotices,
  type Entry,
  type PresetId,
} from '@hulvek/core';
import { describe, expect, it } from 'vitest';

function planned(school: PresetId) {
  const file = exampleJob(school);
  const [opening] = openingsOf(file);
  const plan = opening && planOpening(opening, contextOf(file));
  const issue = plan && issueOf(plan, { version: 1, person: 'Lead', at: '2026-11-01T06:00:00.000Z' });
  if (!opening || !plan?.build || !issue) throw new Error(`${school} cannot be built`);
  return { opening, build: plan.build, issue };
}
const told = (school: PresetId) =>
  tradeNotices(planned(school).build).map(({ to, rule }) => `${to}: ${rule}`);

describe('notices to later trades', () => {
  it.each(presetIds)('%s: each names pieces that are there, once, in words', (school) => {
    const { build } = planned(school);
    const notices = tradeNotices(build);
    expect(notices.length).toBeGreaterThan(0);
    const ids = notices.map(({ to, rule }) => `${to} ${rule}`);
    expect(new Set(ids).size).toBe(ids.length);
    for (const { to, rule, pieces } of notices) {
      expect(pieces.length).toBeGreaterThan(0);
      expect(noticeToText(to)).not.toBe('');
      expect(noticeRuleTexts[rule]).not.toBe('');
    }
  });

  it('a drained sill is never caulked, a barrier’s is no drain; a pan is never nailed through', () => {
    expect(told('drained-head-flap')).toEqual(
      expect.arrayContaining(['owner: sill-drains', 'cladding: sill-drains', 'drywall: no-nails-in-pan']),
    );
    expect(told('closed-barrier').some((one) => one.includes('sill-drains'))).toBe(false);
  });

  it('what lies open is to be covered by a day, once it hangs', () => {
    const { build, issue, opening } = planned('drained-head-flap');
    const wrap = build.steps.find(({ role }) => role === 'wall-layer');
    const steps = build.steps.slice(0, build.steps.findIndex(({ id }) => id === wrap?.id) + 1);
    const ticks = steps.map(
      ({ id }, n) =>
        ({
          id: `00000000-0000-4000-8000-${String(n).padStart(12, '0')}`,
          opening: opening.id,
          issue: 1,
          kind: 'tick',
          step: id,
          undoes: null,
          person: 'Lead',
          at: '2026-11-02T08:00:00.000Z',
          note: '',
          photo: null,
        }) as Entry,
    );
    const stock = [{ kind: 'wrap', exposure_days: 90 } as never];
    const states = progress(build.steps, [issue], ticks, '2026-11-03T08:00:00.000Z');
    const [cover] = tradeNotices(build, states, stock).filter(({ rule }) => rule === 'cover-by');
    expect(cover).toMatchObject({ to: 'cladding', until: '2027-01-31T08:00:00.000Z' });
    expect(tradeNotices(build, [], stock).some(({ rule }) => rule === 'cover-by')).toBe(false);
  });
});
