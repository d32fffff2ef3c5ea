/** Prices from anybody's list: a line that names a material of the job, and the first figure behind the name. */

export interface PriceList {
  readonly prices: ReadonlyMap<string, number>;
  /** Lines with a price of nothing in this job. */
  readonly others: number;
}

const plain = (text: string): string =>
  text
    .toLowerCase()
    .replace(/[^\p{L}\p{N}]+/gu, ' ')
    .trim();

/** A figure as lists write it: with a comma or a point, money's sign round it. */
export function priceOf(cell: string): number | null {
  const bare = cell.replace(/[^\d.,-]/g, '');
  if (!/\d/.test(bare) || bare.includes('-')) return null;
  const decimal = Math.max(bare.lastIndexOf(','), bare.lastIndexOf('.'));
  const isDecimal = decimal >= 0 && bare.length - decimal - 1 !== 3;
  const digits = (text: string) => text.replace(/[.,]/g, '');
  const price = isDecimal
    ? Number(`${digits(bare.slice(0, decimal))}.${bare.slice(decimal + 1)}`)
    : Number(digits(bare));
  return Number.isFinite(price) ? price : null;
}

export function pricesIn(
  rows: readonly (readonly string[])[],
  articles: readonly { readonly id: string; readonly name: string }[],
): PriceList {
  const known = new Map(
    articles.flatMap(({ id, name }) => [[plain(id), id] as const, [plain(name), id] as const]),
  );
  const prices = new Map<string, number>();
  let others = 0;
  for (const [name = '', ...cells] of rows) {
    const price = cells.map(priceOf).find((one) => one !== null) ?? null;
    if (price === null) continue;
    const id = known.get(plain(name));
    if (id === undefined) others++;
    else prices.set(id, price);
  }
  return { prices, others };
}
