<script module lang="ts">
  import type { JobStore } from '$lib/job/job.svelte.ts';
  import type { OpeningsSet } from '$lib/job/openings-set.svelte.ts';

  export interface OpeningsTableProps {
    store: JobStore;
    set: OpeningsSet;
  }
</script>

<script lang="ts">
  import Button from '$lib/ui/Button.svelte';
  import LongRows from '$lib/ui/LongRows.svelte';
  import JudgementMark from '$lib/ui/JudgementMark.svelte';
  import ProgressBar from '$lib/ui/ProgressBar.svelte';
  import { fitWord } from '$words/fit.ts';
  import { changeWords } from '$words/openings.ts';
  import { jobWords } from '$words/shell.ts';
  import { SvelteSet } from 'svelte/reactivity';
  import ChosenBar from './ChosenBar.svelte';

  let { store, set }: OpeningsTableProps = $props();
  const job = $derived(store.context.job);
  const mayEdit = $derived(store.pack.rights.includes('plan'));
  let search = $state('');
  const words = $derived(search.trim().toLowerCase());
  const rows = $derived(
    store.rows.filter((r) => `${r.mark} ${r.name} ${r.facade}`.toLowerCase().includes(words)),
  );
  const picked = new SvelteSet<string>();
  const chosen = $derived(store.rows.filter(({ id }) => picked.has(id)).map(({ id }) => id));
  const columns = jobWords.columns;

  /** The row that is renamed, and what is typed for it. */
  let renamed = $state.raw<string | null>(null);
  let mark = $state('');
  let name = $state('');

  function rename(row: { id: string; mark: string; name: string }) {
    renamed = row.id;
    ({ mark, name } = row);
  }

  async function keepName(event: SubmitEvent) {
    event.preventDefault();
    const id = renamed;
    const next = { mark: mark.trim(), name: name.trim() };
    if (id === null || next.mark === '') return;
    const done = await set.change([id], (document) =>
      document.mark === next.mark && document.name === next.name ? document : { ...document, ...next },
    );
    if (done) renamed = null;
  }

  function chooseAll(event: Event & { currentTarget: HTMLInputElement }) {
    const { checked } = event.currentTarget;
    for (const { id } of rows)
      if (checked) picked.add(id);
      else picked.delete(id);
  }
</script>

<div class="find">
  <label for="search">{jobWords.search}</label>
  <input id="search" type="search" placeholder={jobWords.searchHint} bind:value={search} />
  <p>{jobWords.scope}</p>
