/** Small random jobs on a grid of 15 minutes: few enough tasks, people and days that the best plan can be known. */
import { generator, type Work } from '@hulvek/core';

const START = '2026-05-04T07:00:00Z';
const STEP = 15;
export const at = (minute: number) => new Date(Date.parse(START) + minute * 60_000).toISOString();

/** The job of a seed: up to 12 tasks, 3 people and 3 days of 8 hours. */
export function smallJob(seed: number): Work {
  const random = generator(seed);
  const below = (n: number) => Math.floor(random() * n);
  const often = (share: number) => random() < share;
  const one = <T>(list: readonly T[]): T => list[below(list.length)]!;
  // Many tasks in one day, or few in up to three: the solver has to come to an end.
  const isLong = seed % 5 !== 0;
  const n = isLong ? 3 + below(5) : 8 + below(5);
  const days = isLong ? 1 + below(3) : 1;
  const people: Work['people'] = Array.from({ length: 1 + below(3) }, (_, p) => ({
    id: `p${p}`,
    skills: [...(p === 0 || often(0.5) ? ['set'] : []), ...(often(p === 0 ? 0.9 : 0.5) ? ['seal'] : [])],
    hours: Array.from({ length: days }, (_, d): [string, string] => {
      const late = often(0.2) ? STEP * below(12) : 0;
      return [at(d * 1440 + late), at(d * 1440 + (often(0.2) ? 300 : 480))];
    }),
  }));
  const wet = Array.from({ length: days * 24 }, () => often(0.12));
  const anyPlace = often(0.5);
  return {
    format: 'hulvek-work',
    version: 1,
    start: START,
    people,
    tools: [{ id: 'lift', count: 1 + below(2) }],
    places: [
      { id: 'north', setup_min: anyPlace ? STEP * (1 + below(3)) : 0 },
      { id: 'south', setup_min: anyPlace ? STEP * below(3) : 0 },
    ],
    weather: wet.map((rain, h) => ({
      at: at(h * 60),
      temperature_C: 4 + (h % 24) / 2,
      gust_ms: h % 7 === 3 ? 11 : 5,
      rain_mm: rain ? 1 : 0,
    })),
    tasks: Array.from({ length: n }, (_, i): Work['tasks'][number] => {
      const dry = often(0.25);
      const calm = often(0.1);
      return {
        id: `t${i}`,
        minutes: STEP * (1 + below(isLong ? (often(0.2) ? 20 : 8) : 4)),
        people: people.length > 1 && often(0.3) ? 2 : 1,
        unsplit: often(0.3),
        ...(often(0.3) && { skills: [one(['set', 'seal'])] }),
        ...(often(0.25) && { tools: { lift: 1 } }),
        ...(anyPlace && often(0.8) && { place: one(['north', 'south']) }),
        ...((dry || calm) && {
          conditions: {
            ...(dry && { dry: true, dry_after_min: STEP * below(5) }),
            ...(calm && { gust_ms_max: 9 }),
          },
        }),
        ...(often(0.15) && { release: at(STEP * below(32)) }),
        ...(often(0.25) && { due: at(STEP * (4 + below(60))) }),
        after: Array.from({ length: i > 0 && often(0.6) ? 1 + below(2) : 0 }, () => {
          const least = often(0.3) ? STEP * below(20) : 0;
          return {
            after: `t${below(i)}`,
            ...(often(0.2) && { from: 'start' as const }),
            ...(often(0.15) && { to: 'end' as const }),
            least_min: least,
            ...(often(0.2) && { most_min: least + STEP * below(12) }),
          };
        }),
      };
    }),
  };
}
