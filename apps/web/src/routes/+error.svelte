<script lang="ts">
  import { offlineWords } from '$words/device.ts';
  import { page } from '$app/state';
  import { keptJobs } from '$lib/device/database.ts';
  import { errorsWords } from '$words/contract.ts';
  import { onMount } from 'svelte';

  let kept = $state.raw<Awaited<ReturnType<typeof keptJobs>>>([]);

  onMount(async () => {
    // A page that failed for want of a network: some jobs can be opened all the same.
    const reached = await fetch('/health').then(
      (response) => response.ok,
      () => false,
    );
    if (!reached) kept = await keptJobs().catch(() => []);
  });
</script>

<main>
  <h1>{errorsWords.title}</h1>
  <p>{page.error?.message}</p>
  {#if page.error?.id}<p>{errorsWords.id} <span class="figure">{page.error.id}</span></p>{/if}
  {#if kept.length > 0}
    <p>{offlineWords.here}</p>
    <ul>
      {#each kept as job (job.id)}<li><a href="/jobs/{job.id}">{job.name}</a></li>{/each}
    </ul>
  {/if}
  <p><a href="/jobs">{errorsWords.back}</a></p>
</main>

<style>
  main {
    display: grid;
    gap: var(--gap-3);
    max-width: 40rem;
    margin: 12vh auto;
    padding: var(--gap-4);
  }
</style>
