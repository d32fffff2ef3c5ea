<script lang="ts">
  import PageHelp from '$lib/features/shell/PageHelp.svelte';
  import NoOpenings from '$lib/features/shell/NoOpenings.svelte';
  import BehindFacade from '$lib/features/board/BehindFacade.svelte';
  import BoardPanel from '$lib/features/board/BoardPanel.svelte';
  import Facade from '$lib/features/board/Facade.svelte';
  import { boardSteps } from '$lib/features/board/steps.ts';
  import Button from '$lib/ui/Button.svelte';
  import { OpeningsEditor } from '$lib/job/openings.svelte.ts';
  import { boardWords } from '$words/board.ts';
  import { jobWords, saveWords, viewWords } from '$words/shell.ts';
  import { asTyped, formatLength, placed, type Opening, verdictTexts } from '@hulvek/core';
  import { beforeNavigate } from '$app/navigation';
  import { untrack } from 'svelte';
  import { SvelteSet } from 'svelte/reactivity';

  let { data } = $props();
  const store = $derived(data.store);
  const editor = untrack(() => new OpeningsEditor(data.store));
  const selected = new SvelteSet<string>();
  let search = $state('');
  let verdict = $state('');
  const units = $derived(store.reads);
  const figure = $derived((mm: number) => formatLength(mm, units));
  const mayMove = $derived(store.pack.rights.includes('plan'));

  const plans = $derived(store.plans);
  const rows = $derived(new Map(store.rows.map((row) => [row.id, row])));
  const places = $derived(
    plans.flatMap((plan) => {
      const place = placed(plan);
      const row = rows.get(plan.opening.id);
      return place && row ? [{ ...place, row }] : [];
    }),
  );
  const facades = $derived([...new Set(places.map((p) => p.facade))].sort());
  const widest_mm = $derived(Math.max(3000, ...places.map((p) => p.left + p.width)));
  const meetings = $derived(store.collisions);
  const nowhere = $derived(store.rows.filter((row) => !places.some((p) => p.id === row.id)));
  const words = $derived(search.trim().toLowerCase());
  const shown = $derived(
    new Set(
      store.rows
        .filter((r) => `${r.mark} ${r.name} ${r.facade} ${r.size ?? ''}`.toLowerCase().includes(words))
        .filter((r) => verdict === '' || r.judgement?.grade === verdict)
        .map((r) => r.id),
    ),
  );

  beforeNavigate(() => void editor.flush());

  function select(id: string, add: boolean) {
    if (!add) {
      selected.clear();
      selected.add(id);
    } else if (!selected.delete(id)) selected.add(id);
  }

  const written = (mm: number) => asTyped(mm, units);

  function move(id: string, by: { u: number; v: number }) {
    const together = selected.has(id) ? [...selected] : [id];
    editor.change(together, (opening): Opening => {
      const { u, v } = opening.position ?? { u: written(0), v: written(0) };
      return { ...opening, position: { u: written(u.mm + by.u), v: written(v.mm + by.v) } };
    });
  }

  /** Sets openings without a place beside each other at the end of their façade. */
  function layOut() {
    const next = new Map<string, number>();
    for (const p of places) next.set(p.facade, Math.max(next.get(p.facade) ?? 0, p.left + p.width));
    for (const row of nowhere) {
      const left = (next.get(row.facade) ?? 0) + 800;
      next.set(row.facade, left + 1200);
      editor.change([row.id], (o) => ({ ...o, position: { u: written(left), v: written(900) } }));
    }
  }

  function keydown(event: KeyboardEvent) {
    if (event.target instanceof HTMLInputElement || !(event.ctrlKey || event.metaKey)) return;
    const key = event.key.toLowerCase();
    if (key === 'z') {
      event.preventDefault();
      if (event.shiftKey) editor.redo();
      else editor.undo();
    } else if (key === 'a') {
      event.preventDefault();
      for (const id of shown) selected.add(id);
    }
  }
</script>

<svelte:window onkeydown={keydown} />

<main>
  <div class="head">
    <h1>{viewWords.board}</h1>
    <PageHelp of={{ view: 'board' }} />
    <label
      >{jobWords.search} <input type="search" placeholder={jobWords.searchHint} bind:value={search} /></label
    >
    <label>
      {boardWords.verdict}
      <select bind:value={verdict}>
        <option value="">{boardWords.all}</option>
        {#each Object.entries(verdictTexts) as [value, word] (value)}<option {value}>{word}</option>{/each}
      </select>
    </label>
    <Button
      onclick={() => {
        for (const id of shown) selected.add(id);
      }}>{boardWords.selectShown(shown.size)}</Button
    >
    <Button kind="quiet" disabled={selected.size === 0} onclick={() => selected.clear()}
      >{boardWords.selectNone}</Button
    >
    <Button kind="quiet" disabled={!editor.canUndo} onclick={() => editor.undo()}>{saveWords.undo}</Button>
    <Button kind="quiet" disabled={!editor.canRedo} onclick={() => editor.redo()}>{saveWords.redo}</Button>
  </div>
  <div class="board">
    <div class="facades">
      {#each facades as facade (facade)}
        <Facade
          name={facade}
          {widest_mm}
          outline={store.context.job.outlines?.find((one) => one.facade === facade) ?? null}
          openings={places.filter((p) => p.facade === facade)}
          collisions={meetings.filter((c) =>
            places.some((p) => p.id === c.openings[0] && p.facade === facade),
          )}
          {selected}
          {shown}
          {mayMove}
          {figure}
          steps={boardSteps[units]}
          onselect={select}
          onmove={move}
        />
      {/each}
      {#if store.pack.rights.includes('settings')}
        <div class="behind">
          {#each facades.filter((name) => name !== '') as facade (facade)}
            <BehindFacade {store} {editor} {facade} />
          {/each}
        </div>
      {/if}
      {#if nowhere.length > 0}
        <section class="nowhere">
          <p>{boardWords.nowhere(nowhere.map((row) => row.mark).join(', '))}</p>
          {#if mayMove}<Button onclick={layOut}>{boardWords.layOut}</Button>{/if}
        </section>
      {/if}
      {#if store.rows.length === 0}<NoOpenings {store} />{/if}
    </div>
    <BoardPanel {store} {editor} selected={[...selected]} {meetings} />
  </div>
</main>

<style>
  main {
    display: grid;
    gap: var(--gap-3);
    padding: var(--gap-3) var(--gap-4);
  }
  .head label {
    display: flex;
    align-items: center;
    gap: var(--gap-2);
    font-weight: 500;
  }
  .head input {
    width: 11rem;
  }
  .head select {
    width: 10rem;
  }
  .board {
    display: grid;
    grid-template-columns: minmax(0, 1fr) 320px;
    gap: var(--gap-5);
  }
  .facades {
    display: grid;
    grid-template-columns: repeat(auto-fit, minmax(min(100%, 26rem), 1fr));
    gap: var(--gap-5);
    align-content: start;
  }
  .behind {
    grid-column: 1 / -1;
  }
  .nowhere {
    display: flex;
    flex-flow: row wrap;
    align-items: center;
    gap: var(--gap-3);
    grid-column: 1 / -1;
  }
  @media (max-width: 900px) {
    .board {
      grid-template-columns: minmax(0, 1fr);
    }
  }
</style>
