<script module lang="ts">
  import type { JobStore } from '$lib/job/job.svelte.ts';

  export interface NoOpeningsProps {
    store: JobStore;
  }
</script>

<script lang="ts">
  import { jobWords } from '$words/shell.ts';

  let { store }: NoOpeningsProps = $props();
</script>

<p>
  {jobWords.empty}
  {#if store.pack.rights.includes('plan')}<a href="/jobs/{store.id}/add">{jobWords.addOpenings}</a>{/if}
</p>
