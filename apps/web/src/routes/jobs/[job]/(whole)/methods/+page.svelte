<script lang="ts">
  import { goto } from '$app/navigation';
  import { page } from '$app/state';
  import Button from '$lib/ui/Button.svelte';
  import ItemHead from '$lib/features/items/ItemHead.svelte';
  import ItemList from '$lib/features/items/ItemList.svelte';
  import MethodPart from '$lib/features/items/MethodPart.svelte';
  import { ItemDesk, type ItemKind } from '$lib/features/items/item-desk.svelte.ts';
  import { methodDiffers } from '$lib/features/items/differs.ts';
  import { freshId } from '$lib/device/ids.ts';
  import { itemWords } from '$words/items.ts';
  import { presetIds, presetTexts, type MethodDocument, type PresetId } from '@hulvek/core';
  import { untrack } from 'svelte';

  let { data } = $props();
  const desk = untrack(() => new ItemDesk(data.store, 'methods'));
  const reads = $derived(desk.store.reads);
  const asked = $derived(page.url.searchParams.get('id'));
  const method = $derived(asked === 'new' ? null : (asked && desk.find(asked)) || (desk.list[0] ?? null));
  const open = (id: string | null) => {
    desk.hideVersions();
    desk.cancel();
    return goto(`?id=${id ?? 'new'}`, { keepFocus: true, noScroll: true });
  };
  let preset = $state<PresetId>(presetIds[0]);

  async function begin() {
    const made = { id: `method-${freshId()}`, name: presetTexts[preset].name, preset } as MethodDocument;
    if (await desk.add(made)) await open(made.id);
  }
</script>

<ItemList
  desk={desk as unknown as ItemDesk<ItemKind>}
  view="methods"
  none={itemWords.methods.none}
  add={itemWords.methods.add}
  open={method?.id ?? null}
  onopen={(id) => void open(id)}
  about={(id) => presetTexts[desk.find(id)?.preset ?? preset].name}
>
  {#if method}
    {#key `${method.id} ${reads} ${desk.round}`}
      <ItemHead
        desk={desk as unknown as ItemDesk<ItemKind>}
        item={method}
        differs={(a, b) => methodDiffers(a as MethodDocument, b as MethodDocument, reads)}
        onopen={(id) => void open(id)}
      />
      <MethodPart {desk} {method} />
    {/key}
  {:else if desk.mayEdit}
    <label class="school">
      {itemWords.methods.school}
      <select bind:value={preset}>
        {#each presetIds as id (id)}
          <option value={id}>{presetTexts[id].name}</option>
        {/each}
      </select>
    </label>
    <p class="quiet">{presetTexts[preset].summary}</p>
    <p><Button kind="main" onclick={() => void begin()}>{itemWords.methods.add}</Button></p>
  {/if}
</ItemList>

<style>
  .school {
    display: grid;
    gap: var(--gap-1);
    max-width: 30rem;
    font-weight: 600;
  }
</style>
