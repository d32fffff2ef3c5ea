<script lang="ts">
  import JobLog from '$lib/features/log/JobLog.svelte';

  let { data } = $props();
</script>

<JobLog store={data.store} />
