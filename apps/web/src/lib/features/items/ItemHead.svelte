<script module lang="ts">
  import type { ItemDesk, ItemKind, ItemOf } from './item-desk.svelte.ts';

  export interface ItemHeadProps {
    desk: ItemDesk<ItemKind>;
    item: ItemOf[ItemKind];
    /** What differs between two of them, a line each. */
    differs: (
      a: ItemOf[ItemKind],
      b: ItemOf[ItemKind],
    ) => readonly (readonly [what: string, was: string, is: string])[];
    onopen: (id: string | null) => void;
  }
</script>

<script lang="ts">
  import Button from '$lib/ui/Button.svelte';
  import { dateTime } from '$lib/ui/time.ts';
  import { itemWords } from '$words/items.ts';
  import { shelfWords } from '$words/shelf.ts';
  import { untrack } from 'svelte';

  let { desk, item, differs, onopen }: ItemHeadProps = $props();
  const id = $props.id();
  let name = $state(untrack(() => item.name));
  const used = $derived(desk.usedBy(item.id));
  const pending = $derived(desk.pending?.was.id === item.id ? desk.pending : null);

  async function rename() {
    const next = name.trim();
    if (next === '' || next === item.name) name = item.name;
    else await desk.propose(item, { ...item, name: next });
  }

  async function duplicate() {
    const copy = await desk.duplicate(item);
    if (copy) onopen(copy);
  }

  async function remove() {
    if (await desk.remove(item)) onopen(desk.list[0]?.id ?? null);
  }
</script>

<header>
  <h2 class="visually-hidden">{item.name}</h2>
  <div class="name">
    <label for="{id}-name">{itemWords.rename}</label>
    <input
      id="{id}-name"
      maxlength="120"
      disabled={!desk.mayEdit}
      bind:value={name}
      onchange={() => void rename()}
    />
    {#if item.origin}<span class="quiet">{itemWords.from(item.origin.version)}</span>{/if}
  </div>
  <p class="used">
    {#if used.length === 0}{itemWords.usedByNone}{:else}
      {itemWords.usedBy}
      {#each used as { id: opening, mark } (opening)}
        <a href="/jobs/{desk.store.id}/{opening}">{mark}</a>
      {/each}
    {/if}
  </p>
  <div class="buttons">
    {#if desk.mayEdit}
      <Button onclick={() => void duplicate()}>{itemWords.duplicate}</Button>
      {#if used.length === 0}<Button onclick={() => void remove()}>{itemWords.remove}</Button>{/if}
    {/if}
    <Button
      kind="quiet"
      aria-expanded={desk.versions.length > 0}
      onclick={() => (desk.versions.length > 0 ? desk.hideVersions() : void desk.showVersions(item.id))}
      >{itemWords.versions}</Button
    >
  </div>
  {#if desk.versions.length > 0}
    <ol class="versions" reversed>
      {#each desk.versions as { version, document, person, at } (version)}
        <li>
          {itemWords.version(version, person, dateTime(at))}
          {#if document === null}<b>{itemWords.gone}</b>
          {:else}
            {@const changes = differs(item, document as ItemOf[ItemKind])}
            {#if changes.length > 0}
              <ul>
                {#each changes as [what, , is] (what)}<li>{what}: {is || shelfWords.yesNo.unknown}</li>{/each}
              </ul>
              {#if desk.mayEdit}
                <Button
                  kind="quiet"
                  onclick={() => void desk.propose(item, { ...document, id: item.id } as ItemOf[ItemKind])}
                  >{itemWords.takeBack}</Button
                >
              {/if}
            {/if}
          {/if}
        </li>
      {/each}
    </ol>
  {/if}
  {#if pending}
    {@const { effect } = pending}
    <div class="pending" role="group" aria-label={itemWords.confirm} data-testid="item-effect">
      <table>
        <thead>
          <tr><td></td><th scope="col">{itemWords.was}</th><th scope="col">{itemWords.is}</th></tr>
        </thead>
        <tbody>
          {#each differs(pending.was, pending.next) as [what, was, is] (what)}
            <tr><th scope="row">{what}</th><td>{was}</td><td>{is}</td></tr>
          {/each}
        </tbody>
      </table>
      <p><b>{itemWords.would(effect.openings.length)}</b> {effect.openings.join(', ')}</p>
      <p role="status">
        {effect.looked < effect.openings.length
          ? itemWords.looking(effect.looked, effect.openings.length)
          : effect.verdicts.length === 0
            ? itemWords.wouldNot
            : itemWords.wouldChange(effect.verdicts.length)}
      </p>
      {#if effect.verdicts.length > 0}
        <ul>
          {#each effect.verdicts as { mark, before, after } (mark)}
            <li><b>{mark}</b> {before} → {after}</li>
          {/each}
        </ul>
      {/if}
      <p class="quiet">{itemWords.frozen}</p>
      <div class="buttons">
        <Button kind="main" onclick={() => void desk.confirm()}>{itemWords.confirm}</Button>
        <Button onclick={() => desk.cancel()}>{itemWords.cancel}</Button>
      </div>
    </div>
  {/if}
</header>

<style>
  header {
    display: grid;
    gap: var(--gap-2);
  }
  .name {
    display: flex;
    flex-flow: row wrap;
    align-items: center;
    gap: var(--gap-2) var(--gap-3);
  }
  .name label {
    font-weight: 600;
  }
  .name input {
    flex: 1 1 16rem;
    max-width: 32rem;
    font-weight: 700;
    font-size: 1.1rem;
  }
  .used {
    display: flex;
    flex-flow: row wrap;
    gap: 2px var(--gap-2);
  }
  .buttons {
    display: flex;
    flex-flow: row wrap;
    gap: var(--gap-2);
  }
  .versions {
    display: grid;
    gap: var(--gap-2);
    padding-left: 0;
    list-style: none;
  }
  .versions > li {
    padding: var(--gap-2) var(--gap-3);
    border-left: 4px solid var(--line);
  }
  .pending {
    display: grid;
    gap: var(--gap-2);
    padding: var(--gap-3);
    border: 2px solid var(--watch);
    border-radius: var(--radius);
    background: var(--paper);
  }
  table {
    border-collapse: collapse;
  }
  th,
  td {
    padding: 2px var(--gap-3) 2px 0;
    text-align: left;
    vertical-align: top;
    font-weight: inherit;
  }
  tbody th {
    font-weight: 600;
  }
  thead th {
    color: var(--ink-soft);
    font-size: 0.9rem;
  }
</style>
