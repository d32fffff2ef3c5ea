<script lang="ts">
  import { stagesWords } from '$words/shell.ts';

  let { stage }: { stage: keyof typeof stagesWords.later } = $props();
</script>

<section>
  <h2>{stagesWords[stage]}: {stagesWords.laterTitle}</h2>
  <p>{stagesWords.later[stage]}</p>
</section>

<style>
  section {
    display: grid;
    gap: var(--gap-3);
    max-width: 42rem;
    padding: var(--gap-6) var(--gap-4);
  }
</style>
