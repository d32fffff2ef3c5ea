<script lang="ts">
  import { enhance } from '$app/forms';
  import BringPackage from '$lib/features/packages/BringPackage.svelte';
  import TaskCard from '$lib/features/tasks/TaskCard.svelte';
  import Button from '$lib/ui/Button.svelte';
  import { goto } from '$app/navigation';
  import { tourAt } from '$lib/features/guide/tour.svelte.ts';
  import { tourWords } from '$words/tour-start.ts';
  import { may } from '$lib/contract/rights.ts';
  import { jobsWords, navWords } from '$words/shell.ts';

  let { data, form } = $props();
  let search = $state('');
  const FEW = 6;
  const words = $derived(search.trim().toLowerCase());
  const found = $derived(
    data.jobs.filter(({ job }) => `${job.name} ${job.note}`.toLowerCase().includes(words)),
  );
  const current = $derived(found.filter(({ archived }) => !archived));
  const away = $derived(found.filter(({ archived }) => archived));
  /** The job that the new one begins from. */
  let from = $state('');
  /** Those of that job, until somebody says otherwise. */
  let units = $derived(data.jobs.find(({ job }) => job.id === from)?.job.units ?? 'mm');
  /** The job of the demo that the way round leads through. */
  const DEMO = 'skarv-point';
</script>

<main>
  <h1>{jobsWords.title}</h1>
  <p><a href="/practice">{navWords.practice}</a> <span class="quiet">{jobsWords.practice}</span></p>
  {#if data.jobs.some(({ job }) => job.id === DEMO)}
    <p>
      <Button
        onclick={() => {
          tourAt(0);
          void goto(`/jobs/${DEMO}`);
        }}>{tourWords.start}</Button
      >
    </p>
  {/if}
  {#if data.jobs.length === 0}<p>{jobsWords.empty}</p>{/if}
  {#if data.jobs.length > FEW}
    <label class="find"
      >{jobsWords.find}
      <input type="search" placeholder={jobsWords.findHint} bind:value={search} />
    </label>
  {/if}
  {#snippet line({ job, openings, role, archived }: (typeof data.jobs)[number])}
    <li>
      <a href="/jobs/{job.id}">{job.name}</a>
      <span class="count">{jobsWords.openings(openings)}</span>
      {#if job.note}<p>{job.note}</p>{/if}
      {#if may(role, 'settings')}
        <form method="POST" action="?/archive" use:enhance>
          <input type="hidden" name="job" value={job.id} />
          <input type="hidden" name="away" value={archived ? 'no' : 'yes'} />
          <button type="submit" class="as-link"
            >{archived ? jobsWords.takeOut : jobsWords.archive}<span class="visually-hidden"
              >, {job.name}</span
            ></button
          >
        </form>
      {/if}
    </li>
  {/snippet}
  <ul class="jobs">
    {#each current as one (one.job.id)}{@render line(one)}{/each}
  </ul>
  {#if data.jobs.length > 0 && found.length === 0}<p>{jobsWords.noneFound}</p>{/if}
  {#if away.length > 0}
    <details open={words !== ''}>
      <summary>{jobsWords.archived(away.length)}</summary>
      <p class="quiet">{jobsWords.archivedNote}</p>
      <ul class="jobs">
        {#each away as one (one.job.id)}{@render line(one)}{/each}
      </ul>
    </details>
  {/if}
  {#if data.deleted.length > 0}
    <section>
      <h2>{jobsWords.deleted}</h2>
      <ul class="jobs">
        {#each data.deleted as job (job.id)}
          <li>
            <form method="POST" action="?/back" use:enhance>
              <input type="hidden" name="job" value={job.id} />
              <span>{job.name}</span>
              <Button type="submit"
                >{jobsWords.putBack}<span class="visually-hidden">, {job.name}</span></Button
              >
            </form>
          </li>
        {/each}
      </ul>
    </section>
  {/if}
  {#if data.task}<TaskCard task={data.task} />{/if}
  {#if form?.problem}
    <div class="problem" role="alert">
      <p>{form.problem}</p>
    </div>
  {/if}
  <div class="forms">
    <form method="POST" action="?/create" use:enhance>
      <h2>{jobsWords.create}</h2>
      <label for="name">{jobsWords.name}</label>
      <input id="name" name="name" required maxlength="120" autocomplete="off" />
      <label for="units">{jobsWords.units}</label>
      <select id="units" name="units" bind:value={units}>
        <option value="mm">{jobsWords.mm}</option>
        <option value="in">{jobsWords.in}</option>
      </select>
      {#if data.jobs.length > 0}
        <label for="from">{jobsWords.from}</label>
        <select id="from" name="from" bind:value={from} aria-describedby="from-note">
          <option value="">{jobsWords.fromNothing}</option>
          {#each data.jobs as { job } (job.id)}<option value={job.id}>{job.name}</option>{/each}
        </select>
        {#if from !== ''}
          <p id="from-note" class="quiet">{jobsWords.fromNote}</p>
          <label class="choice"><input type="checkbox" name="openings" /> {jobsWords.withOpenings}</label>
        {/if}
      {/if}
      <Button kind="main" type="submit">{jobsWords.add}</Button>
    </form>
    <form method="POST" action="?/load" enctype="multipart/form-data" use:enhance>
      <h2>{jobsWords.load}</h2>
      <label for="file">{jobsWords.file}</label>
      <input id="file" name="file" type="file" accept=".json,application/json" required />
      <Button type="submit">{jobsWords.loadSubmit}</Button>
    </form>
    <BringPackage />
  </div>
</main>

<style>
  main {
    display: grid;
    gap: var(--gap-5);
    max-width: 60rem;
    margin: 0 auto;
    padding: var(--gap-5) var(--gap-4);
  }
  .jobs li {
    display: grid;
    grid-template-columns: 1fr auto;
    gap: var(--gap-1) var(--gap-4);
    padding: var(--gap-4) 0;
    border-top: 1px solid var(--line);
  }
  .jobs li:last-child {
    border-bottom: 1px solid var(--line);
  }
  .jobs a {
    font-size: 1.15rem;
    font-weight: 600;
  }
  .jobs p {
    grid-column: 1;
    color: var(--ink-soft);
  }
  .jobs li form {
    grid-column: 2;
    justify-self: end;
    align-self: end;
  }
  .jobs form :global(button) {
    margin: 0;
  }
  .forms {
    display: grid;
    grid-template-columns: repeat(auto-fit, minmax(17rem, 1fr));
    gap: var(--gap-6);
  }
  form {
    display: grid;
    gap: var(--gap-2);
    align-content: start;
  }
  form :global(button) {
    justify-self: start;
    margin-top: var(--gap-2);
  }
  label {
    font-weight: 500;
  }
  .quiet {
    color: var(--ink-soft);
  }
  .find {
    display: flex;
    align-items: center;
    gap: var(--gap-3);
  }
  .choice {
    display: flex;
    align-items: center;
    gap: var(--gap-2);
    min-height: var(--touch);
    font-weight: 400;
  }
  .choice input {
    width: 1.25rem;
    height: 1.25rem;
  }
  summary {
    min-height: var(--touch);
    align-content: center;
    cursor: pointer;
  }
  .problem {
    padding: var(--gap-3);
    background: var(--bad-soft);
    color: var(--bad);
    overflow-wrap: anywhere;
  }
</style>
