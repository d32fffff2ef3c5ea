<script module lang="ts">
  import type { WaterDesk } from './water-desk.svelte.ts';

  export interface WaterSourcesProps {
    water: WaterDesk;
  }
</script>

<script lang="ts">
  import WhichWall from '$lib/features/prove/WhichWall.svelte';
  import VerdictMark from '$lib/ui/VerdictMark.svelte';
  import { partKey } from './water-desk.svelte.ts';
  import { partText, sourceTexts, waterText as t } from '$words/prove-water.ts';
  import { formatLength, pieceText } from '@hulvek/core';

  let { water }: WaterSourcesProps = $props();
  const length = (mm: number) => formatLength(mm, water.editor.store.reads);
  const unitThere = $derived(water.traces.some(({ source }) => source === 'unit-sill'));
</script>

<WhichWall desk={water} />
{#if !water.finished}
  <h3 class="tonight">{t.tonight}</h3>
  {#if !unitThere}<p>{t.open}</p>{/if}
{:else}
  <h3>{t.sources}</h3>
{/if}
<ul>
  {#each water.traces as { source, parts } (source)}
    {#each parts as part (partKey(source, part))}
      <li>
        <button
          type="button"
          aria-pressed={water.isFollowed(source, part)}
          onclick={() => water.follow(source, part)}
        >
          <VerdictMark verdict={water.verdictOf(part, source)} />
          <span>
            <b>{sourceTexts[source]}</b>
            {#if part.width_mm > 0}<span class="figure">{length(part.width_mm)}</span>{/if}
            <span class="what">{partText(part)}</span>
          </span>
        </button>
      </li>
    {/each}
  {/each}
</ul>
{#if water.finished}
  <h3>{t.singles}</h3>
  {#if water.proof?.singles.length}
    <ul class="singles">
      {#each water.proof.singles as single (single.things.join() + single.wets)}
        <li>
          <VerdictMark verdict={single.only ? 'watch' : 'holds'} />
          {single.things.map(pieceText).join(' · ')}
          <span class="figure">{length(single.width_mm)}</span>
        </li>
      {/each}
    </ul>
  {:else}<p>{t.noSingles}</p>{/if}
{/if}

<style>
  h3 {
    margin-top: var(--gap-2);
  }
  li button {
    display: grid;
    grid-template-columns: auto 1fr;
    gap: var(--gap-2);
    width: 100%;
    padding: 6px var(--gap-2);
    border: 0;
    border-left: 3px solid transparent;
    background: none;
    text-align: left;
    cursor: pointer;
  }
  li button:hover {
    background: var(--sand);
  }
  li button[aria-pressed='true'] {
    border-left-color: var(--water);
    background: var(--sand);
  }
  .what {
    display: block;
    color: var(--ink-soft);
  }
  .singles li {
    display: flex;
    align-items: baseline;
    gap: var(--gap-2);
  }
  .singles .figure {
    margin-left: auto;
  }
</style>
