/** Rows as documents: what the database keeps is read like anything else that comes from outside. */
import type { shelfKinds } from '@hulvek/core';
import {
  mustRead,
  sideHeatSchema,
  type Entry,
  type Issue,
  type Job,
  type JobContext,
  type Maker,
  type OpeningDocument,
  type Reading,
  type ShelfDocument,
  type ShelfItem,
  type SideHeat,
} from '@hulvek/core';
import { makerWords } from '$words/contract.ts';
import * as z from 'zod/mini';
import { judgedSchema, type Judged } from '../../contract/judged.ts';
import { mustBe } from '../../contract/read.ts';
import type { entries, jobs, judgements, readings, shelfVersions } from './schema/index.ts';

const list = (value: unknown, where: string): unknown[] => mustBe(z.array(z.unknown()), value, where);

export const storedJob = (document: unknown): Job => mustRead('job', document, 'the job as stored');

export function storedContext(row: typeof jobs.$inferSelect): JobContext {
  const where = (what: string) => `${what} of job ${row.id}`;
  return {
    job: storedJob(row.document),
    walls: list(row.walls, where('walls')).map((wall) => mustRead('wall', wall, where('a wall'))),
    units: list(row.units, where('units')).map((unit) => mustRead('unit', unit, where('a unit'))),
    methods: list(row.methods, where('methods')).map((m) => mustRead('method', m, where('a method'))),
    materials: list(row.materials, where('materials')).map((m) =>
      mustRead('material', m, where('a material')),
    ),
  };
}

export const storedOpening = (document: unknown): OpeningDocument =>
  mustRead('opening', document, 'an opening as stored');

/** Without the name of whoever froze it, until that is looked up. */
export const storedIssue = (document: unknown, maker: Maker = NOBODY): Issue =>
  mustRead(
    'issue',
    typeof document === 'object' ? { ...document, ...maker } : document,
    'a frozen plan as stored',
  );

const NOBODY: Maker = { person: makerWords.unknown };

/** What the device and the server said of a record. */
const envelopeOf = (row: typeof entries.$inferSelect | typeof readings.$inferSelect) => ({
  received: row.receivedAt.toISOString(),
  ...(row.device !== null && { device: row.device }),
  ...(row.count !== null && { count: row.count }),
  ...(row.previous !== null && { previous: row.previous }),
  ...(row.salts !== null && { salts: row.salts }),
  ...(row.clock_s !== null && { clock_s: row.clock_s }),
  ...(row.app !== null && { app: row.app }),
});

export const storedReading = (row: typeof readings.$inferSelect, maker: Maker = NOBODY): Reading =>
  mustRead(
    'reading',
    {
      id: row.id,
      opening: row.openingId,
      point: row.point,
      from: row.seenFrom,
      value: row.value,
      replaces: row.replaces,
      instrument: row.instrument,
      ...maker,
      ...envelopeOf(row),
      at: row.at?.toISOString() ?? null,
    },
    `reading ${row.id}`,
  );

export const storedEntry = (row: typeof entries.$inferSelect, maker: Maker = NOBODY): Entry =>
  mustRead(
    'entry',
    {
      id: row.id,
      opening: row.openingId,
      issue: row.issue,
      kind: row.kind,
      step: row.step,
      undoes: row.undoes,
      ...maker,
      ...envelopeOf(row),
      at: row.at.toISOString(),
      note: row.note,
      photo: row.photo,
      ...(row.built !== null && { built: row.built }),
      ...(row.facts !== null && { facts: row.facts }),
    },
    `entry ${row.id}`,
  );

const DOCUMENT_OF = {
  walls: 'wall',
  units: 'unit',
  methods: 'method',
  materials: 'material',
} as const satisfies Record<(typeof shelfKinds)[number], string>;

export function storedShelfItem(row: typeof shelfVersions.$inferSelect, maker: Maker): ShelfItem {
  const document: ShelfDocument = mustRead(DOCUMENT_OF[row.kind], row.document, `${row.id} on the shelf`);
  const { kind, id, version } = row;
  return { kind, id, version, document, ...maker, at: row.at.toISOString() };
}

export const storedSide = (side: unknown): SideHeat | null =>
  mustBe(z.nullable(sideHeatSchema), side, 'figures of heat as stored');

export const storedWords = (value: unknown): string[] =>
  mustBe(z.array(z.string()), value, 'a list of words');

/** The salts of a receipt, by field. */
export const storedSalts = (value: unknown): Record<string, string> =>
  mustBe(z.record(z.string(), z.string()), value, 'the salts of a receipt');

/** `undefined` where it was kept in a shape that is no longer known: it is made again. */
export function storedJudged(row: typeof judgements.$inferSelect | undefined): Judged | undefined {
  return row && judgedSchema.safeParse(row).data;
}

export const storedItem = (kind: (typeof shelfKinds)[number], document: unknown): ShelfDocument =>
  mustRead(DOCUMENT_OF[kind], document, `one of the job’s ${kind} as it was`);
