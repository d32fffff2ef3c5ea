<script module lang="ts">
  import type { JobStore } from '$lib/job/job.svelte.ts';
  import type { OpeningsSet } from '$lib/job/openings-set.svelte.ts';

  export interface RemovedListProps {
    store: JobStore;
    set: OpeningsSet;
  }
</script>

<script lang="ts">
  import { removedAnswer, type RemovedOpening } from '$lib/contract/openings-change.ts';
  import { answerOf } from '$lib/contract/read.ts';
  import Button from '$lib/ui/Button.svelte';
  import { dateTime } from '$lib/ui/time.ts';
  import { changeWords } from '$words/openings.ts';

  let { store, set }: RemovedListProps = $props();
  let removed = $state.raw<readonly RemovedOpening[]>([]);

  // Whatever changes the job may have removed one or put one back.
  $effect(() => {
    if (store.pack.openings) void load();
  });

  async function load() {
    try {
      const response = await fetch(`/api/jobs/${store.id}/openings`);
      if (response.ok) removed = (await answerOf(response, removedAnswer)).openings;
    } catch {
      // Without a network the list stays as it was.
    }
  }
</script>

{#if removed.length > 0}
  <details>
    <summary>{changeWords.removed} ({removed.length})</summary>
    <ul>
      {#each removed as one (one.id)}
        <li>
          <b>{one.mark}</b>
          <span>{one.name}</span>
          <span class="quiet">{changeWords.removedBy(one.person, dateTime(one.at))}</span>
          {#if store.pack.rights.includes('plan')}
            <Button disabled={set.busy} onclick={() => void set.restore([one.id])}
              >{changeWords.putBack}<span class="visually-hidden">, {one.mark}</span></Button
            >
          {/if}
        </li>
      {/each}
    </ul>
  </details>
{/if}

<style>
  summary {
    min-height: var(--touch);
    display: flex;
    align-items: center;
    font-weight: 500;
    cursor: pointer;
  }
  li {
    display: flex;
    flex-flow: row wrap;
    align-items: center;
    gap: var(--gap-3);
    padding: 6px 0;
    border-bottom: 1px solid var(--line);
    overflow-wrap: anywhere;
  }
  .quiet {
    color: var(--ink-soft);
  }
</style>
