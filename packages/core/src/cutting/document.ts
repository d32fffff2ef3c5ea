/** `hulvek-stock` version 1: what there is to cut from and what is to be cut, as a file says it. */
import * as z from 'zod/mini';
import { readBy } from '../documents/read.ts';

/** A file tells lengths to a tenth of a millimetre. */
export const TENTHS = 10;
const LONGEST_mm = 1_000_000;
/** More pieces than any site cuts; what is larger is split by hand. */
export const MOST_PIECES = 20_000;

const isTenths = (mm: number) => Math.abs(mm * TENTHS - Math.round(mm * TENTHS)) < 1e-6;
const FINER = 'lengths are to a tenth of a millimetre';
const length = z.number().check(z.positive(), z.lte(LONGEST_mm), z.refine(isTenths, { error: FINER }));
const id = z.string().check(z.minLength(1), z.maxLength(120));

export const stockSchema = z.strictObject({
  format: z.literal('hulvek-stock'),
  version: z.literal(1),
  kerf_mm: z.optional(z.number().check(z.gte(0), z.lte(1000), z.refine(isTenths, { error: FINER }))),
  stock: z
    .array(
      z.strictObject({
        id,
        length_mm: length,
        /** Left out: as many as are wanted. */
        count: z.optional(z.int().check(z.gte(0), z.lte(1_000_000))),
        cost: z.optional(z.number().check(z.gte(0), z.lte(1_000_000))),
      }),
    )
    .check(z.maxLength(1000)),
  pieces: z
    .array(
      z.strictObject({
        id,
        length_mm: length,
        count: z.optional(z.int().check(z.gte(0), z.lte(MOST_PIECES))),
      }),
    )
    .check(z.maxLength(MOST_PIECES)),
});

export type StockFile = z.infer<typeof stockSchema>;

export type StockRead =
  | { readonly ok: true; readonly value: StockFile }
  | { readonly ok: false; readonly problems: readonly string[] };

const MOST_TOLD = 20;

/** Reads a stock file: its shape first, then what must fit together. Every problem with its path. */
export function readStock(value: unknown): StockRead {
  const shaped = readBy(stockSchema, value);
  if (!shaped.ok)
    return {
      ok: false,
      problems: shaped.problems.slice(0, MOST_TOLD).map(({ path, message }) => `${path}: ${message}`),
    };
  const problems = [...wrong(shaped.value)].slice(0, MOST_TOLD);
  return problems.length > 0 ? { ok: false, problems } : { ok: true, value: shaped.value };
}

function* wrong({ stock, pieces }: StockFile): Generator<string> {
  for (const [list, all] of [
    ['stock', stock],
    ['pieces', pieces],
  ] as const) {
    const seen = new Set<string>();
    for (const [i, { id: own }] of all.entries()) {
      if (seen.has(own)) yield `${list}[${i}].id: "${own}" is there twice`;
      seen.add(own);
    }
  }
  const priced = stock.filter(({ cost }) => cost !== undefined).length;
  if (priced > 0 && priced < stock.length)
    yield `stock[${stock.findIndex(({ cost }) => cost === undefined)}].cost: either all of the stock has a cost or none`;
  const count = pieces.reduce((sum, piece) => sum + (piece.count ?? 1), 0);
  if (count > MOST_PIECES)
    yield `pieces: ${count} are asked for, ${MOST_PIECES} at most can be cut in one plan`;
}
