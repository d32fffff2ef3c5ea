/** Seeded jobs of fifty openings of twenty steps each, for the planner's bench: invented, and the same for a name. */
import { generator, type Work } from '@hulvek/core';

const START = '2026-05-04T00:00:00Z';
const DAYS = 45;

const KINDS = {
  /** Four hands, little rain. */
  'four-hands': { seed: 11, people: 4, wet: 0.02, rests: 0.2, setup: 10 },
  /** Six hands in wet weather, with long rests. */
  'wet-spring': { seed: 23, people: 6, wet: 0.05, rests: 0.5, setup: 15 },
  /** Three hands, every façade a way. */
  'far-apart': { seed: 37, people: 3, wet: 0.01, rests: 0.1, setup: 30 },
} as const;
export type BigJob = keyof typeof KINDS;
export const bigJobs = Object.keys(KINDS) as BigJob[];

const at = (minute: number) => new Date(Date.parse(START) + minute * 60_000).toISOString();

export function bigJob(kind: BigJob): Work {
  const { seed, people, wet, rests, setup } = KINDS[kind];
  const random = generator(seed);
  const tasks: Work['tasks'] = [];
  for (let o = 0; o < 50; o++) {
    const place = `facade-${o % 4}`;
    const isBucked = random() < rests;
    for (let s = 0; s < 20; s++) {
      const before = s > 0 ? `o${o}-s${s - 1}` : null;
      const isSet = s === 11;
      tasks.push({
        id: `o${o}-s${s}`,
        minutes: 5 + Math.floor(random() * 15),
        place,
        people: s === 2 || s === 10 || isSet ? 2 : 1,
        ...(isSet && { conditions: { gust_ms_max: 9 } }),
        ...(s > 3 && s < 8 && { conditions: { dry: true, dry_after_min: 60 } }),
        after: before
          ? [
              {
                after: before,
                ...(isSet && { most_min: 15 }),
                ...(isBucked && s === 4 && { least_min: 1440 }),
                ...(s === 17 && { least_min: 60 }),
              },
            ]
          : [],
      });
    }
  }
  let isWet = false;
  const weather = Array.from({ length: DAYS * 24 }, (_, h) => {
    isWet = random() < (isWet ? 0.7 : wet);
    return { at: at(h * 60), temperature_C: 10, gust_ms: random() < 0.06 ? 11 : 5, rain_mm: isWet ? 1 : 0 };
  });
  return {
    format: 'hulvek-work',
    version: 1,
    start: START,
    people: Array.from({ length: people }, (_, p) => ({
      id: `p${p}`,
      skills: [],
      hours: Array.from({ length: DAYS }, (_, d): [string, string] => [
        at(d * 1440 + 420),
        at(d * 1440 + 930),
      ]).filter((_, d) => d % 7 < 5),
    })),
    tools: [],
    places: Array.from({ length: 4 }, (_, f) => ({ id: `facade-${f}`, setup_min: setup })),
    tasks,
    weather,
  };
}
