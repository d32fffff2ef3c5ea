/** The example of a school with everything that a site, an opening and a unit can be asked for, or all but one thing. */
import {
  exampleJob,
  openingsOf,
  skarvPoint,
  type JobFile,
  type Opening,
  type PresetId,
} from '../../src/index.ts';
import type { Datum } from '../verdicts.expected.ts';

const length = (mm: number) => ({ typed: String(mm), mm });

export function fullSite(school: PresetId, without?: Datum): { job: JobFile; opening: Opening } {
  const job: JobFile = structuredClone(exampleJob(school));
  const [first] = openingsOf(job);
  const [unit] = job.units;
  if (!first || !unit) throw new Error(`the example of ${school} is not whole`);
  Object.assign(job.job, {
    altitude_m: 200,
    ...(without !== 'wind' && { wind: { gust_ms: 40, terrain: 'built-up' } }),
    climate: { inside_C: 20, humidity_percent: 45, outside_C: -5 },
    ...(without !== 'months' && { months: skarvPoint().job.months }),
  });
  if (without === 'lining')
    job.walls = job.walls.map((wall) => ({
      ...wall,
      layers: wall.layers.filter(({ role }) => role !== 'interior-finish'),
    }));
  if (without === 'weight') delete unit.weight_kg;
  else unit.weight_kg ??= 42;
  unit.waterTest_Pa = 580;
  if (without !== 'fastener') unit.limits = { ...unit.limits, fastener_N: 400 };
  const values = { ...first.survey.values };
  if (without === 'figures') delete values.heightCentre;
  return {
    job,
    opening: {
      ...first,
      survey: { ...first.survey, values },
      exposure: {
        ...(without !== 'height' && { height_m: 4 }),
        zone: 'field',
        ...(without !== 'shelter' && { overhang: length(600), toSoffit: length(2500) }),
      },
    },
  };
}
