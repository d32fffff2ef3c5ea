<script module lang="ts">
  import type { Night } from './night.svelte.ts';

  export interface NightFieldsProps {
    night: Night;
  }
</script>

<script lang="ts">
  import LooseField from '$lib/ui/LooseField.svelte';
  import MeasureField from '$lib/ui/MeasureField.svelte';
  import { orderWords } from '$words/order.ts';
  import { writeMeasure } from '@hulvek/core';

  let { night }: NightFieldsProps = $props();
  const t = orderWords.night;
</script>

<section aria-label={t.title}>
  <h3>{t.title}</h3>
  <div class="fields" oninput={() => (night.entered = true)}>
    <MeasureField label={t.rain} kind="rain" reads={night.reads} bind:value={night.rain} />
    <LooseField label={t.hours} bind:value={night.hours} />
    <MeasureField label={t.wind} kind="speed" reads={night.reads} bind:value={night.wind} />
    <LooseField label={t.catch} bind:value={night.above} />
  </div>
  {#if night.figures}
    <p>{t.is(writeMeasure('rain', night.falls, night.reads))} {night.entered ? '' : t.assumed}</p>
  {:else}<p class="problem" role="alert">{t.wrong}</p>{/if}
  <p class="quiet">{t.source}</p>
</section>

<style>
  section {
    display: grid;
    gap: var(--gap-2);
  }
  .fields {
    display: flex;
    flex-flow: row wrap;
    align-items: end;
    gap: var(--gap-3) var(--gap-5);
  }
  .fields :global(input) {
    width: 9rem;
  }
  @media print {
    .fields {
      display: none;
    }
  }
</style>
