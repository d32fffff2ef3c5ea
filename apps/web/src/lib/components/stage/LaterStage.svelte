<script lang="ts">
  import { text } from '$lib/texts/en.ts';

  let { stage }: { stage: keyof typeof text.stages.later } = $props();
</script>

<section>
  <h2>{text.stages[stage]}: {text.stages.laterTitle}</h2>
  <p>{text.stages.later[stage]}</p>
</section>

<style>
  section {
    display: grid;
    gap: var(--gap-3);
    max-width: 42rem;
    padding: var(--gap-6) var(--gap-4);
  }
</style>
