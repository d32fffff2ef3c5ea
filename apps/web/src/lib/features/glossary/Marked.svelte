<script module lang="ts">
  export interface MarkedProps {
    text: string;
  }
</script>

<script lang="ts">
  import { explained } from '$words/glossary.ts';
  import TermButton from './TermButton.svelte';

  let { text }: MarkedProps = $props();
</script>

<!-- Text whose words of the work can be opened where they stand. -->
{#each explained(text) as { text: own, term }, i (i)}{#if term}<TermButton {term}>{own}</TermButton
    >{:else}{own}{/if}{/each}
