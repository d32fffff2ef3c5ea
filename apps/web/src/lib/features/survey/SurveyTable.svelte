<script module lang="ts">
  import type { SurveyGrid } from './survey-grid.svelte.ts';

  export interface SurveyTableProps {
    grid: SurveyGrid;
    mayEdit: boolean;
  }
</script>

<script lang="ts">
  import LongRows from '$lib/ui/LongRows.svelte';
  import JudgementMark from '$lib/ui/JudgementMark.svelte';
  import { gridPoints } from './survey-grid.svelte.ts';
  import { tableWords } from '$words/survey.ts';
  import { saveWords, viewWords } from '$words/shell.ts';
  import { pointTexts } from '@hulvek/core';
  import { tick } from 'svelte';

  let { grid, mayEdit }: SurveyTableProps = $props();
  let table: HTMLTableElement | undefined = $state();
  const rows = $derived(new Map(grid.store.rows.map((row) => [row.id, row])));

  async function focusCell() {
    await tick();
    table?.querySelector<HTMLInputElement>('input')?.focus();
  }

  function keydown(event: KeyboardEvent) {
    const typing = grid.draft !== null;
    const moves: Record<string, readonly [number, number]> = {
      Enter: event.shiftKey ? [-1, 0] : [1, 0],
      ArrowDown: [1, 0],
      ArrowUp: [-1, 0],
      ...(typing ? {} : { ArrowLeft: [0, -1] as const, ArrowRight: [0, 1] as const }),
    };
    const move = moves[event.key];
    if (move) {
      event.preventDefault();
      grid.go(...move);
      void focusCell();
    } else if (event.key === 'Escape' && typing) {
      event.preventDefault();
      grid.cancel();
    } else if ((event.ctrlKey || event.metaKey) && event.key.toLowerCase() === 'z' && !typing) {
      event.preventDefault();
      if (event.shiftKey) grid.editor.redo();
      else grid.editor.undo();
    }
  }

  function paste(event: ClipboardEvent) {
    const block = event.clipboardData?.getData('text/plain') ?? '';
    // A single figure goes into the cell like any typing.
    if (!/[\t\n]/.test(block.trim())) return;
    event.preventDefault();
    grid.paste(block);
  }

  const label = (row: number, column: number) =>
    `${grid.openings[row]?.mark}, ${pointTexts[gridPoints[column] ?? 'depth'].label}`;
</script>

<div class="scroll">
  <table bind:this={table} aria-rowcount={grid.openings.length + 1}>
    <caption class="visually-hidden">{viewWords.survey}</caption>
    <thead>
      <tr>
        <th scope="col">{tableWords.opening}</th>
        {#each gridPoints as point (point)}<th scope="col">{pointTexts[point].label}</th>{/each}
      </tr>
    </thead>
    <LongRows items={grid.openings} key={({ id }) => id} columns={gridPoints.length + 1} row_px={45}>
      {#snippet row(opening, r, more)}
        {@const row = rows.get(opening.id)}
        <tr {...more}>
          <th scope="row">
            {#if row}<JudgementMark judgement={row.judgement} />{/if}
            {opening.mark}
          </th>
          {#each gridPoints as point, c (point)}
            {@const here = r === grid.row && c === grid.column}
            <td class="figure" data-here={here}>
              {#if here}
                <input
                  class="figure"
                  type="text"
                  autocomplete="off"
                  spellcheck="false"
                  aria-label={label(r, c)}
                  disabled={!mayEdit}
                  value={grid.draft ?? grid.value(opening, point)?.typed ?? ''}
                  oninput={(event) => (grid.draft = event.currentTarget.value)}
                  onblur={() => grid.commit()}
                  onkeydown={keydown}
                  onpaste={paste}
                />
              {:else}
                <button
                  type="button"
                  tabindex="-1"
                  aria-label="{label(r, c)}: {grid.value(opening, point)?.typed ?? saveWords.none}"
                  onclick={() => {
                    grid.use(r, c);
                    void focusCell();
                  }}>{grid.value(opening, point)?.typed ?? ''}</button
                >
              {/if}
            </td>
          {/each}
        </tr>
      {/snippet}
    </LongRows>
  </table>
</div>

<style>
  .scroll {
    overflow: auto;
    max-height: calc(100dvh - 250px);
    border: 1px solid var(--line);
  }
  table {
    border-collapse: separate;
    border-spacing: 0;
  }
  th,
  td {
    border-right: 1px solid var(--sand-deep);
    border-bottom: 1px solid var(--sand-deep);
    white-space: nowrap;
  }
  thead th {
    position: sticky;
    top: 0;
    z-index: 1;
    width: 84px;
    min-width: 84px;
    padding: 6px 8px;
    background: var(--sand);
    font-size: 0.82rem;
    line-height: 1.2;
    white-space: normal;
    text-align: left;
    vertical-align: bottom;
  }
  thead th:first-child {
    left: 0;
    z-index: 2;
  }
  th[scope='row'] {
    position: sticky;
    left: 0;
    padding: 0 var(--gap-3);
    background: var(--paper);
    text-align: left;
  }
  td {
    height: 36px;
    padding: 0;
  }
  td button,
  td input {
    display: block;
    width: 100%;
    min-width: 84px;
    height: 36px;
    min-height: 36px;
    padding: 0 8px;
    border: 0;
    border-radius: 0;
    background: none;
    color: var(--ink);
    font: inherit;
    text-align: right;
  }
  td button {
    cursor: cell;
  }
  td[data-here='true'] {
    outline: 2px solid var(--rust);
    outline-offset: -2px;
    background: #fff;
  }
</style>
