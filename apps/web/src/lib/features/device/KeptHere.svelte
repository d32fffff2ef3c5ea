<script lang="ts">
  import Button from '$lib/ui/Button.svelte';
  import {
    freeJob,
    keepForGood,
    keepJob,
    roomHere,
    whatIsKept,
    type KeptJob,
    type Room,
  } from '$lib/device/keep-jobs.svelte.ts';
  import { device } from '$lib/device/device.svelte.ts';
  import { dateTime } from '$lib/ui/time.ts';
  import { keptWords } from '$words/device.ts';
  import { onMount } from 'svelte';

  let jobs = $state.raw<readonly KeptJob[] | null>(null);
  let room = $state.raw<Room | null>(null);
  let said = $state('');
  let busy = $state('');
  const waiting = $derived(device().outbox.items.length);

  async function look() {
    try {
      [jobs, room] = await Promise.all([whatIsKept(), roomHere()]);
    } catch {
      said = keptWords.needsNetwork;
    }
  }
  onMount(() => void look());

  async function change(job: KeptJob) {
    busy = job.id;
    said = '';
    try {
      if (job.bytes === null) await keepJob(job);
      else await freeJob(job);
    } catch {
      said = keptWords.needsNetwork;
    }
    await look();
    busy = '';
  }

  async function forGood() {
    said = (await keepForGood()) ? keptWords.forGood : keptWords.notForGood;
  }
</script>

<section>
  <h2>{keptWords.title}</h2>
  <p class="quiet">{keptWords.lead}</p>
  <p>{keptWords.waiting(waiting)}</p>
  {#if room}
    <p class:scarce={room.scarce}>
      {keptWords.room(room.used, room.of)}
      {room.scarce ? keptWords.scarce : ''}
    </p>
  {/if}
  {#if jobs}
    <ul>
      {#each jobs as job (job.id)}
        <li>
          <span
            ><b>{job.name}</b>
            {job.bytes === null || job.at === null
              ? keptWords.not
              : keptWords.is(job.bytes, dateTime(job.at))}</span
          >
          <Button disabled={busy !== ''} onclick={() => void change(job)}
            >{job.bytes === null ? keptWords.keep : keptWords.free}<span class="visually-hidden"
              >, {job.name}</span
            ></Button
          >
        </li>
      {/each}
    </ul>
    <p><Button kind="quiet" onclick={() => void forGood()}>{keptWords.ask}</Button></p>
  {/if}
  <p role="status">{said}</p>
</section>

<style>
  section {
    display: grid;
    gap: var(--gap-2);
  }
  li {
    display: flex;
    flex-flow: row wrap;
    align-items: center;
    justify-content: space-between;
    gap: var(--gap-2);
    padding: var(--gap-2) 0;
    border-top: 1px solid var(--line);
  }
  .scarce {
    color: var(--bad);
    font-weight: 600;
  }
</style>
