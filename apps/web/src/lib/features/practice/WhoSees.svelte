<script module lang="ts">
  import type { PracticeDesk } from './practice-desk.svelte.ts';

  export interface WhoSeesProps {
    desk: PracticeDesk;
  }
</script>

<script lang="ts">
  import { offlineWords } from '$words/device.ts';
  import { practiceWords } from '$words/practice.ts';

  let { desk }: WhoSeesProps = $props();
  const t = practiceWords.sharing;
  let problem = $state('');

  async function allow(job: string, box: HTMLInputElement) {
    problem = '';
    if (await desk.share(job, box.checked)) return;
    box.checked = !box.checked;
    problem = offlineWords.needsNetwork;
  }
</script>

<section aria-labelledby="who-sees">
  <h2 id="who-sees">{t.title}</h2>
  <p>{t.lead}</p>
  {#if desk.state.jobs.length === 0}<p class="quiet">{t.none}</p>{/if}
  <ul>
    {#each desk.state.jobs as job (job.id)}
      <li>
        <label
          ><input
            type="checkbox"
            checked={job.allowed}
            onchange={(event) => void allow(job.id, event.currentTarget)}
          />
          {t.allow(job.name)}</label
        >
      </li>
    {/each}
  </ul>
  {#if problem}<p class="problem" role="alert">{problem}</p>{/if}
</section>

<style>
  ul {
    margin: 0;
    padding: 0;
    list-style: none;
  }
  label {
    display: flex;
    align-items: center;
    gap: var(--gap-2);
    min-height: 44px;
  }
  input {
    width: 20px;
    height: 20px;
  }
</style>
