<script module lang="ts">
  import type { Entry } from '@hulvek/core';

  export interface EntryPictureProps {
    entry: Entry;
    job: string;
    /** The picture itself while it is only on this device. */
    kept: Blob | null;
  }
</script>

<script lang="ts">
  import { madeBy } from '$words/contract.ts';
  import { installWords } from '$words/install.ts';
  import { dateTime } from '$lib/ui/time.ts';

  let { entry, job, kept }: EntryPictureProps = $props();
  let own = $state('');
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
