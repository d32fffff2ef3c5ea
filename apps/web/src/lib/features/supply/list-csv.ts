/** The take-off as a table for a spreadsheet. */
import { supplyWords as t } from '$words/supply.ts';
import { amountText, articleText, packsText, writeSheet, type TakeoffLine } from '@hulvek/core';
import type { SupplyDesk } from './supply-desk.svelte.ts';

export function listCsv(desk: SupplyDesk, lines: readonly TakeoffLine[], prices: boolean): string {
  const { units, currency = '' } = desk.store.context.job;
  const c = t.columns;
  return writeSheet([
    [
      c.article,
      c.net,
      c.packs,
      c.van,
      c.ordered,
      c.came,
      c.left,
      c.missing,
      ...(prices ? [c.cost, currency] : []),
    ],
    ...lines.map((line) => [
      articleText(line.article, units, desk.unitName(line.article.unit)),
      amountText(line.article, line.net, units),
      packsText(line.article, line.packs, line.terms.pack),
      ...[line.van, line.ordered, line.came, line.left, line.missing].map((n) =>
        String(Math.round(n * 10) / 10),
      ),
      ...(prices ? [line.cost === null ? '' : line.cost.toFixed(2), ''] : []),
    ]),
  ]);
}
