<script lang="ts">
  import JobTabs from '$lib/components/stage/JobTabs.svelte';
  import MaterialForm from '$lib/components/stage/MaterialForm.svelte';
  import MethodForm from '$lib/components/stage/MethodForm.svelte';
  import Button from '$lib/components/ui/Button.svelte';
  import { ShelfDesk } from '$lib/state/shelf.svelte.ts';
  import { text } from '$lib/texts/en.ts';
  import { shelfKinds, type Material, type MethodDocument, type ShelfKind } from '@hulvek/core';
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
      ? text.save.none
      : typeof value === 'object' && value !== null && 'typed' in value
        ? String(value.typed)
        : typeof value === 'object'
          ? JSON.stringify(value)
          : String(value);

  onMount(() => void shelf.load());
</script>

<JobTabs store={data.store} />
<main>
  <h1>{text.shelf.title}</h1>
  <p class="lead">{text.shelf.lead} {newer > 0 ? text.shelf.newer(newer) : ''}</p>
  <div class="bar">
    <div class="switch" role="group" aria-label={text.shelf.kind}>
      {#each shelfKinds as name (name)}
        <button type="button" aria-pressed={kind === name} onclick={() => ((kind = name), (opened = null))}
          >{text.shelf.kinds[name]}</button
        >
      {/each}
    </div>
    <label
      >{text.shelf.find}
      <input type="search" bind:value={find} />
    </label>
  </div>
  {#if shelf.problem}<p class="problem" role="alert">{shelf.problem}</p>{/if}
  <div class="two">
    <section aria-labelledby="shelf-job">
      <h2 id="shelf-job">{text.shelf.inJob}</h2>
      <ul>
        {#each copies as copy (copy.document.id)}
          {@const { document, item } = copy}
          <li>
            <div class="line">
              <b>{document.name}</b>
              <span class="quiet"
                >{document.origin
                  ? text.shelf.from(document.origin.version, item?.version ?? document.origin.version)
                  : text.shelf.own}</span
              >
            </div>
            {#if shelf.mayEdit}
              <div class="buttons">
                {#if kind === 'methods' || kind === 'materials'}
                  <Button
                    aria-expanded={opened === document.id}
                    onclick={() => (opened = opened === document.id ? null : document.id)}
                    >{text.shelf.edit}</Button
                  >
                {:else}
                  <a href="/jobs/{data.store.id}/{kind === 'units' ? 'units' : 'sizes'}">{text.shelf.edit}</a>
                {/if}
                <Button onclick={() => void shelf.duplicate(copy)}>{text.shelf.duplicate}</Button>
                <Button onclick={() => void shelf.keep(copy)}
                  >{text.shelf.keep((item?.version ?? 0) + 1)}</Button
                >
              </div>
            {/if}
            {#if copy.newer}
              <div class="offer">
                <p>{text.shelf.offer(item?.version ?? 0)}</p>
                <ul>
                  {#each copy.changes as { path, before, after } (path)}
                    <li><code>{path}</code>: {shown(before)} → {shown(after)}</li>
                  {:else}<li>{text.shelf.nothing}</li>{/each}
                </ul>
                {#if shelf.mayEdit}
                  <Button onclick={() => void shelf.update(copy)}>{text.shelf.update}</Button>
                {/if}
              </div>
            {/if}
            {#if opened === document.id && kind === 'methods'}
              <MethodForm
                method={document as MethodDocument}
                used={data.store.plans.filter((p) => p.method?.id === document.id).map((p) => p.opening.mark)}
                onsave={(next) => shelf.change('methods', document, next)}
              />
            {:else if opened === document.id && kind === 'materials'}
              <MaterialForm
                material={document as Material}
                units={data.store.context.job.units}
                onsave={(next) => shelf.change('materials', document, next)}
              />
            {/if}
          </li>
        {:else}<li class="quiet">{find ? text.shelf.noneFound : text.shelf.noneHere}</li>{/each}
      </ul>
    </section>
    <section aria-labelledby="shelf-all">
      <h2 id="shelf-all">{text.shelf.onShelf}</h2>
      <ul>
        {#each offered as item (item.id)}
          <li>
            <div class="line">
              <b>{item.document.name}</b><span class="quiet">{text.shelf.version(item.version)}</span>
            </div>
            {#if shelf.mayEdit}
              <div class="buttons">
                <Button onclick={() => void shelf.take(item)}
                  >{text.shelf.take}<span class="visually-hidden">, {item.document.name}</span></Button
                >
              </div>
            {/if}
          </li>
        {:else}
          <li class="quiet">
            {shelf.items === null && !shelf.problem ? text.shelf.loading : text.shelf.noneLeft}
          </li>
        {/each}
      </ul>
    </section>
  </div>
</main>

<style>
  main {
    display: grid;
    gap: var(--gap-3);
    padding: var(--gap-3) var(--gap-4);
  }
  .lead {
    color: var(--ink-soft);
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
