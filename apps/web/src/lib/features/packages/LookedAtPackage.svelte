<!-- What a package was found to be, and what can be done with it. -->
<script module lang="ts">
  import type { LookedAt } from '$lib/contract/packages.ts';

  export interface LookedAtPackageProps {
    looked: LookedAt;
  }
</script>

<script lang="ts">
  import { goto } from '$app/navigation';
  import { followTask } from '$lib/device/follow-task.ts';
  import Button from '$lib/ui/Button.svelte';
  import ProgressBar from '$lib/ui/ProgressBar.svelte';
  import VerdictMark from '$lib/ui/VerdictMark.svelte';
  import { dateTime } from '$lib/ui/time.ts';
  import { jobsWords } from '$words/shell.ts';
  import { packagesWords as t } from '$words/packages.ts';
  import { onDestroy } from 'svelte';
  import { NotSent, stepWith } from './send-package.ts';

  let { looked }: LookedAtPackageProps = $props();
  let fingerprint = $state('');
  let problem = $state('');
  const isSound = $derived(looked.problems.length === 0);

  /** What stands against a step; the package stays where it is, and another try needs no other sending. */
  let lines = $state.raw<readonly string[]>([]);
  let share = $state<number | null>(null);
  const following = new AbortController();
  onDestroy(() => following.abort());

  async function take(step: 'bring' | 'restore') {
    if (share !== null) return;
    [problem, lines, share] = ['', [], 0];
    try {
      const task = await stepWith(looked.package, { step, fingerprint });
      const ended = await followTask(task, (now) => (share = now.share), following.signal);
      if (ended?.job) return void (await goto(`/jobs/${ended.job}`, { invalidateAll: true }));
      if (ended) [problem, lines] = [ended.problem || jobsWords.cancelled(looked.name), ended.problems];
    } catch (error) {
      problem = error instanceof NotSent ? error.message : t.broke;
    } finally {
      share = null;
    }
  }
</script>

<section data-testid="package">
  <h2>{t.looked}</h2>
  <p><strong>{t.of(looked.name, dateTime(looked.at))}</strong></p>
  {#if !isSound}
    <p role="alert"><VerdictMark verdict="fails" /> {t.unsound}</p>
    <ul>
      {#each looked.problems as line, i (i)}<li class="figure">{line}</li>{/each}
    </ul>
  {:else}
    <p><VerdictMark verdict="holds" /> {t.counts(looked.entries, looked.pictures, looked.files)}</p>
    <p>{looked.own ? t.own : t.other}</p>
    {#if looked.canRestore}
      <div class="step">
        {#if !looked.own}
          <label
            >{t.fingerprint} <input bind:value={fingerprint} autocomplete="off" spellcheck="false" /></label
          >
        {/if}
        <div>
          <Button
            kind="main"
            disabled={!looked.own && fingerprint.trim() === ''}
            onclick={() => void take('restore')}>{t.restore}</Button
          >
        </div>
        <p class="quiet">{t.restoreNote}</p>
      </div>
    {/if}
    {#if looked.canBring}
      <div class="step">
        <div><Button onclick={() => void take('bring')}>{t.bring}</Button></div>
        <p class="quiet">{t.bringNote}</p>
      </div>
    {:else}<p>{looked.there ? jobsWords.fileThere(looked.name) : t.noJobFile}</p>{/if}
  {/if}
  {#if share !== null}<ProgressBar {share} label={looked.name} />{/if}
  {#if problem}
    <div class="problem" role="alert">
      <p>{problem}</p>
      {#each lines as line, i (i)}<p>{line}</p>{/each}
    </div>
  {/if}
</section>

<style>
  section,
  .step {
    display: grid;
    gap: var(--gap-2);
    max-width: 42rem;
  }
  section {
    padding: var(--gap-4);
    border: 1px solid var(--line);
  }
  p,
  ul {
    margin: 0;
  }
  .quiet {
    color: var(--ink-soft);
  }
  label {
    display: grid;
    gap: var(--gap-1);
    max-width: 24rem;
    font-weight: 500;
  }
  input {
    min-height: var(--touch);
    font-family: var(--mono, monospace);
  }
</style>
