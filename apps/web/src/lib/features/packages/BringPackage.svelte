<!-- A package chosen and sent to be looked at; what breaks off goes on. -->
<script lang="ts">
  import { goto } from '$app/navigation';
  import { LARGEST_PACKAGE_bytes } from '$lib/contract/packages.ts';
  import Button from '$lib/ui/Button.svelte';
  import ProgressBar from '$lib/ui/ProgressBar.svelte';
  import { packagesWords as t } from '$words/packages.ts';
  import { jobsWords } from '$words/shell.ts';
  import { NotSent, sendPackage, stepWith, type Sending } from './send-package.ts';

  let chosen = $state.raw<File | null>(null);
  let share = $state<number | null>(null);
  let problem = $state('');
  let sending: Sending | null = null;
  let stop = new AbortController();

  async function send() {
    problem = '';
    if (!chosen) return void (problem = jobsWords.fileNeeded);
    if (chosen.size > LARGEST_PACKAGE_bytes) return void (problem = t.tooLarge);
    if (sending?.file !== chosen) sending = { file: chosen, id: null, sent: 0 };
    stop = new AbortController();
    share = sending.sent / chosen.size;
    try {
      const id = await sendPackage(sending, (now) => (share = now), stop.signal);
      const task = await stepWith(id, { step: 'look', fingerprint: '' });
      await goto(`/jobs?task=${task}`, { invalidateAll: true });
    } catch (error) {
      if (!stop.signal.aborted) problem = error instanceof NotSent ? error.message : t.broke;
      // What the server does not know any more is sent anew.
      if (error instanceof NotSent) sending = null;
    } finally {
      share = null;
    }
  }
</script>

<section>
  <h2>{t.title}</h2>
  <label for="package">{t.file}</label>
  <input
    id="package"
    type="file"
    accept=".zip,application/zip"
    onchange={(event) => (chosen = event.currentTarget.files?.[0] ?? null)}
  />
  {#if share === null}
    <div><Button onclick={() => void send()}>{t.send}</Button></div>
  {:else}
    <p role="status">{t.sending(chosen?.name ?? '')}</p>
    <ProgressBar {share} label={chosen?.name ?? ''} />
    <div><Button onclick={() => stop.abort()}>{jobsWords.cancel}</Button></div>
  {/if}
  {#if problem}<p class="problem" role="alert">{problem}</p>{/if}
</section>

<style>
  section {
    display: grid;
    gap: var(--gap-2);
    align-content: start;
  }
  label {
    font-weight: 500;
  }
</style>
