<script module lang="ts">
  import type { JobStore } from '$lib/job/job.svelte.ts';

  export interface OutboxBarProps {
    store: JobStore;
  }
</script>

<script lang="ts">
  import { offlineWords } from '$words/device.ts';
  import Button from '$lib/ui/Button.svelte';
  import { dateTime } from '$lib/ui/time.ts';
  import { signInWords } from '$words/people.ts';

  let { store }: OutboxBarProps = $props();
  const { outbox } = $derived(store);
  const unsent = $derived(outbox.items.filter((item) => item.refusal === ''));
  const others = $derived(unsent.filter((item) => item.by.id !== store.pack.me.id));
  const mine = $derived(unsent.length - others.length);
  /** A message for every moment of sending would only flicker. */
  const shown = $derived(outbox.line !== 'sending' && outbox.line !== 'idle');
</script>

<div class="bar" data-shown={(mine > 0 && shown) || outbox.line === 'signed-out'}>
  <p role="status">
    {#if mine > 0 && shown}
      <b>{offlineWords.waiting(mine)}</b>
      {offlineWords.lines[outbox.line]}
    {/if}
  </p>
  {#if outbox.line === 'signed-out'}
    <a href="/sign-in?next=/jobs/{store.id}">{signInWords.submit}</a>
  {:else if mine > 0 && shown}
    <Button onclick={() => void outbox.send()}>{offlineWords.sendNow}</Button>
  {/if}
</div>
{#if store.otherLog}
  <div class="others" role="alert">
    <p>
      {offlineWords.otherLog(
        store.otherLog.seq,
        store.otherLog.head.slice(0, 16),
        dateTime(store.otherLog.at),
      )}
    </p>
    <Button onclick={() => store.acceptLog()}>{offlineWords.acceptLog}</Button>
  </div>
{/if}
{#if others.length > 0}
  <p class="others">
    {offlineWords.ofOthers(others.length, [...new Set(others.map((i) => i.by.name))].join(', '))}
  </p>
{/if}
{#if store.refused.length > 0}
  {#await import('./RefusedItems.svelte') then { default: RefusedItems }}<RefusedItems {store} />{/await}
{/if}

<style>
  .bar {
    display: flex;
    flex-flow: row wrap;
    align-items: center;
    gap: var(--gap-2) var(--gap-4);
    padding: var(--gap-2) var(--gap-4);
    border-bottom: 1px solid var(--watch);
    background: var(--sand);
  }
  .bar[data-shown='false'] {
    position: absolute;
    padding: 0;
    border: 0;
  }
  .others {
    padding: var(--gap-2) var(--gap-4);
    background: var(--sand);
  }
</style>
