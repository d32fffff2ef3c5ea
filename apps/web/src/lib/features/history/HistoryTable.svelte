<script module lang="ts">
  import type { HistoryLine } from './history.ts';

  export interface HistoryTableProps {
    lines: readonly HistoryLine[];
  }
</script>

<script lang="ts">
  import { historyWords } from '$words/history.ts';
  import { dateTime } from '$lib/ui/time.ts';

  let { lines }: HistoryTableProps = $props();
  let search = $state('');
  const words = $derived(search.trim().toLowerCase());
  const shown = $derived(
    lines.filter((line) => `${line.what} ${line.person} ${line.more}`.toLowerCase().includes(words)),
  );
</script>

{#if lines.length === 0}
  <p>{historyWords.empty}</p>
{:else}
  <label>{historyWords.search} <input type="search" bind:value={search} /></label>
  <table class="lines">
    <thead>
      <tr>
        <th scope="col">{historyWords.when}</th>
        <th scope="col">{historyWords.who}</th>
        <th scope="col">{historyWords.what}</th>
      </tr>
    </thead>
    <tbody>
      {#each shown as line (line.id)}
        <tr data-undone={line.undone}>
          <td class="figure">{line.at === null ? historyWords.unknownTime : dateTime(line.at)}</td>
          <td>{line.person}</td>
          <td
            >{line.what}{#if line.more}<span class="more">{line.more}</span>{/if}</td
          >
        </tr>
      {:else}
        <tr><td colspan="3">{historyWords.none}</td></tr>
      {/each}
    </tbody>
  </table>
{/if}

<style>
  label {
    display: flex;
    flex-flow: row wrap;
    align-items: center;
    gap: var(--gap-3);
    font-weight: 500;
  }
  input {
    width: 16rem;
  }
  table {
    width: 100%;
  }
  td {
    vertical-align: top;
  }
  td:first-child {
    white-space: nowrap;
    font-size: 0.9rem;
  }
  .more {
    margin-left: var(--gap-3);
    color: var(--ink-soft);
  }
  [data-undone='true'] {
    color: var(--ink-soft);
    text-decoration: line-through;
  }
  @media (max-width: 640px) {
    thead {
      display: none;
    }
    tr {
      display: grid;
      grid-template-columns: auto 1fr;
      padding: 6px 0;
      border-bottom: 1px solid var(--line);
    }
    .lines td {
      padding: 2px var(--gap-3) 2px 0;
      border: 0;
    }
    td:last-child {
      grid-column: 1 / -1;
    }
  }
</style>
