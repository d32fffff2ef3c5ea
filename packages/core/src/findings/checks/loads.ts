/** Loads that somebody stated a limit for, and weights that hands do not carry. */
import { defineCheck } from '../check.ts';

export const fasteners = defineCheck({
  code: 'fastener-overloaded',
  proof: 'structure',
  severity: 'fails',
  source: 'simple statics; the limit is the maker’s',
  *run(draft) {
    const load = draft.loads?.fasteners;
    if (!load || load.limit_N === null || load.verdict !== 'fails') return;
    const { side, each_N } = load.worst;
    yield { facts: { side, each_N, limit_N: load.limit_N, pressure_Pa: load.pressure_Pa } };
  },
});

export const lift = defineCheck({
  code: 'needs-lift',
  proof: 'structure',
  severity: 'look',
  source: 'common practice, no source',
  *run(draft) {
    const handling = draft.loads?.handling;
    if (handling?.needsLift)
      yield {
        facts: { weight_kg: handling.weight.kg, people: handling.people },
        step: draft.build?.steps.find(({ role }) => role === 'dry-fit')?.id,
      };
  },
});
