<script lang="ts">
  import DepthTable from '$lib/components/stage/DepthTable.svelte';
  import JobTabs from '$lib/components/stage/JobTabs.svelte';
  import OrderSize from '$lib/components/stage/OrderSize.svelte';
  import SlopeSetOut from '$lib/components/stage/SlopeSetOut.svelte';
  import WallEditor from '$lib/components/stage/WallEditor.svelte';
  import { text } from '$lib/texts/en.ts';

  let { data } = $props();
  const store = $derived(data.store);
  let chosen = $state('');
  const plan = $derived(
    store.plans.find((p) => p.opening.id === chosen) ?? store.plans.find((p) => p.fit) ?? store.plans[0],
  );
</script>

<JobTabs {store} />
<main>
  <h1>{text.sizes.title}</h1>
  <p class="lead">{text.sizes.lead}</p>
  {#if plan}
    <label class="opening">
      {text.sizes.opening}
      <select value={plan.opening.id} onchange={(event) => (chosen = event.currentTarget.value)}>
        {#each store.plans as p (p.opening.id)}
          <option value={p.opening.id}>{p.opening.mark} {p.opening.name}</option>
        {/each}
      </select>
    </label>
    <div class="parts">
      {#key plan.opening.id}
        <OrderSize {plan} />
        <SlopeSetOut {plan} />
        <DepthTable {plan} />
        {#if plan.wall && plan.method}
          <section aria-label={text.wall.layers}>
            {#key `${plan.wall.id} ${plan.method.id}`}<WallEditor
                {store}
                wall={plan.wall}
                method={plan.method}
              />{/key}
          </section>
        {/if}
      {/key}
    </div>
  {:else}<p>{text.job.empty}</p>{/if}
</main>

<style>
  main {
    display: grid;
    gap: var(--gap-4);
    padding: var(--gap-3) var(--gap-4);
  }
  .lead {
    color: var(--ink-soft);
  }
  .opening {
    display: flex;
    align-items: center;
    gap: var(--gap-3);
    font-weight: 500;
  }
  .opening select {
    width: 16rem;
  }
  .parts {
    display: grid;
    grid-template-columns: repeat(auto-fit, minmax(min(100%, 22rem), 1fr));
    gap: var(--gap-6);
    align-items: start;
  }
</style>
