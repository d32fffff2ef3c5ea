/** What was tested at openings as a table: a stage, a wet place or a pressure a row. */
import { openingTestWords as t, zoneWords } from '$words/opening-tests.ts';
import { writeSheet, type Session } from '@hulvek/core';

export interface TestedMark {
  readonly mark: string;
  readonly sessions: readonly Session[];
}

export const testsCsv = (tested: readonly TestedMark[]): string =>
  writeSheet([
    [...t.columns],
    ...tested.flatMap(({ mark, sessions }) =>
      sessions.flatMap(({ entry, facts, stages, wet, chamber }) => {
        const head = [mark, entry.at, t.kinds[facts.of]];
        return [
          ...stages.map(({ stage, minutes }) => [...head, t.stages[stage], String(minutes), '']),
          ...wet.map(({ zone, stage, after_min }) => [
            ...head,
            stage ? t.stages[stage] : '',
            after_min === undefined ? '' : String(after_min),
            zoneWords[zone],
          ]),
          ...chamber.map(({ pressure_Pa, tare_m3h, joint_m3h, open_m3h }) => [
            ...head,
            `${pressure_Pa} Pa`,
            '',
            `${tare_m3h}; ${joint_m3h}; ${open_m3h} m³/h`,
          ]),
        ];
      }),
    ),
  ]);
