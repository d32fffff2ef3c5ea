<script module lang="ts">
  import type { FieldLog } from './field.svelte.ts';

  export interface EntryHistoryProps {
    log: FieldLog;
    title: (step: string) => string;
  }
</script>

<script lang="ts">
  import { offlineWords } from '$words/device.ts';
  import { entryKindsWords, installWords } from '$words/install.ts';
  import { dateTime } from '$lib/ui/time.ts';
  import { changeText } from '$words/prove-water.ts';
  import { clockWords, madeBy } from '$words/contract.ts';
  import { formatLength, toldTwice, type Entry } from '@hulvek/core';
  import { factsText } from './facts-text.ts';

  let { log, title }: EntryHistoryProps = $props();
  const length = (mm: number) => formatLength(mm, log.store.reads);
  const what = (kind: Entry['kind']) => (kind === 'undo' ? '' : entryKindsWords[kind]);
</script>

<section>
  <h2>{installWords.history}</h2>
  {#if log.history.length === 0}<p>{installWords.noHistory}</p>{/if}
  <ul>
    {#each log.history.toReversed() as { entry, undone, waiting, odd } (entry.id)}
      <li data-undone={undone}>
        <span class="figure">{dateTime(entry.at)}</span>
        <span>{madeBy(entry)}</span>
        <span
          >{title(entry.step)}: {what(entry.kind)}{#if undone}, {installWords.undone}{/if}{#if waiting}, {offlineWords.waits}{/if}</span
        >
        {#if toldTwice(entry) && !entry.brought && entry.received}
          <span class="clock">{clockWords.received(dateTime(entry.received))}</span>
        {/if}
        {#each odd as oddity (oddity)}<strong class="clock">{clockWords.oddities[oddity]}</strong>{/each}
        {#if entry.built}<span>{changeText(entry.built, length)}</span>{/if}
        {#if entry.facts}<span>{factsText(entry, log.store.reads)}</span>{/if}
        {#if entry.note}<q>{entry.note}</q>{/if}
      </li>
    {/each}
  </ul>
</section>

<style>
  section {
    width: 100%;
    margin-top: var(--gap-4);
  }
  li {
    display: flex;
    flex-flow: row wrap;
    gap: 2px var(--gap-3);
    padding: 6px 0;
    border-bottom: 1px solid var(--sand-deep);
    font-size: 0.95rem;
  }
  li[data-undone='true'] {
    color: var(--ink-soft);
    text-decoration: line-through;
  }
  .clock {
    color: var(--ink-soft);
  }
  strong.clock {
    color: var(--ink);
  }
  q {
    width: 100%;
  }
</style>
