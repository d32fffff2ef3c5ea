<script module lang="ts">
  import type { OpeningEditor } from '$lib/job/opening.svelte.ts';

  export interface ProveStageProps {
    editor: OpeningEditor;
  }
</script>

<script lang="ts">
  import { page } from '$app/state';
  import { proofIds, proveText, type ProofId } from '$words/prove.ts';
  import type { Component, Snippet } from 'svelte';

  let { editor }: ProveStageProps = $props();
  const proof = $derived.by((): ProofId => {
    const asked = page.url.searchParams.get('proof');
    return proofIds.find((id) => id === asked) ?? 'whole';
  });
  type Desk = Promise<{ default: Component<{ editor: OpeningEditor; proofs: Snippet }> }>;
  /** A proof's desk is fetched when it is opened. */
  const PROOFS: Readonly<Record<ProofId, () => Desk>> = {
    whole: () => import('./ProveWhole.svelte'),
    water: () => import('$lib/features/prove/water/ProveWater.svelte'),
    air: () => import('$lib/features/prove/air/ProveAir.svelte'),
    heat: () => import('$lib/features/prove/heat/ProveHeat.svelte'),
    joint: () => import('$lib/features/prove/joint/ProveJoint.svelte'),
    moisture: () => import('$lib/features/prove/moisture/ProveMoisture.svelte'),
    loads: () => import('$lib/features/prove/loads/ProveLoads.svelte'),
  };
  const desk = $derived(PROOFS[proof]());
</script>

{#snippet proofs()}
  <nav class="proofs" aria-label={proveText.choose}>
    {#each proofIds as name (name)}
      <a href="?proof={name}" aria-current={proof === name ? 'page' : undefined}>{proveText.proofs[name]}</a>
    {/each}
  </nav>
{/snippet}

{#await desk then { default: Proof }}
  <Proof {editor} {proofs} />
{/await}

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
