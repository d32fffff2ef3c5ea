<script lang="ts">
  import JobPage from '$lib/features/shell/JobPage.svelte';
  import MaterialForm from '$lib/features/shelf/MaterialForm.svelte';
  import Button from '$lib/ui/Button.svelte';
  import { ShelfDesk } from '$lib/features/shelf/shelf.svelte.ts';
  import { dateTime } from '$lib/ui/time.ts';
  import { saveWords } from '$words/shell.ts';
  import { shelfWords } from '$words/shelf.ts';
  import { shelfKinds, type Material, type ShelfItem, type ShelfKind } from '@hulvek/core';
  import { onMount, untrack } from 'svelte';

  let { data } = $props();
  const shelf = untrack(() => new ShelfDesk(data.store));
  let kind = $state<ShelfKind>('methods');
  let find = $state('');
  let opened = $state<string | null>(null);
  const match = (name: string) => name.toLowerCase().includes(find.trim().toLowerCase());
  const copies = $derived(shelf.copies.filter((c) => c.kind === kind && match(c.document.name)));
  const offered = $derived(shelf.offered.filter((i) => i.kind === kind && match(i.document.name)));
  const newer = $derived(shelf.copies.filter((c) => c.newer).length);
  const shown = (value: unknown): string =>
    value === undefined
      ? saveWords.none
      : typeof value === 'object' && value !== null && 'typed' in value
        ? String(value.typed)
        : typeof value === 'object'
          ? JSON.stringify(value)
          : String(value);

  let email = $state('');
  async function addKeeper(event: SubmitEvent) {
    event.preventDefault();
    await shelf.makeKeeper(email);
    if (!shelf.problem) email = '';
  }

  onMount(() => void shelf.load());
</script>

