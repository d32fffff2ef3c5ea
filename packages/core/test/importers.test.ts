/** Everything that is read in from a file, with any of its text hurt: answered in words, never with a failure. */
import { describe, expect, it } from 'vitest';
import {
  generator,
  guessFields,
  headingLine,
  pastedCells,
  pointTexts,
  read,
  readEpw,
  readJobFile,
  readSchedule,
  readSection,
  readSurveySheet,
  skarvPoint,
  surveyPointIds,
  tableOf,
  writeJobFile,
  type SurveyPointId,
} from '@hulvek/core';
import { count } from './support/count.ts';
import { injured } from './support/mutations.ts';
import { section } from './support/sections.ts';
import { WEATHER_HEAD, yearOf } from './support/weather.ts';

const labels = Object.fromEntries(surveyPointIds.map((id) => [id, pointTexts[id].label])) as Record<
  SurveyPointId,
  string
>;
const epw = [...WEATHER_HEAD, ...yearOf(() => 4, 80)].join('\n');
const sheet = [
  ['Mark', labels.widthTop, labels.widthBottom, labels.sillLeft].join(','),
  'S-01,36 3/8,36 1/2,0',
  'S-02,"1 200","1,201",-1',
].join('\n');
const schedule = [
  'Window schedule;;;',
  'Mark;Type;Size;R.O. Width;R.O. Height;Sill;Swing;Qty',
  'W1;A;900 x 1200;920;1225;850;casement LH;3',
  `W2;B;3'-0" x 4'-0";37";49 1/2";30";DH;1`,
].join('\n');
const solved = JSON.stringify(
  section({
    materials: { stone: { lambda: 1 } },
    boxes: [{ material: 'stone', x: [0, 400], y: [0, 800] }],
    environments: { warm: { temperature: 20, rs: 0 }, cold: { temperature: 0, rs: 0 } },
    surfaces: [
      { environment: 'warm', from: [0, 800], to: [400, 800] },
      { environment: 'cold', from: [0, 0], to: [0, 800] },
    ],
  }),
);

/** A text after one to five injuries: letters turned, parts lost, doubled or moved, figures beyond all bounds. */
function hurt(text: string, seed: number): string {
  const random = generator(seed);
  const at = (length: number) => Math.floor(random() * Math.max(1, length));
  const strange = [
    '\0',
    '\uD800',
    '"',
    ',',
    '1e400',
    '-',
    '9'.repeat(400),
    '\n\n',
    '{',
    '\uFEFF',
    'NaN',
    '31/2',
  ];
  let hurtText = text;
  for (let wounds = 1 + at(5); wounds > 0; wounds--) {
    const [from, length] = [at(hurtText.length), 1 + at(40)];
    const part = hurtText.slice(from, from + length);
    const kind = at(5);
    const next =
      kind === 0
        ? ''
        : kind === 1
          ? part + part
          : kind === 2
            ? (strange[at(strange.length)] ?? '')
            : [...part].reverse().join('');
    hurtText =
      kind === 4 ? hurtText.slice(0, from) : hurtText.slice(0, from) + next + hurtText.slice(from + length);
  }
  return hurtText;
}

const job = writeJobFile(skarvPoint());
const importers: Readonly<Record<string, [string, number, (text: string) => unknown]>> = {
  'a job file': [job, 60, (text) => readJobFile(text)],
  'a survey sheet': [sheet, 600, (text) => readSurveySheet(text, 'in', labels)],
  'pasted cells': [sheet.replaceAll(',', '\t'), 600, (text) => pastedCells(text)],
  'a schedule of openings': [
    schedule,
    600,
    (text) => {
      const table = tableOf(text);
      const at = headingLine(table);
      return readSchedule(table, at, guessFields(table[at] ?? []), { bare: 'mm', hand: 'inside' });
    },
  ],
  'a weather file': [epw, 40, (text) => readEpw(text)],
  'a section': [solved, 600, (text) => readSection(text)],
};

describe.each(Object.entries(importers))('%s', (_, [sound, sample, importer]) => {
  it('with any of its text hurt is answered, within two seconds each', () => {
    for (let seed = 1; seed <= count(10_000, sample); seed++) {
      const started = performance.now();
      const answer = importer(hurt(sound, seed));
      expect(answer).toBeTypeOf('object');
      expect(performance.now() - started, `seed ${seed}`).toBeLessThan(2000);
    }
  });
});

it('a job’s months with any value in place of any other are read or refused by name', () => {
  const rows = Array.from({ length: 12 }, () => ({ outside_C: 4, humidity_percent: 80 }));
  const months = { ...skarvPoint().job, months: { source: 'typed', note: '', rows } };
  for (let seed = 1; seed <= count(10_000, 400); seed++) {
    const text = injured(JSON.stringify(months), seed);
    let value: unknown;
    try {
      value = JSON.parse(text);
    } catch {
      continue;
    }
    const result = read('job', value);
    if (!result.ok) expect(result.problems.length).toBeGreaterThan(0);
  }
});
