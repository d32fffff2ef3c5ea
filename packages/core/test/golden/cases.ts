/** The openings that records are kept of: one of each school, the demo's, and random ones that are the same for a seed. */
import { readFileSync } from 'node:fs';
import {
  exampleJob,
  exampleWalls,
  generator,
  openingsOf,
  presetIds,
  skarvPoint,
  surveyPoints,
  quinceCourt,
  tanneryRow,
  wallSchema,
  type JobContext,
  type Opening,
  type PresetId,
  type SurveyPointId,
} from '@hulvek/core';
import type { parameters } from '../../src/vocabulary/parameters.ts';

/**
 * What random jobs choose from, as it was when they were first recorded: whatever can be chosen since then changes none
 * of them, so that their records go on saying what changed in what they hold.
 */
const space = JSON.parse(readFileSync(new URL('records/space.json', import.meta.url), 'utf8')) as {
  readonly axes: Readonly<Record<string, readonly string[]>>;
  readonly presets: readonly PresetId[];
  readonly walls: readonly (keyof typeof exampleWalls)[];
  readonly parameters: Readonly<
    Record<string, Pick<(typeof parameters)[keyof typeof parameters], 'least' | 'most' | 'kind'>>
  >;
};

export interface Case {
  readonly name: string;
  readonly opening: Opening;
  readonly job: JobContext;
}

/** Wind, exposure and months, so that every proof has something to say. */
const SITE = {
  altitude_m: 320,
  wind: { gust_ms: 34, terrain: 'open' as const },
  months: {
    source: 'hand' as const,
    note: 'invented',
    rows: [-4, -3, 1, 6, 11, 15, 17, 16, 12, 7, 2, -2].map((outside_C) => ({
      outside_C,
      humidity_percent: 84,
    })),
  },
};

const length = (mm: number) => ({ typed: `${mm} mm`, mm });

export function schoolCase(id: PresetId): Case {
  const file = exampleJob(id);
  const job = { ...file, job: { ...file.job, ...SITE } };
  const [opening] = openingsOf(file);
  if (!opening) throw new Error('an example without an opening');
  const exposure = { height_m: 6, zone: 'corner' as const, overhang: length(300), toSoffit: length(600) };
  return { name: id, opening: { ...opening, exposure }, job };
}

export const schoolCases = (): Case[] => presetIds.map(schoolCase);

export const demoCases = (): Case[] =>
  [skarvPoint(), tanneryRow(), quinceCourt()].flatMap((file) =>
    openingsOf(file).map((opening) => ({ name: `${file.job.id} ${opening.id}`, opening, job: file })),
  );

/** A job of one opening in which everything that can be chosen is chosen at random. */
export function randomCase(seed: number): Case {
  const random = generator(seed);
  const pick = <T>(list: readonly T[]): T => list[Math.floor(random() * list.length)] as T;
  const between = (least: number, most: number) => Math.round((least + random() * (most - least)) * 10) / 10;
  const often = (share: number) => random() < share;
  const { opening, job } = schoolCase(pick(space.presets));
  const method = job.methods[0];
  const unit = job.units[0];
  if (!method || !unit) throw new Error('an example without a method');
  const wild = often(0.4);
  const choices = Object.fromEntries(
    Object.entries(space.axes)
      .filter(() => often(wild ? 0.9 : 0.12))
      .map(([axis, of]) => [axis, pick(of)]),
  );
  const numbers = Object.fromEntries(
    Object.entries(space.parameters)
      .filter(() => often(0.08))
      .map(([id, { least, most, kind }]) => {
        const value = between(least, most);
        return [id, kind === 'length' ? length(value) : { typed: `${value}°`, deg: value }];
      }),
  );
  const crooked = often(0.5) ? 9 : 2;
  const values = Object.fromEntries(
    Object.entries(opening.survey.values)
      .filter(() => often(0.97))
      .map(([id, value]) => {
        const { least_mm, most_mm } = surveyPoints[id as SurveyPointId];
        const mm = Math.min(most_mm, Math.max(least_mm, (value?.mm ?? 0) + between(-crooked, crooked)));
        return [id, length(Math.round(mm * 10) / 10)];
      }),
  );
  const walls = often(0.3)
    ? [
        wallSchema.parse({
          id: job.walls[0]?.id,
          ...exampleWalls[pick(space.walls)],
        }),
      ]
    : job.walls;
  return {
    name: `seed ${seed}`,
    opening: {
      ...opening,
      choices,
      numbers,
      survey: { ...opening.survey, values },
      ...(often(0.3) && { exposure: {} }),
    } as Opening,
    job: {
      ...job,
      walls,
      methods: [method],
      units: [
        {
          ...unit,
          ...(often(0.3) && { weight_kg: between(20, 140) }),
          ...(often(0.2) && { mullions: [length(450)] }),
          ...(often(0.15) && { panes: [length(6), length(6)] }),
          ...(often(0.15) && {
            fin: { ...unit.fin, kind: pick(['integral', 'separate', 'gasketed', 'none'] as const) },
          }),
        },
      ],
    },
  };
}

export const RANDOM_CASES = 200;
export const randomCases = (): Case[] => Array.from({ length: RANDOM_CASES }, (_, i) => randomCase(i + 1));
