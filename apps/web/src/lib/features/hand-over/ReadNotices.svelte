<!-- Who said by link to have read a notice: gathered where the job is handed over. -->
<script lang="ts">
  import { answerOf } from '$lib/contract/read.ts';
  import { toldAnswer } from '$lib/contract/told.ts';
  import { dateTime } from '$lib/ui/time.ts';
  import { handOverWords as t } from '$words/hand-over.ts';
  import { toldWords } from '$words/notices.ts';
  import { onMount } from 'svelte';
  import type * as z from 'zod/mini';

  let { job }: { job: string } = $props();
  let said = $state.raw<z.infer<typeof toldAnswer>['said'] | null>(null);
  onMount(async () => {
    const response = await fetch(`/api/jobs/${job}/told`).catch(() => null);
    if (response?.ok) said = (await answerOf(response, toldAnswer)).said;
  });
</script>

{#if said}
  <section>
    <h2>{t.acknowledged}</h2>
    {#if said.length === 0}<p>
        {t.acknowledgedNone} <a href="/jobs/{job}/notices">{toldWords.handOut}</a>
      </p>{/if}
    <ul>
      {#each said as { to, name, at }, i (i)}<li>{toldWords.saidBy(to, name, dateTime(at))}</li>{/each}
    </ul>
  </section>
{/if}

<style>
  section {
    display: grid;
    gap: var(--gap-2);
  }
  h2,
  p,
  ul {
    margin: 0;
  }
</style>
