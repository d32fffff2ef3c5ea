<script module lang="ts">
  import type { JobStore } from '$lib/state/job.svelte.ts';

  export interface OutboxBarProps {
    store: JobStore;
  }
</script>

<script lang="ts">
  import Button from '$lib/components/ui/Button.svelte';
  import type { OutboxItem } from '$lib/offline/database.ts';
  import { text } from '$lib/texts/en.ts';
  import { pointTexts, stepText } from '@hulvek/core';

  let { store }: OutboxBarProps = $props();
  const { outbox } = $derived(store);
  const unsent = $derived(outbox.items.filter((item) => item.refusal === ''));
  const others = $derived(unsent.filter((item) => item.by.id !== store.pack.me.id));
  const mine = $derived(unsent.length - others.length);
  /** A message for every moment of sending would only flicker. */
  const shown = $derived(outbox.line !== 'sending' && outbox.line !== 'idle');

  function what(item: OutboxItem): string {
    const mark = store.view(item.opening)?.document.mark ?? item.opening;
    if (item.type === 'reading')
      return `${mark}, ${pointTexts[item.record.point].label}: ${item.record.value?.typed ?? text.save.none}`;
    const { kind, step } = item.record;
    return `${mark}, ${stepText(step).title}: ${kind === 'undo' ? text.install.undo : text.entryKinds[kind]}`;
  }

  function discard(item: OutboxItem) {
    if (confirm(text.offline.askDiscard(what(item)))) void outbox.discard(item.id);
  }
</script>

<div class="bar" data-shown={(mine > 0 && shown) || outbox.line === 'signed-out'}>
  <p role="status">
    {#if mine > 0 && shown}
      <b>{text.offline.waiting(mine)}</b>
      {text.offline.lines[outbox.line]}
    {/if}
  </p>
  {#if outbox.line === 'signed-out'}
    <a href="/sign-in?next=/jobs/{store.id}">{text.signIn.submit}</a>
  {:else if mine > 0 && shown}
    <Button onclick={() => void outbox.send()}>{text.offline.sendNow}</Button>
  {/if}
</div>
{#if others.length > 0}
  <p class="others">
    {text.offline.ofOthers(others.length, [...new Set(others.map((i) => i.by.name))].join(', '))}
  </p>
{/if}
{#if store.refused.length > 0}
  <section class="refused" aria-labelledby="refused-title">
    <h2 id="refused-title">{text.offline.refused(store.refused.length)}</h2>
    <ul>
      {#each store.refused as item (item.id)}
        <li>
          <span><b>{what(item)}.</b> {item.refusal}</span>
          {#if item.type === 'entry' && item.record.note}<q>{item.record.note}</q>{/if}
          <Button onclick={() => void outbox.retry(item.id)}>{text.offline.retry}</Button>
          <Button kind="quiet" onclick={() => discard(item)}>{text.offline.discard}</Button>
        </li>
      {/each}
    </ul>
  </section>
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
  .refused {
    display: grid;
    gap: var(--gap-2);
    padding: var(--gap-3) var(--gap-4);
    border-bottom: 1px solid var(--bad);
    background: var(--bad-soft);
  }
  .refused h2 {
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
