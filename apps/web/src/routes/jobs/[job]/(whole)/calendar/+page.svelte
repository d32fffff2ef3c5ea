<script lang="ts">
  import Calendar from '$lib/features/calendar/Calendar.svelte';

  let { data } = $props();
</script>

{#key data.store.id}<Calendar store={data.store} />{/key}
