<script module lang="ts">
  import type { ScheduleDesk } from './schedule-desk.svelte.ts';

  export interface SchedulePreviewProps {
    desk: ScheduleDesk;
  }
</script>

<script lang="ts">
  import Button from '$lib/ui/Button.svelte';
  import { addWords } from '$words/openings.ts';
  import { formatLength, formatSize } from '@hulvek/core';

  let { desk }: SchedulePreviewProps = $props();
  const lengths = $derived(desk.store.reads);
  const known = $derived(desk.wanted.filter(({ here }) => here !== null).length);
</script>

<section aria-labelledby="preview">
  <h2 id="preview">{addWords.preview}</h2>
  {#if known > 0}
    <label
      >{addWords.known} ({known})
      <select bind:value={desk.known}>
        <option value="leave">{addWords.knownWays.leave}</option>
        <option value="change">{addWords.knownWays.change}</option>
      </select></label
    >
  {/if}
  <div class="scroll">
    <table>
      <thead>
        <tr
          >{#each Object.values(addWords.previewColumns) as column (column)}<th scope="col">{column}</th
            >{/each}</tr
        >
      </thead>
      <tbody>
        {#each desk.wanted as { mark, line, unit, here } (`${line.line} ${mark}`)}
          <tr class:quiet={here !== null && desk.known === 'leave'}>
            <th scope="row">{mark}</th>
            <td>{line.room}</td>
            <td>{line.facade}</td>
            <td>{unit}</td>
            <td class="figure"
              >{line.rough
                ? formatSize({ width: line.rough.width.mm, height: line.rough.height.mm }, lengths)
                : ''}</td
            >
            <td class="figure">{line.sill ? formatLength(line.sill.mm, lengths) : ''}</td>
            <td>{here ? addWords.isKnown : addWords.isNew}</td>
          </tr>
        {/each}
      </tbody>
    </table>
  </div>
  <Button kind="main" disabled={!desk.ready || desk.set.busy} onclick={() => void desk.take()}>
    {desk.added.length + desk.changed.length > 0
      ? addWords.submit(desk.added.length, desk.changed.length)
      : addWords.nothing}
  </Button>
</section>

<style>
  section {
    display: grid;
    gap: var(--gap-3);
    justify-items: start;
  }
  label {
    display: grid;
    gap: var(--gap-1);
    font-weight: 500;
  }
  .scroll {
    position: relative;
    max-width: 100%;
    max-height: 36rem;
    overflow: auto;
  }
  table {
    border-collapse: collapse;
  }
  th,
  td {
    padding: 4px var(--gap-4) 4px 0;
    border-bottom: 1px solid var(--line);
    text-align: left;
    overflow-wrap: anywhere;
  }
  .quiet {
    color: var(--ink-soft);
  }
</style>
