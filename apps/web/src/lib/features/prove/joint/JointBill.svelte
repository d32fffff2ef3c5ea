<script module lang="ts">
  import type { Bill } from '@hulvek/core';

  export interface JointBillProps {
    bill: Bill;
  }
</script>

<script lang="ts">
  import { priceTexts, type BillLine } from '@hulvek/core';

  let { bill }: JointBillProps = $props();
  const PACKED = ['sealantCartridge', 'foamCan', 'block'];
  /** What a band costs more for its width is no thing of its own. */
  const isThing = ({ price }: BillLine): boolean => price !== 'bandPerMm_m';
  const amount = ({ price, amount: n }: BillLine): string =>
    `${priceTexts[price].name} ${n.toFixed(1)} ${priceTexts[price].unit}${PACKED.includes(price) ? ` (${Math.ceil(n)} to buy)` : ''}`;
</script>

<p>
  {bill.lines.filter(isThing).map(amount).join(' · ')}
</p>

<style>
  p {
    color: var(--ink-soft);
    font-size: 0.9rem;
  }
</style>
