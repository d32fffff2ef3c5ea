<script lang="ts">
  import NoOpenings from '$lib/features/shell/NoOpenings.svelte';
  import JobPage from '$lib/features/shell/JobPage.svelte';
  import DepthTable from '$lib/features/sizes/DepthTable.svelte';
  import OrderSize from '$lib/features/sizes/OrderSize.svelte';
  import SlopeSetOut from '$lib/features/sizes/SlopeSetOut.svelte';
  import { sizesWords } from '$words/sizes.ts';

  let { data } = $props();
  const store = $derived(data.store);
  let chosen = $state('');
  const plan = $derived(
    store.plans.find((p) => p.opening.id === chosen) ?? store.plans.find((p) => p.fit) ?? store.plans[0],
  );
</script>

<JobPage view="sizes" lead={sizesWords.lead}>
  {#if plan}
    <label class="opening">
      {sizesWords.opening}
      <select value={plan.opening.id} onchange={(event) => (chosen = event.currentTarget.value)}>
        {#each store.plans as p (p.opening.id)}
          <option value={p.opening.id}>{p.opening.mark} {p.opening.name}</option>
        {/each}
      </select>
    </label>
    <div class="parts">
      {#key plan.opening.id}
        <OrderSize {plan} reads={data.store.reads} />
        <SlopeSetOut {plan} reads={data.store.reads} />
        <DepthTable {plan} reads={data.store.reads} />
        <p class="links">
          {#if plan.wall}
            <a href="/jobs/{store.id}/walls?id={plan.wall.id}">{sizesWords.wallPage(plan.wall.name)}</a>
          {/if}
          {#if plan.method}
            <a href="/jobs/{store.id}/methods?id={plan.method.id}"
              >{sizesWords.methodPage(plan.method.name)}</a
            >
          {/if}
        </p>
      {/key}
    </div>
  {:else}<NoOpenings {store} />{/if}
</JobPage>

<style>
  .opening {
    display: flex;
    align-items: center;
    gap: var(--gap-3);
    font-weight: 500;
  }
  .opening select {
    width: 16rem;
  }
  .links {
    display: grid;
    gap: var(--gap-2);
  }
  .parts {
    display: grid;
    grid-template-columns: repeat(auto-fit, minmax(min(100%, 22rem), 1fr));
    gap: var(--gap-6);
    align-items: start;
  }
</style>
