<script module lang="ts">
  import type { JobStore } from '$lib/job/job.svelte.ts';

  export interface MaterialsProps {
    store: JobStore;
  }
  const TABS = ['list', 'early', 'together', 'stock'] as const;
</script>

<script lang="ts">
  import JobPage from '$lib/features/shell/JobPage.svelte';
  import Button from '$lib/ui/Button.svelte';
  import { supplyWords as t } from '$words/supply.ts';
  import { untrack } from 'svelte';
  import EarlyList from './EarlyList.svelte';
  import MaterialList from './MaterialList.svelte';
  import Stock from './Stock.svelte';
  import { SupplyDesk } from './supply-desk.svelte.ts';
  import Together from './Together.svelte';

  let { store }: MaterialsProps = $props();
  const desk = untrack(() => new SupplyDesk(store));
  let tab = $state<(typeof TABS)[number]>('list');
  const tabs = $derived(TABS.filter((one) => one !== 'stock' || desk.mayEdit));
  $effect(() => {
    void desk.content;
    untrack(() => void desk.work());
  });
  const urgent = $derived(
    desk.early.filter(
      ({ because, standing }) =>
        because.length > 0 && ['late', 'now', 'too-late', 'wrong'].includes(standing),
    ).length,
  );
</script>

<JobPage view="materials" lead={t.lead}>
  {#snippet tools()}
    {#if desk.canUndo}<Button kind="quiet" onclick={() => void desk.undo()}>{t.undo}</Button>{/if}
  {/snippet}
  {#if desk.problem}<p class="problem" role="alert">{desk.problem}</p>{/if}
  <nav class="tabs" aria-label={t.parts}>
    {#each tabs as one (one)}
      <button type="button" aria-pressed={tab === one} onclick={() => (tab = one)}
        >{t.tabs[one]}{#if one === 'early' && urgent > 0}
          <b>{urgent}</b>{/if}</button
      >
    {/each}
  </nav>
  <!-- Counted again after somebody's record, what is typed here stays. -->
  {#if desk.state === 'working' && desk.taken.length === 0}<p role="status">{t.working}</p>
  {:else if desk.all.length === 0}<p>{t.none}</p>
  {:else if tab === 'list'}<MaterialList {desk} />
  {:else if tab === 'early'}<EarlyList {desk} />
  {:else if tab === 'together'}<Together {desk} />
  {:else}<Stock {desk} />{/if}
</JobPage>

<style>
  .tabs {
    display: flex;
    flex-flow: row wrap;
    gap: var(--gap-2);
  }
  .tabs button {
    min-height: var(--touch);
    padding: 0 var(--gap-3);
    border: 0;
    border-bottom: 4px solid transparent;
    background: none;
    color: var(--ink);
    font: inherit;
    cursor: pointer;
  }
  .tabs button[aria-pressed='true'] {
    border-bottom-color: var(--rust);
    font-weight: 700;
  }
  .tabs b {
    margin-left: var(--gap-1);
    color: var(--bad);
  }
  @media print {
    .tabs {
      display: none;
    }
  }
</style>
