<script lang="ts">
  import JobNav from '$lib/features/shell/JobNav.svelte';

  let { data, children } = $props();
  const store = $derived(data.store);

  $effect(() => {
    if (store.names.some(({ judgement }) => judgement === null)) void store.judgeRest();
  });
</script>

<div class="whole">
  <JobNav {store} />
  <div class="page">{@render children()}</div>
</div>

<style>
  .whole {
    display: grid;
    grid-template-columns: 10rem minmax(0, 1fr);
    min-height: 100%;
  }
  @media (max-width: 900px) {
    .whole {
      grid-template-columns: minmax(0, 1fr);
    }
  }
  @media print {
    .whole {
      display: block;
    }
  }
</style>
