<script module lang="ts">
  import type { Entry } from '@hulvek/core';

  export interface EntryPictureProps {
    entry: Entry;
    job: string;
    /** The picture itself while it is only on this device. */
    kept: Blob | null;
    /** Takes a copy with marks on it; left out where nothing may be added. */
    onmarked?: ((marked: Blob) => void) | undefined;
  }
</script>

<script lang="ts">
  import { madeBy } from '$words/contract.ts';
  import { installWords, markWords } from '$words/install.ts';
  import { dateTime } from '$lib/ui/time.ts';

  let { entry, job, kept, onmarked }: EntryPictureProps = $props();
  let own = $state('');
  let marking = $state(false);
  const source = $derived(own || `/api/jobs/${job}/photos/${entry.id}`);

  $effect(() => {
    if (!kept) return;
    const url = URL.createObjectURL(kept);
    own = url;
    return () => {
      own = '';
      URL.revokeObjectURL(url);
    };
  });
</script>

{#if own || entry.photo}
  <a href={source} target="_blank" rel="noreferrer">
    <img src={source} alt={installWords.pictureOf(madeBy(entry), dateTime(entry.at))} loading="lazy" />
  </a>
  {#if onmarked}
    <button type="button" class="as-link" onclick={() => (marking = true)}>{markWords.open}</button>
    {#if marking}
      {#await import('./MarkPicture.svelte') then { default: MarkPicture }}
        <MarkPicture {source} onkeep={onmarked} onclose={() => (marking = false)} />
      {/await}
    {/if}
  {/if}
{:else}
  <span>{installWords.pictureElsewhere}</span>
{/if}

<style>
  img {
    display: block;
    width: 132px;
    height: 99px;
    object-fit: cover;
    border: 1px solid var(--line);
  }
  span {
    color: var(--ink-soft);
  }
</style>
