<script module lang="ts">
  import type { OpeningEditor } from '$lib/state/opening.svelte.ts';

  export interface ProveStageProps {
    editor: OpeningEditor;
  }
</script>

<script lang="ts">
  import { page } from '$app/state';
  import { proofIds, proveText, type ProofId } from '$lib/texts/prove.ts';
  import type { Component, Snippet } from 'svelte';
  import ProveAir from './ProveAir.svelte';
  import ProveHeat from './ProveHeat.svelte';
  import ProveJoint from './ProveJoint.svelte';
  import ProveLoads from './ProveLoads.svelte';
  import ProveMoisture from './ProveMoisture.svelte';
  import ProveWater from './ProveWater.svelte';
  import ProveWhole from './ProveWhole.svelte';

  let { editor }: ProveStageProps = $props();
  const proof = $derived.by((): ProofId => {
    const asked = page.url.searchParams.get('proof');
    return proofIds.find((id) => id === asked) ?? 'whole';
  });
  const PROOFS: Readonly<Record<ProofId, Component<{ editor: OpeningEditor; proofs: Snippet }>>> = {
    whole: ProveWhole,
    water: ProveWater,
    air: ProveAir,
    heat: ProveHeat,
    joint: ProveJoint,
    moisture: ProveMoisture,
    loads: ProveLoads,
  };
  const Proof = $derived(PROOFS[proof]);
</script>

{#snippet proofs()}
  <nav class="proofs" aria-label={proveText.choose}>
    {#each proofIds as name (name)}
      <a href="?proof={name}" aria-current={proof === name ? 'page' : undefined}>{proveText.proofs[name]}</a>
    {/each}
  </nav>
{/snippet}

<Proof {editor} {proofs} />

<style>
  .proofs {
    display: flex;
    flex-flow: row wrap;
    gap: 0 var(--gap-3);
    border-bottom: 1px solid var(--line);
  }
  a {
    padding: var(--gap-2) 0;
    min-height: 40px;
    color: var(--ink-soft);
    font-weight: 600;
    text-decoration: none;
    border-bottom: 3px solid transparent;
  }
  a[aria-current] {
    color: var(--ink);
    border-bottom-color: var(--rust);
  }
</style>
