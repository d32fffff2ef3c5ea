/** Money as a job writes it. */
import type { Job } from '@hulvek/core';

export function moneyIn({ currency }: Pick<Job, 'currency'>): (sum: number) => string {
  const format = new Intl.NumberFormat(
    'en',
    currency ? { style: 'currency', currency } : { minimumFractionDigits: 2, maximumFractionDigits: 2 },
  );
  return (sum) => format.format(sum);
}
