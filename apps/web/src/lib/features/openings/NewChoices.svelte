<!-- What new openings go by: the usual of the job, until somebody says otherwise. -->
<script module lang="ts">
  import type { JobStore } from '$lib/job/job.svelte.ts';
  import type { NewChoice } from './new-choice.svelte.ts';

  export interface NewChoicesProps {
    store: JobStore;
    choice: NewChoice;
  }
</script>

<script lang="ts">
  import ChoiceField from '$lib/ui/ChoiceField.svelte';
  import { addWords } from '$words/openings.ts';

  let { store, choice }: NewChoicesProps = $props();
  const CHOICES = [
    { of: 'unit', items: 'units' },
    { of: 'wall', items: 'walls' },
    { of: 'method', items: 'methods' },
  ] as const;
  const context = $derived(store.context);
  const facades = $derived([
    ...new Set(store.pack.openings.map(({ document }) => document.facade).filter(Boolean)),
  ]);
</script>

<div class="grid">
  <label>{addWords.name}<input bind:value={choice.name} maxlength="120" autocomplete="off" /></label>
  <label
    >{addWords.facade}<input
      bind:value={choice.facade}
      maxlength="60"
      list="facades"
      autocomplete="off"
    /></label
  >
  {#each CHOICES as { of, items } (of)}
    <ChoiceField
      label={addWords[of]}
      items={context[items]}
      value={choice[of]}
      empty={addWords.later}
      onchoose={(id) => choice.choose({ [of]: id })}
    />
  {/each}
</div>
<datalist id="facades"
  >{#each facades as one (one)}<option value={one}></option>{/each}</datalist
>

<style>
  label {
    display: grid;
    gap: var(--gap-1);
    width: 100%;
    font-weight: 500;
  }
  .grid {
    display: grid;
    grid-template-columns: repeat(auto-fit, minmax(min(100%, 14rem), 1fr));
    gap: var(--gap-3);
    width: 100%;
  }
</style>
