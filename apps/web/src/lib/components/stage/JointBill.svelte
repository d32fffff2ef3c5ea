<script module lang="ts">
  import type { Bill } from '@hulvek/core';

  export interface JointBillProps {
    bill: Bill;
  }
</script>

<script lang="ts">
  import { proveText } from '$lib/texts/prove.ts';
  import { priceTexts } from '@hulvek/core';

  let { bill }: JointBillProps = $props();
  const PACKED = ['sealantCartridge', 'foamCan', 'block'];
</script>

<details>
  <summary>{proveText.joint.amounts}</summary>
  <ul>
    {#each bill.lines as line (line.price)}
      <li>
        {priceTexts[line.price].name}: {line.amount.toFixed(1)}
        {priceTexts[line.price].unit}{#if PACKED.includes(line.price)}, {Math.ceil(line.amount)} to buy{/if}
        <span class="cost">{proveText.joint.money(line.cost)}</span>
      </li>
    {/each}
  </ul>
</details>

<style>
  details {
    margin: 0;
    padding: 0;
    border: 0;
    width: 100%;
  }
  summary {
    min-height: 28px;
    color: var(--ink-soft);
    cursor: pointer;
  }
  li {
    display: flex;
    gap: var(--gap-2);
  }
  .cost {
    margin-left: auto;
    font-family: var(--mono);
  }
</style>
