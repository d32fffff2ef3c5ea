<script module lang="ts">
  import type { WaterDesk } from './water-desk.svelte.ts';

  export interface WaterLapsProps {
    water: WaterDesk;
  }
</script>

<script lang="ts">
  import Paper from '$lib/drawing/Paper.svelte';
  import VerdictMark from '$lib/ui/VerdictMark.svelte';
  import { lapKey } from './water-desk.svelte.ts';
  import { waterText as t } from '$words/prove-water.ts';
  import { formatLength, lapDrawing, pieceText } from '@hulvek/core';

  let { water }: WaterLapsProps = $props();
  /** What somebody opened or closed; until then it is open where something is wrong. */
  let opened = $state<boolean | null>(null);
  const open = $derived(opened ?? water.proof?.laps.some((lap) => lap.fault) ?? false);
  const length = (mm: number) => formatLength(mm, water.editor.store.reads);
</script>

<details {open} ontoggle={(event) => (opened = event.currentTarget.open)}>
  <summary><h3>{t.laps}</h3></summary>
  <ul>
    {#each open ? (water.proof?.laps ?? []) : [] as lap (lapKey(lap))}
      {@const key = lapKey(lap)}
      <li>
        <button
          type="button"
          aria-expanded={water.lap === key}
          onclick={() => (water.lap = water.lap === key ? null : key)}
        >
          <VerdictMark verdict={lap.fault ? 'watch' : 'holds'} />
          <span>{t.lap(lap.pair.upper[0], lap.pair.lower[0])}</span>
          <span class="figure"
            >{lap.fault ? t.faults[lap.fault] : t.lapIs(length(lap.lap_mm), lap.stuck)}</span
          >
        </button>
        {#if water.lap === key}
          <div class="enlarged">
            <Paper
              label={t.lapShown}
              draw={(size) => lapDrawing(lap, { ...size, figure: length, name: pieceText })}
            />
          </div>
          <p class="quiet">{t.lapShown}</p>
        {/if}
      </li>
    {/each}
  </ul>
</details>

<style>
  details {
    margin-top: var(--gap-3);
    padding-top: var(--gap-3);
    border-top: 1px solid var(--line);
  }
  summary h3 {
    display: inline;
  }
  button {
    display: grid;
    grid-template-columns: auto 1fr auto;
    gap: var(--gap-2);
    width: 100%;
    padding: 6px 0;
    border: 0;
    background: none;
    text-align: left;
    cursor: pointer;
  }
  button:hover {
    background: var(--sand);
  }
  .enlarged {
    height: 280px;
    background: var(--sand);
  }
</style>
