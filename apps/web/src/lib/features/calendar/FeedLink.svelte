<script module lang="ts">
  import type { JobStore } from '$lib/job/job.svelte.ts';

  export interface FeedLinkProps {
    store: JobStore;
  }
</script>

<script lang="ts">
  import Button from '$lib/ui/Button.svelte';
  import { feedAnswer } from '$lib/contract/answers.ts';
  import { answerOf } from '$lib/contract/read.ts';
  import { sentence } from '$lib/device/sentence.ts';
  import { offlineWords } from '$words/device.ts';
  import { calendarWords } from '$words/calendar.ts';

  let { store }: FeedLinkProps = $props();
  const t = calendarWords.feed;
  let link = $state('');
  let said = $state('');

  async function ask(method: 'POST' | 'DELETE') {
    try {
      const response = await fetch(`/api/jobs/${store.id}/feed`, { method });
      if (!response.ok) {
        said = await sentence(response);
        return;
      }
      const { path } = await answerOf(response, feedAnswer);
      link = path === null ? '' : new URL(path, location.href).href;
      said = path === null ? t.ended : '';
    } catch {
      said = offlineWords.needsNetwork;
    }
  }
</script>

<details>
  <summary>{t.title}</summary>
  <p><a href="/jobs/{store.id}/calendar.ics" download>{t.file}</a></p>
  <p>{t.is}</p>
  <div class="do">
    <Button onclick={() => void ask('POST')}>{t.make}</Button>
    <Button kind="quiet" onclick={() => void ask('DELETE')}>{t.revoke}</Button>
  </div>
  {#if link}<p><code>{link}</code></p>{/if}
  {#if said}<p role="status">{said}</p>{/if}
</details>

<style>
  details {
    max-width: 70ch;
  }
  .do {
    display: flex;
    flex-flow: row wrap;
    gap: var(--gap-3);
  }
  code {
    overflow-wrap: anywhere;
  }
</style>