</div>
{#if mayEdit && chosen.length > 0}<ChosenBar {store} {set} {chosen} onclear={() => picked.clear()} />{/if}
<div class="scroll">
  <table aria-rowcount={rows.length + 1}>
    <caption class="visually-hidden">{jobWords.openings}</caption>
    <thead>
      <tr>
        {#if mayEdit}
          <th scope="col" class="tick"
            ><input
              type="checkbox"
              aria-label={changeWords.all}
              checked={rows.length > 0 && rows.every(({ id }) => picked.has(id))}
              onchange={chooseAll}
            /></th
          >
        {/if}
        {#each Object.values(columns) as column (column)}<th scope="col">{column}</th>{/each}
        {#if mayEdit}<th scope="col"><span class="visually-hidden">{changeWords.edit}</span></th>{/if}
      </tr>
    </thead>
    <LongRows items={rows} key={({ id }) => id} columns={9}>
      {#snippet row(row, _, more)}
        <tr {...more}>
          {#if mayEdit}
            <td class="tick"
              ><input
                type="checkbox"
                aria-label="{changeWords.choose} {row.mark}"
                checked={picked.has(row.id)}
                onchange={(event) =>
                  event.currentTarget.checked ? picked.add(row.id) : picked.delete(row.id)}
              /></td
            >
          {/if}
          {#if renamed === row.id}
            <td colspan="2">
              <form class="rename" onsubmit={keepName}>
                <label>{changeWords.mark}<input bind:value={mark} maxlength="16" required /></label>
                <label>{changeWords.name}<input bind:value={name} maxlength="120" /></label>
                <Button kind="main" type="submit" disabled={set.busy}>{changeWords.save}</Button>
                <Button onclick={() => (renamed = null)}>{changeWords.cancel}</Button>
              </form>
            </td>
          {:else}
            <th scope="row"><a href="/jobs/{job.id}/{row.id}/measure">{row.mark}</a></th>
            <td class="name"><span title={row.name}>{row.name}</span></td>
          {/if}
          <td class="verdict">
            <JudgementMark judgement={row.judgement} word />
            {#if row.fit}<span class="fit">{fitWord(row.fit, row.measured)}</span>{/if}
          </td>
          <td>
            {#if row.done === null}
              <span class="quiet">{jobWords.notStarted}</span>
            {:else}
              <a class="done" href="/jobs/{job.id}/{row.id}/install"
                ><ProgressBar share={row.done} label={row.mark} />{#if row.looksDue > 0}<span class="due"
                    >{jobWords.looksDue(row.looksDue)}</span
                  >{/if}</a
              >
            {/if}
          </td>
          <td class="figure">{row.size ?? jobWords.noUnit}</td>
          <td>{row.facade}</td>
          <td class="name"><span title={row.method ?? ''}>{row.method ?? ''}</span></td>
          {#if mayEdit}
            <td
              ><div class="acts">
                <button type="button" class="as-link" onclick={() => rename(row)}
                  >{changeWords.edit}<span class="visually-hidden">, {row.mark}</span></button
                >
                <a href="/jobs/{job.id}/add?way=copies&of={row.id}"
                  >{changeWords.duplicate}<span class="visually-hidden">, {row.mark}</span></a
                >
              </div></td
            >
          {/if}
        </tr>
      {/snippet}
    </LongRows>
  </table>
  {#if rows.length === 0}<p class="none">{jobWords.none}</p>{/if}
</div>

<style>
  .find {
    display: flex;
    flex-flow: row wrap;
    align-items: center;
    gap: var(--gap-3);
  }
  .find input {
    width: 16rem;
  }
  .find label {
    font-weight: 500;
  }
  .find p,
  .quiet {
    color: var(--ink-soft);
  }
  .scroll {
    position: relative;
    overflow-x: auto;
  }
  table {
    width: 100%;
    border-collapse: collapse;
  }
  th,
  td {
    padding: 9px var(--gap-3) 9px 0;
    border-bottom: 1px solid var(--line);
    text-align: left;
    white-space: nowrap;
  }
  thead th {
    border-bottom: 2px solid var(--ink);
    font-size: 0.9rem;
  }
  .none {
    padding: 9px 0;
  }
  .tick {
    width: 2.75rem;
    padding: 0;
  }
  .tick input {
    width: 1.25rem;
    height: 1.25rem;
    margin: 0.75rem;
  }
  th[scope='row'] a {
    display: inline-block;
    min-width: 3.5rem;
    font-size: 1.05rem;
    font-weight: 700;
  }
  /* A long name takes two lines; the whole of it is told when it is pointed at, and on the opening's own page. */
  .name span {
    display: -webkit-box;
    max-width: 18rem;
    white-space: normal;
    overflow: hidden;
    overflow-wrap: anywhere;
    -webkit-box-orient: vertical;
    -webkit-line-clamp: 2;
    line-clamp: 2;
  }
  .acts {
    display: flex;
    gap: var(--gap-3);
    align-items: center;
    min-height: var(--touch);
  }
  .rename {
    display: flex;
    flex-flow: row wrap;
    align-items: end;
    gap: var(--gap-2);
  }
  .rename label {
    display: grid;
    font-size: 0.9rem;
  }
  .rename label:first-child input {
    width: 6rem;
  }
  .verdict {
    white-space: normal;
    min-width: 13rem;
  }
  .fit {
    display: block;
    font-size: 0.9rem;
    color: var(--ink-soft);
  }
  .due {
    display: block;
    font-size: 0.85rem;
  }
  .done {
    text-decoration: none;
    color: inherit;
  }
  @media (max-width: 700px) {
    /* Both words of a verdict stand on the narrow page. */
    .verdict {
      white-space: normal;
      max-width: 10rem;
    }
  }
</style>
