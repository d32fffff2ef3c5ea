<script lang="ts">
  import { goto } from '$app/navigation';
  import { page } from '$app/state';
  import Paper from '$lib/drawing/Paper.svelte';
  import ItemHead from '$lib/features/items/ItemHead.svelte';
  import ItemList from '$lib/features/items/ItemList.svelte';
  import UnitEditor from '$lib/features/units/UnitEditor.svelte';
  import UnitSizes from '$lib/features/units/UnitSizes.svelte';
  import { ItemDesk, type ItemKind } from '$lib/features/items/item-desk.svelte.ts';
  import { unitDiffers } from '$lib/features/items/differs.ts';
  import { itemWords } from '$words/items.ts';
  import { unitsWords } from '$words/units.ts';
  import { formatLength, formatSize, unitDrawing, type Unit } from '@hulvek/core';
  import { untrack } from 'svelte';

  let { data } = $props();
  const desk = untrack(() => new ItemDesk(data.store, 'units'));
  const reads = $derived(desk.store.reads);
  const asked = $derived(page.url.searchParams.get('id'));
  const unit = $derived(asked === 'new' ? null : (asked && desk.find(asked)) || (desk.list[0] ?? null));
  const open = (id: string | null) => {
    desk.hideVersions();
    desk.cancel();
    return goto(`?id=${id ?? 'new'}`, { keepFocus: true, noScroll: true });
  };
  const size = (id: string): string => {
    const one = desk.find(id);
    return one ? formatSize({ width: one.width.mm, height: one.height.mm }, reads) : '';
  };

  async function save(next: Unit, was: Unit | null): Promise<string> {
    if (was) await desk.propose(was, next);
    else if (await desk.add(next)) await open(next.id);
    return desk.problem;
  }
</script>

<ItemList
  desk={desk as unknown as ItemDesk<ItemKind>}
  view="units"
  none={unitsWords.none}
  add={unitsWords.add}
  open={unit?.id ?? null}
  onopen={(id) => void open(id)}
  about={size}
>
  {#key `${unit?.id ?? ''} ${reads} ${desk.round}`}
    <section aria-label={unit?.name ?? unitsWords.add}>
      {#if unit}
        <ItemHead
          desk={desk as unknown as ItemDesk<ItemKind>}
          item={unit}
          differs={(a, b) => unitDiffers(a as Unit, b as Unit, reads)}
          onopen={(id) => void open(id)}
        />
        <div class="drawn">
          <Paper
            label={itemWords.units.drawing}
            draw={(paper) => unitDrawing(unit, { ...paper, figure: (mm) => formatLength(mm, reads) })}
          />
        </div>
        <UnitSizes {unit} store={desk.store} />
      {:else}<h2>{unitsWords.add}</h2>{/if}
      <UnitEditor {unit} units={reads} mayEdit={desk.mayEdit} onsave={save} />
    </section>
  {/key}
</ItemList>

<style>
  section {
    display: grid;
    gap: var(--gap-3);
    align-content: start;
  }
  .drawn {
    height: 260px;
    max-width: 28rem;
    background: var(--paper);
    border: 1px solid var(--line);
  }
</style>
