<script module lang="ts">
  import type { JobStore } from '$lib/job/job.svelte.ts';

  export interface RefusedItemsProps {
    store: JobStore;
  }
</script>

<script lang="ts">
  import { offlineWords } from '$words/device.ts';
  import Button from '$lib/ui/Button.svelte';
  import type { OutboxItem } from '$lib/device/database.ts';
  import { entryKindsWords, installWords } from '$words/install.ts';
  import { pointTexts, stepText } from '@hulvek/core';
  import { saveWords } from '$words/shell.ts';

  let { store }: RefusedItemsProps = $props();
  const { outbox } = $derived(store);

  function what(item: OutboxItem): string {
    const mark = store.view(item.opening)?.document.mark ?? item.opening;
    if (item.type === 'reading')
      return `${mark}, ${pointTexts[item.record.point].label}: ${item.record.value?.typed ?? saveWords.none}`;
    const { kind, step } = item.record;
    return `${mark}, ${stepText(step).title}: ${kind === 'undo' ? installWords.undo : entryKindsWords[kind]}`;
  }

  function discard(item: OutboxItem) {
    if (confirm(offlineWords.askDiscard(what(item)))) void outbox.discard(item.id);
  }
</script>

<section aria-labelledby="refused-title">
  <h2 id="refused-title">{offlineWords.refused(store.refused.length)}</h2>
  <ul>
    {#each store.refused as item (item.id)}
      <li>
        <span><b>{what(item)}.</b> {item.refusal}</span>
        {#if item.type === 'entry' && item.record.note}<q>{item.record.note}</q>{/if}
        <Button onclick={() => void outbox.retry(item.id)}>{offlineWords.retry}</Button>
        <Button kind="quiet" onclick={() => discard(item)}>{offlineWords.discard}</Button>
      </li>
    {/each}
  </ul>
</section>

<style>
  section {
    display: grid;
    gap: var(--gap-2);
    padding: var(--gap-3) var(--gap-4);
    border-bottom: 1px solid var(--bad);
    background: var(--bad-soft);
  }
  h2 {
    font-size: 1.05rem;
    color: var(--bad);
  }
  li {
    display: flex;
    flex-flow: row wrap;
    align-items: center;
    gap: var(--gap-2) var(--gap-4);
    padding: var(--gap-1) 0;
  }
</style>
