<script lang="ts">
  import { goto } from '$app/navigation';
  import { page } from '$app/state';
  import ItemHead from '$lib/features/items/ItemHead.svelte';
  import ItemList from '$lib/features/items/ItemList.svelte';
  import WallForm from '$lib/features/items/WallForm.svelte';
  import { ItemDesk, type ItemKind } from '$lib/features/items/item-desk.svelte.ts';
  import { wallDiffers } from '$lib/features/items/differs.ts';
  import { itemWords } from '$words/items.ts';
  import { formatLength, type Wall } from '@hulvek/core';
  import { untrack } from 'svelte';

  let { data } = $props();
  const desk = untrack(() => new ItemDesk(data.store, 'walls'));
  const reads = $derived(desk.store.reads);
  const asked = $derived(page.url.searchParams.get('id'));
  const wall = $derived(asked === 'new' ? null : (asked && desk.find(asked)) || (desk.list[0] ?? null));
  const open = (id: string | null) => {
    desk.hideVersions();
    desk.cancel();
    return goto(`?id=${id ?? 'new'}`, { keepFocus: true, noScroll: true });
  };
  const depth = (id: string): string => {
    const layers = desk.find(id)?.layers ?? [];
    return itemWords.walls.total(
      formatLength(
        layers.reduce((sum, { thickness }) => sum + thickness.mm, 0),
        reads,
      ),
    );
  };
</script>

<ItemList
  desk={desk as unknown as ItemDesk<ItemKind>}
  view="walls"
  none={itemWords.walls.none}
  add={itemWords.walls.add}
  open={wall?.id ?? null}
  onopen={(id) => void open(id)}
  about={depth}
>
  {#key `${wall?.id ?? ''} ${reads} ${desk.round}`}
    {#if wall}
      <ItemHead
        desk={desk as unknown as ItemDesk<ItemKind>}
        item={wall}
        differs={(a, b) => wallDiffers(a as Wall, b as Wall, reads)}
        onopen={(id) => void open(id)}
      />
    {/if}
    {#if wall || desk.mayEdit}<WallForm {desk} {wall} onadded={(id) => void open(id)} />{/if}
  {/key}
</ItemList>
