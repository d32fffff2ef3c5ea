<script lang="ts">
  import { viewWords } from '$words/shell.ts';
  import UnitEditor from '$lib/features/units/UnitEditor.svelte';
  import UnitSizes from '$lib/features/units/UnitSizes.svelte';
  import Button from '$lib/ui/Button.svelte';
  import { unitsWords } from '$words/units.ts';
  import { formatSize, type Unit } from '@hulvek/core';

  let { data } = $props();
  const store = $derived(data.store);
  const lengths = $derived(store.context.job.units);
  const mayEdit = $derived(store.pack.rights.includes('plan'));
  let chosen = $state<string | null>(null);
  const unit = $derived(
    chosen === ''
      ? null
      : (store.context.units.find((u) => u.id === chosen) ?? store.context.units[0] ?? null),
  );
  const used = $derived((id: string) =>
    store.plans.filter((plan) => plan.unit?.id === id).map((p) => p.opening.mark),
  );

  async function save(next: Unit, was: Unit | null): Promise<string> {
    const refused = await store.put('shelf', { kind: 'units', was, item: next });
    if (refused === '') chosen = next.id;
    return refused;
  }
</script>

<main>
  <nav aria-label={viewWords.units}>
    <h1>{viewWords.units}</h1>
    <ul>
      {#each store.context.units as u (u.id)}
        <li>
          <button type="button" aria-pressed={u.id === unit?.id} onclick={() => (chosen = u.id)}>
            <b>{u.name}</b>
            <span class="figure">{formatSize({ width: u.width.mm, height: u.height.mm }, lengths)}</span>
            <span class="used">{used(u.id).join(', ') || unitsWords.notUsed}</span>
          </button>
        </li>
      {:else}<li>{unitsWords.none}</li>{/each}
    </ul>
    {#if mayEdit}<Button onclick={() => (chosen = '')}>{unitsWords.add}</Button>{/if}
  </nav>
  {#key unit?.id ?? ''}
    <section aria-label={unit?.name ?? unitsWords.add}>
      <h2>{unit?.name ?? unitsWords.add}</h2>
      {#if unit}<UnitSizes {unit} {store} />{/if}
      <UnitEditor {unit} units={lengths} {mayEdit} onsave={save} />
    </section>
  {/key}
</main>

<style>
  main {
    display: grid;
    grid-template-columns: 270px minmax(0, 1fr);
    gap: var(--gap-5);
    padding: var(--gap-3) var(--gap-4);
  }
  nav {
    display: grid;
    gap: var(--gap-3);
    align-content: start;
    justify-items: start;
  }
  ul {
    width: 100%;
  }
  li button {
    display: grid;
    width: 100%;
    min-height: var(--touch);
    padding: var(--gap-2) var(--gap-3);
    border: 0;
    border-left: 4px solid transparent;
    border-bottom: 1px solid var(--line);
    background: none;
    color: var(--ink);
    font: inherit;
    text-align: left;
    cursor: pointer;
  }
  li button[aria-pressed='true'] {
    border-left-color: var(--rust);
    background: var(--sand);
  }
  .used {
    font-size: 0.9rem;
    color: var(--ink-soft);
  }
  section {
    display: grid;
    gap: var(--gap-3);
    align-content: start;
    max-width: 56rem;
  }
  @media (max-width: 900px) {
    main {
      grid-template-columns: minmax(0, 1fr);
    }
  }
</style>
