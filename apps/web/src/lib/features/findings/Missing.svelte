<script module lang="ts">
  import type { MissingData } from '@hulvek/core';

  export interface MissingProps {
    missing: readonly MissingData[];
    job: string;
    opening: string;
  }
</script>

<script lang="ts">
  import { missingWords } from '$words/findings.ts';
  import { missingDataTexts } from '@hulvek/core';

  let { missing, job, opening }: MissingProps = $props();
  /** Where each is entered. */
  const places: Readonly<Record<MissingData, string>> = $derived.by(() => {
    const [whole, own] = [`/jobs/${job}`, `/jobs/${job}/${opening}`];
    return {
      figures: `${own}/measure`,
      plan: `${own}/detail`,
      'unit-shape': `${whole}/units`,
      'old-wall': `${own}/detail`,
      wind: `${whole}/conditions#wind`,
      height: `${own}/prove?proof=water`,
      months: `${whole}/conditions#months`,
      lining: `${whole}/shelf`,
      weight: `${whole}/units`,
      fastener: `${whole}/units`,
      shelter: `${own}/prove?proof=water`,
      heat: `${own}/prove?proof=heat`,
    };
  });
</script>

{#if missing.length > 0}
  <p class="missing" data-testid="missing">
    {missingWords.lead}
    {#each missing as what, i (what)}
      {@const stop = i < missing.length - 1 ? ',' : '.'}
      <span><a href={places[what]}>{missingDataTexts[what]}</a>{stop}</span>
    {/each}
  </p>
{/if}

<style>
  .missing {
    color: var(--ink-soft);
  }
</style>
