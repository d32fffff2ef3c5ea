<script lang="ts">
  import Notices from '$lib/features/notices/Notices.svelte';

  let { data } = $props();
</script>

<Notices store={data.store} />