<JobPage view="shelf" lead={`${shelfWords.lead} ${newer > 0 ? shelfWords.newer(newer) : ''}`}>
  <div class="bar">
    <div class="switch" role="group" aria-label={shelfWords.kind}>
      {#each shelfKinds as name (name)}
        <button type="button" aria-pressed={kind === name} onclick={() => ((kind = name), (opened = null))}
          >{shelfWords.kinds[name]}</button
        >
      {/each}
    </div>
    <label
      >{shelfWords.find}
      <input type="search" bind:value={find} />
    </label>
  </div>
  {#if shelf.said}<p role="status">{shelf.said}</p>{/if}
  {#if shelf.problem}<p class="problem" role="alert">{shelf.problem}</p>{/if}
  <div class="two">
    <section aria-labelledby="shelf-job">
      <h2 id="shelf-job">{shelfWords.inJob}</h2>
      <ul>
        {#each copies as copy (copy.document.id)}
          {@const { document, item } = copy}
          <li>
            <div class="line">
              <b>{document.name}</b>
              <span class="quiet"
                >{document.origin
                  ? shelfWords.from(document.origin.version, item?.version ?? document.origin.version)
                  : shelfWords.own}</span
              >
              {#if item}{@render historyOf(item)}{/if}
            </div>
            {#if shelf.mayEdit}
              <div class="buttons">
                {#if kind === 'materials'}
                  <Button
                    aria-expanded={opened === document.id}
                    onclick={() => (opened = opened === document.id ? null : document.id)}
                    >{shelfWords.edit}</Button
                  >
                {:else}
                  <a href="/jobs/{data.store.id}/{kind}?id={document.id}">{shelfWords.edit}</a>
                {/if}
                <Button onclick={() => void shelf.duplicate(copy)}>{shelfWords.duplicate}</Button>
                {#if shelf.mayKeep}
                  <Button onclick={() => void shelf.keep(copy)}
                    >{shelfWords.keep((item?.version ?? 0) + 1)}</Button
                  >
                {/if}
              </div>
            {/if}
            {#if copy.newer}
              <div class="offer">
                <p>{shelfWords.offer(item?.version ?? 0)}</p>
                <ul>
                  {#each copy.changes as { path, before, after } (path)}
                    <li><code>{path}</code>: {shown(before)} → {shown(after)}</li>
                  {:else}<li>{shelfWords.nothing}</li>{/each}
                </ul>
                {#if shelf.mayEdit}
                  <Button onclick={() => void shelf.update(copy)}>{shelfWords.update}</Button>
                {/if}
              </div>
            {/if}
            {#if opened === document.id && kind === 'materials'}
              <MaterialForm
                material={document as Material}
                units={data.store.reads}
                onsave={(next) => shelf.change('materials', document, next)}
              />
            {/if}
          </li>
        {:else}<li class="quiet">{find ? shelfWords.noneFound : shelfWords.noneHere}</li>{/each}
      </ul>
    </section>
    <section aria-labelledby="shelf-all">
      <h2 id="shelf-all">{shelfWords.onShelf}</h2>
      <ul>
        {#each offered as item (item.id)}
          <li>
            <div class="line">
              <b>{item.document.name}</b><span class="quiet">{shelfWords.version(item.version)}</span>
              {@render historyOf(item)}
            </div>
            {#if shelf.mayEdit}
              <div class="buttons">
                <Button onclick={() => void shelf.take(item)}
                  >{shelfWords.take}<span class="visually-hidden">, {item.document.name}</span></Button
                >
              </div>
            {/if}
          </li>
        {:else}
          <li class="quiet">
            {shelf.items === null && !shelf.problem ? shelfWords.loading : shelfWords.noneLeft}
          </li>
        {/each}
      </ul>
    </section>
  </div>
  {#if shelf.items !== null}
    <p class="quiet">
      {shelf.keepers.length > 0 ? shelfWords.keepers(shelf.keepers.join(', ')) : shelfWords.noKeepers}
    </p>
  {/if}
  {#if shelf.mayKeep}
    <form class="bar" onsubmit={addKeeper}>
      <label>{shelfWords.keeperEmail} <input type="email" bind:value={email} required /></label>
      <Button type="submit">{shelfWords.makeKeeper}</Button>
    </form>
  {/if}
</JobPage>

{#snippet historyOf(item: ShelfItem)}
  {@const own = shelf.history.filter((one) => one.kind === item.kind && one.id === item.id)}
  <button
    type="button"
    class="as-link"
    aria-expanded={own.length > 0}
    onclick={() => void shelf.showHistory(item)}
    >{shelfWords.history}<span class="visually-hidden">, {item.document.name}</span></button
  >
  {#if own.length > 0}
    <ul class="history">
      {#each own as one (one.version)}
        <li class="quiet">
          {shelfWords.historyLine(one.version, one.account ? one.person : shelfWords.stock, dateTime(one.at))}
        </li>
      {/each}
    </ul>
  {/if}
{/snippet}

<style>
  .history {
    width: 100%;
  }
  .history li {
    padding: 0;
    border: 0;
  }
  .bar,
  .buttons,
  .line {
    display: flex;
    flex-flow: row wrap;
    align-items: center;
    gap: 6px var(--gap-3);
  }
  .bar {
    justify-content: space-between;
  }
  .bar label {
    display: flex;
    align-items: center;
    gap: var(--gap-2);
  }
  .two {
    display: grid;
    grid-template-columns: minmax(0, 3fr) minmax(0, 2fr);
    gap: var(--gap-5);
  }
  section > ul > li {
    display: grid;
    gap: 6px;
    padding: var(--gap-2) 0;
    border-bottom: 1px solid var(--sand-deep);
  }
  .offer {
    padding: var(--gap-2) var(--gap-3);
    border-left: 4px solid var(--watch);
  }
  code {
    font-family: var(--mono);
    font-size: 0.9rem;
  }
  @media (max-width: 800px) {
    .two {
      grid-template-columns: 1fr;
    }
  }
</style>
