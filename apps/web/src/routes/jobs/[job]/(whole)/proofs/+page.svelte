<script lang="ts">
  import JobPage from '$lib/features/shell/JobPage.svelte';
  import JobProofs from '$lib/features/prove/JobProofs.svelte';
  import { proveText } from '$words/prove.ts';

  let { data } = $props();
</script>

<JobPage view="proofs" lead={proveText.job.lead}>
  {#key data.store.id}<JobProofs store={data.store} />{/key}
</JobPage>
