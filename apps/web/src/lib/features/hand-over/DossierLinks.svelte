<!-- The dossier on paper, drawn beside the server, and the package: with names and pictures only where somebody chooses them. -->
<script module lang="ts">
  export interface DossierLinksProps {
    job: string;
    /** One opening; all of them without it. */
    opening?: string;
    label: string;
    /** Whether the package with all of it is offered too. */
    whole?: boolean;
    /** Whether an installation may be restored from it. */
    mayRestore?: boolean;
    /** That signs it, base64, where it is known. */
    key?: string;
  }
</script>

<script lang="ts">
  import { dossierStarted } from '$lib/contract/dossier.ts';
  import { answerOf } from '$lib/contract/read.ts';
  import { followTask } from '$lib/device/follow-task.ts';
  import { sentence } from '$lib/device/sentence.ts';
  import Button from '$lib/ui/Button.svelte';
  import ProgressBar from '$lib/ui/ProgressBar.svelte';
  import { offlineWords } from '$words/device.ts';
  import { handOverWords as t } from '$words/hand-over.ts';
  import { jobsWords } from '$words/shell.ts';
  import { fingerprintOf } from '@hulvek/core';
  import { onDestroy } from 'svelte';

  let { job, opening, label, whole = false, mayRestore = false, key = '' }: DossierLinksProps = $props();
  let names = $state(false);
  let pictures = $state(true);
  let drawings = $state(true);
  let rows = $state(false);
  let problem = $state('');
  /** A dossier that is being drawn, and how far it is. */
  let drawn = $state.raw<{ task: string; share: number } | null>(null);
  const chosen = $derived(
    [names && 'names', pictures && 'pictures', drawings && 'drawings', rows && names && 'rows']
      .filter(Boolean)
      .join('&'),
  );
  let following = new AbortController();
  onDestroy(() => following.abort());

  function end(why = '') {
    following.abort();
    drawn = null;
    problem = why;
  }

  async function draw() {
    if (drawn) return;
    problem = '';
    try {
      const response = await fetch(`/api/jobs/${job}/dossier`, {
        method: 'POST',
        headers: { 'content-type': 'application/json' },
        body: JSON.stringify({ opening: opening ?? null, names, pictures }),
      });
      if (!response.ok) return end(await sentence(response));
      const { task } = await answerOf(response, dossierStarted);
      drawn = { task, share: 0 };
      following = new AbortController();
      const ended = await followTask(task, ({ share }) => (drawn = { task, share }), following.signal);
      if (ended === null) return;
      end(ended.file === null ? t.notDrawn : '');
      if (ended.file !== null) location.assign(`/api/tasks/${task}/file`);
    } catch {
      end(offlineWords.needsNetwork);
    }
  }

  async function stop() {
    const task = drawn?.task;
    end();
    if (task) await fetch(`/api/tasks/${task}`, { method: 'DELETE' }).catch(() => null);
  }
</script>

<div class="choose" data-testid="dossier">
  <label><input type="checkbox" bind:checked={names} />{t.names}</label>
  <label><input type="checkbox" bind:checked={pictures} />{t.pictures}</label>
  {#if whole}
    <label><input type="checkbox" bind:checked={drawings} />{t.drawings}</label>
    {#if mayRestore && names}
      <label><input type="checkbox" bind:checked={rows} />{t.rows}</label>
    {/if}
  {/if}
</div>
<div class="choose">
  {#if drawn}
    <ProgressBar share={drawn.share} {label} />
    <Button onclick={() => void stop()}>{jobsWords.cancel}</Button>
  {:else}
    <Button onclick={() => void draw()}>{label}</Button>
  {/if}
  {#if whole}<a class="as-button" href="/jobs/{job}/package.zip?{chosen}" download>{t.package}</a>{/if}
</div>
{#if problem}<p class="problem" role="alert">{problem}</p>{/if}
{#if whole}
  <p class="quiet">{t.packageIs} <a href="/check">{t.check}</a></p>
  {#if key}<p class="quiet">{t.keyIs(fingerprintOf(key))}</p>{/if}
{/if}

<style>
  .choose {
    display: flex;
    flex-flow: row wrap;
    gap: var(--gap-3);
    align-items: center;
  }
  label {
    display: flex;
    gap: var(--gap-2);
    align-items: center;
    min-height: var(--touch);
  }
  input {
    flex: none;
    width: 24px;
    height: 24px;
  }
</style>
