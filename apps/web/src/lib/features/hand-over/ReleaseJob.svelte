<!-- The job handed over: by whoever leads it, with what is open then and where the log stood. -->
<script module lang="ts">
  import type { JobStore } from '$lib/job/job.svelte.ts';

  export interface ReleaseJobProps {
    store: JobStore;
    /** Openings that are handed on, of all; and what is open at all of them. */
    openings: number;
    of: number;
    open: number;
  }
</script>

<script lang="ts">
  import { signedHeadOf } from '$lib/job/signed-head.ts';
  import Button from '$lib/ui/Button.svelte';
  import { dateTime } from '$lib/ui/time.ts';
  import { offlineWords } from '$words/device.ts';
  import { handOverWords as t } from '$words/hand-over.ts';

  let { store, openings, of, open }: ReleaseJobProps = $props();
  const job = $derived(store.context.job);
  const mayRelease = $derived(store.pack.rights.includes('settings'));
  const isWhole = $derived(open === 0 && openings === of);
  let note = $state('');
  let problem = $state('');
  let working = $state(false);

  async function release(event: SubmitEvent) {
    event.preventDefault();
    if (working) return;
    if (!isWhole && note.trim() === '') return void (problem = t.releaseWhyNeeded);
    working = true;
    problem = '';
    try {
      const head = await signedHeadOf(store.id, true);
      const { id: account, name: person } = store.pack.me;
      const one = {
        at: new Date().toISOString(),
        person,
        account,
        openings,
        of,
        open,
        note: note.trim(),
        head,
      };
      problem = await store.put('site', {
        was: job.releases ? { releases: job.releases } : {},
        change: { releases: [...(job.releases ?? []), one] },
      });
      if (problem === '') note = '';
    } catch {
      problem = offlineWords.needsNetwork;
    } finally {
      working = false;
    }
  }
</script>

<section data-testid="release">
  <h2>{t.release}</h2>
  <p>{t.releaseLead}</p>
  <p>{t.releaseNow(openings, of, open)}</p>
  {#if (job.releases ?? []).length > 0}
    <ul>
      {#each job.releases ?? [] as one (one.at)}
        <li>
          {t.released_(dateTime(one.at), one.person, one.openings, one.of, one.open)}
          {#if one.note}<br />“{one.note}”{/if}
          {#if one.head}<br /><small>{t.releasedHead(one.head.seq, one.head.head)}</small>{/if}
        </li>
      {/each}
    </ul>
  {/if}
  {#if mayRelease}
    <form onsubmit={(event) => void release(event)}>
      <label
        >{isWhole ? t.releaseNote : t.releaseWhy}
        <textarea rows="2" maxlength="2000" bind:value={note}></textarea>
      </label>
      {#if problem}<p class="problem" role="alert">{problem}</p>{/if}
      <div><Button type="submit" disabled={working}>{t.release}</Button></div>
    </form>
  {/if}
</section>

<style>
  section,
  form,
  ul {
    display: grid;
    gap: var(--gap-2);
    max-width: 42rem;
  }
  h2,
  p,
  ul {
    margin: 0;
  }
  label {
    display: grid;
    gap: var(--gap-1);
    font-weight: 500;
  }
  textarea {
    font: inherit;
  }
  small {
    color: var(--ink-soft);
  }
</style>
