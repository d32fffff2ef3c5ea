<script module lang="ts">
  import type { OpeningEditor } from '$lib/state/opening.svelte.ts';

  export interface ProveStageProps {
    editor: OpeningEditor;
  }
</script>

<script lang="ts">
  import { page } from '$app/state';
  import { heatText } from '$lib/texts/heat.ts';
  import ProveHeat from './ProveHeat.svelte';
  import ProveWater from './ProveWater.svelte';

  let { editor }: ProveStageProps = $props();
  const proof = $derived(page.url.searchParams.get('proof') === 'heat' ? 'heat' : 'water');
</script>

{#snippet proofs()}
  <nav class="proofs" aria-label={heatText.choose}>
    {#each ['water', 'heat'] as const as name (name)}
      <a href="?proof={name}" aria-current={proof === name ? 'page' : undefined}>{heatText.proofs[name]}</a>
    {/each}
  </nav>
{/snippet}

{#if proof === 'heat'}<ProveHeat {editor} {proofs} />{:else}<ProveWater {editor} {proofs} />{/if}

<style>
  .proofs {
    display: flex;
    gap: var(--gap-4);
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
