<script module lang="ts">
  import type { JobStore } from '$lib/job/job.svelte.ts';

  export interface NextStepProps {
    store: JobStore;
  }
</script>

<script lang="ts">
  import { guideWords } from '$words/guide.ts';
  import { SvelteSet } from 'svelte/reactivity';
  import { untrack } from 'svelte';
  import { leaveForLater, leftForLater } from './later.ts';
  import { nextStep, setUpKinds } from './next-step.ts';

  let { store }: NextStepProps = $props();
  const later = new SvelteSet(untrack(() => leftForLater(store.id)));
  const step = $derived(
    nextStep(
      store.context,
      [...store.views.values()].map(({ opening }) => opening),
      store.rows,
      later,
    ),
  );
  const words = $derived(step && guideWords.steps[step.kind]);
  const FEW = 6;
  const mayWait = $derived(
    step !== null && step.kind !== 'openings' && (setUpKinds as readonly string[]).includes(step.kind),
  );

  function wait() {
    if (!step) return;
    leaveForLater(store.id, step.kind);
    later.add(step.kind);
  }
</script>

<section aria-labelledby="next">
  <h2 id="next">{guideWords.next}</h2>
  {#if step && words}
    <p class="what">
      <a href="/jobs/{store.id}{step.path}">{words.what}</a>
      {#if step.openings.length > 0}<span
          >{guideWords.at(
            step.openings
              .slice(0, FEW)
              .map(({ mark }) => mark)
              .join(', '),
            Math.max(0, step.openings.length - FEW),
          )}</span
        >{/if}
    </p>
    <p class="why">{words.why}</p>
    {#if mayWait}<button type="button" class="as-link" onclick={wait}>{guideWords.skip}</button>{/if}
  {:else}<p>{guideWords.done}</p>{/if}
</section>

<style>
  section {
    display: grid;
    grid-template-columns: auto minmax(0, 1fr) auto;
    gap: 2px var(--gap-4);
    align-items: baseline;
    padding: var(--gap-3) 0;
    border-top: 2px solid var(--ink);
    border-bottom: 1px solid var(--line);
  }
  h2 {
    font-size: 1rem;
  }
  .what {
    display: flex;
    flex-flow: row wrap;
    gap: 2px var(--gap-3);
    font-size: 1.1rem;
  }
  .what a {
    font-weight: 700;
  }
  .why {
    grid-column: 2;
    color: var(--ink-soft);
  }
  .as-link {
    grid-column: 3;
    grid-row: 1;
  }
</style>
