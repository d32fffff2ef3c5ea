<!-- What else could be in a piece's place, and what each would change. -->
<script module lang="ts">
  import type { InsteadChange } from '@hulvek/core';

  export interface InsteadChangesProps {
    changes: readonly InsteadChange[];
    money: (sum: number) => string;
  }
</script>

<script lang="ts">
  import { supplyWords } from '$words/supply.ts';
  import { touchTexts } from '@hulvek/core';

  let { changes, money }: InsteadChangesProps = $props();
  const t = supplyWords.together.insteadOf;
  const FEW = 4;
  const wordsOf = (one: InsteadChange): string[] => [
    touchTexts[one.touch],
    ...(one.tooNarrow ? [t.tooNarrow] : []),
    ...(one.doesNotStretch ? [t.doesNotStretch] : []),
    t.proofs[one.says],
    ...t.changed('rest_h', one.rest_h),
    ...t.changed('least_C', one.least_C),
    ...t.changed('lead_days', one.lead_days),
    one.cost === null ? t.noCost : t.cost(money(Math.abs(one.cost)), one.cost),
  ];
</script>

{#if changes.length === 0}<p>{t.none}</p>
{:else}
  <ul>
    {#each changes.slice(0, FEW) as one (one.material.id)}
      <li><b>{one.material.name}</b>: {wordsOf(one).join('; ')}.</li>
    {/each}
  </ul>
{/if}

<style>
  ul {
    margin: 0;
    padding-left: 1.1rem;
  }
  li,
  p {
    max-width: 46ch;
  }
</style>
