/** What of a job's material somebody may see: prices are for those who settle things, stock for those who work with it. */
import type { Action } from './rights.ts';
import { inText } from './read.ts';
import * as z from 'zod/mini';

const article = z.looseObject({ id: z.string() });
/** Of a job only what is looked at here; all else is as it was. */
const holderSchema = z.looseObject({
  job: z.looseObject({
    supply: z.optional(z.looseObject({ articles: z.array(article) })),
    prices: z.optional(z.unknown()),
  }),
});
type Holder = z.infer<typeof holderSchema>;

/** A text that holds a job, as somebody with these rights may read it. */
export function supplyAsSeen(text: string, rights: readonly Action[]): string {
  // Most jobs have none: nothing is read that need not be.
  if (rights.includes('settings') || !(text.includes('"supply"') || text.includes('"prices"'))) return text;
  const holder = inText(holderSchema, text);
  return holder ? JSON.stringify({ ...holder, job: seen(holder.job, rights.includes('tick')) }) : text;
}

function seen({ supply, prices: _prices, ...job }: Holder['job'], works: boolean): Holder['job'] {
  if (!supply || !works) return job;
  const { pricesOf: _day, articles, ...stock } = supply;
  return { ...job, supply: { ...stock, articles: articles.map(({ price: _price, ...one }) => one) } };
}
