<!-- A building model that is being read: how far, and to be stopped. -->
<script module lang="ts">
  import type { ModelReading } from './model-reading.svelte.ts';

  export interface ReadingModelProps {
    reading: ModelReading;
  }
</script>

<script lang="ts">
  import Button from '$lib/ui/Button.svelte';
  import ProgressBar from '$lib/ui/ProgressBar.svelte';
  import { modelWords } from '$words/model.ts';

  let { reading }: ReadingModelProps = $props();
</script>

<div class="reading" aria-live="polite">
  <p>{modelWords.reading(reading.name)}</p>
  <ProgressBar share={reading.share} label={reading.name} />
  <div><Button onclick={() => reading.stop()}>{modelWords.stop}</Button></div>
</div>

<style>
  .reading {
    display: grid;
    gap: var(--gap-2);
    max-width: 30rem;
  }
  p {
    margin: 0;
  }
</style>
