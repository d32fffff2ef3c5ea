<script module lang="ts">
  import type { Plan } from '@hulvek/core';

  export interface ProofVerdictsProps {
    plan: Plan;
  }
</script>

<script lang="ts">
  import GradeMark from '$lib/ui/GradeMark.svelte';
  import { quickProofs } from './proof-words.ts';
  import { proveText } from '$words/prove.ts';
  import { openPlaces, placeOfLine, sealText } from '@hulvek/core';

  let { plan }: ProofVerdictsProps = $props();
  const design = $derived(plan.joint);
  const open = $derived(plan.air ? openPlaces(plan.air) : []);
  const t = proveText.joint;
</script>

<dl data-testid="proof-verdicts">
  {#each quickProofs as proof (proof)}
    <div>
      <dt>{proof === 'fit' ? proveText.whole.fit : proveText.proofs[proof]}</dt>
      <dd>
        <GradeMark grade={plan.judgement.proofs[proof]} word />
        {#if proof === 'air' && open.length > 0}<span>{open.map(placeOfLine).join(', ')}</span>{/if}
        {#if proof === 'joint' && design}
          {@const bill = design.seals.find((s) => s.id === design.chosen)?.bill}
          <span
            >{sealText(design.chosen)}, {t.money(bill?.cost ?? 0, plan.job.job.currency)}, {t.minutes(
              bill?.minutes ?? 0,
            )}</span
          >
        {/if}
      </dd>
    </div>
  {/each}
</dl>

<style>
  dl {
    display: grid;
    gap: 2px;
  }
  div {
    display: grid;
    grid-template-columns: 8rem 1fr;
  }
  dt,
  span {
    color: var(--ink-soft);
  }
  dd {
    display: flex;
    flex-flow: row wrap;
    gap: 0 var(--gap-2);
  }
</style>
