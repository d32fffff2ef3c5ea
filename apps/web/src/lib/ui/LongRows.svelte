<!-- The rows of a table, of which only those near what is seen stand in the page where there are very many. -->
<script module lang="ts">
  import type { Snippet } from 'svelte';
  import type { HTMLAttributes } from 'svelte/elements';

  export interface LongRowsProps<Item> {
    items: readonly Item[];
    key: (item: Item) => string;
    columns: number;
    /** As high as most rows are, px. */
    row_px?: number;
    /** One `<tr>`; the attributes go on it. */
    row: Snippet<[Item, number, HTMLAttributes<HTMLTableRowElement>]>;
  }
</script>

<script lang="ts" generics="Item">
  import { createAttachmentKey } from 'svelte/attachments';
  import { Windowed } from './windowed.svelte.ts';
  import { untrack } from 'svelte';

  let { items, key, columns, row_px = 62, row }: LongRowsProps<Item> = $props();
  const rows = new Windowed({ count: () => items.length, row_px: untrack(() => row_px) });
  const measured = { [createAttachmentKey()]: rows.measured };
</script>

<tbody {@attach rows.follow}>
  {#if rows.isWhole}
    {#each items as item, i (key(item))}{@render row(item, i, {})}{/each}
  {:else}
    {#each rows.indices as i (items[i] === undefined ? i : key(items[i]))}
      {@const item = items[i]}
      {#if item !== undefined}
        {#if rows.before(i) > 0}<tr class="left-out" aria-hidden="true"
            ><td colspan={columns} style:height="{rows.before(i)}px"></td></tr
          >{/if}
        {@render row(item, i, { 'data-index': i, 'aria-rowindex': i + 2, ...measured })}
      {/if}
    {/each}
    {#if rows.after > 0}<tr class="left-out" aria-hidden="true"
        ><td colspan={columns} style:height="{rows.after}px"></td></tr
      >{/if}
  {/if}
</tbody>

<style>
  .left-out td {
    padding: 0;
    border: 0;
  }
</style>
