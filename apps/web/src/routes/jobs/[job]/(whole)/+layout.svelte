<script lang="ts">
  import JobTabs from '$lib/features/shell/JobTabs.svelte';

  let { data, children } = $props();
  const store = $derived(data.store);

  $effect(() => {
    if (store.names.some(({ judgement }) => judgement === null)) void store.judgeRest();
  });
</script>

<JobTabs {store} />
{@render children()}
