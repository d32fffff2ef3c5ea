<script module lang="ts">
  import type { LengthUnit, Plan } from '@hulvek/core';

  export interface CutSheetProps {
    /** The openings of one day. */
    plans: readonly Plan[];
    /** What whoever looks reads in: beside the sizes, where it is not the job's unit. */
    reads: LengthUnit;
  }
</script>

<script lang="ts">
  import { cutSheetWords } from '$words/cut-sheet.ts';
  import { materialTexts } from '@hulvek/core';
  import { cutLines } from './cut-rows.ts';

  let { plans, reads }: CutSheetProps = $props();
  const lines = $derived(cutLines(plans, reads));
  const materials = $derived([...new Set(lines.map(({ material }) => material))]);
  const path = (points: readonly (readonly [number, number])[]) => points.map((p) => p.join(',')).join(' ');
</script>

<p class="quiet">{cutSheetWords.day(plans.map((plan) => plan.opening.mark).join(', '))}</p>
{#each materials as material (material)}
  <section>
    <h2>{materialTexts[material]}</h2>
    <ul>
      {#each lines.filter((line) => line.material === material) as { title, size, read, marks, notes, flat, section }, i (i)}
        <li>
          <div class="words">
            <b>{title}</b>
            <span class="figure">{size}</span>
            {#if read !== null}<span class="quiet">{read}</span>{/if}
            <span class="whole">{marks}</span>
            {#each notes as note, j (j)}<span class="whole">{note}</span>{/each}
          </div>
          {#if flat}
            <svg
              viewBox="-4 -4 {flat.size.length_mm + 8} {flat.size.width_mm + 8}"
              role="img"
              aria-label="{title}, {size}"
            >
              {#each flat.outline as line, j (j)}<polyline points={path(line)} />{/each}
              {#each flat.folds as line, j (j)}<polyline class="fold" points={path(line)} />{/each}
              {#each flat.slits as line, j (j)}<polyline class="slit" points={path(line)} />{/each}
            </svg>
          {:else if section}
            <svg
              class="section"
              viewBox="-4 -4 {section.size.wide_mm + 8} {section.size.high_mm + 8}"
              role="img"
              aria-label={cutSheetWords.sectionOf(title)}
            >
              {#each section.regions as region, j (j)}<polygon points={path(region)} />{/each}
            </svg>
          {/if}
        </li>
      {/each}
    </ul>
  </section>
{/each}

<style>
  section {
    break-inside: avoid-page;
  }
  h2 {
    text-transform: none;
    border-bottom: 2px solid var(--ink);
  }
  li {
    display: grid;
    grid-template-columns: minmax(15rem, 24rem) minmax(0, 1fr);
    gap: var(--gap-4);
    align-items: center;
    padding: var(--gap-2) 0;
    border-bottom: 1px solid var(--sand-deep);
    break-inside: avoid;
  }
  .words {
    display: grid;
    grid-template-columns: 1fr auto;
    gap: 0 var(--gap-3);
  }
  svg {
    display: block;
    width: 100%;
    max-height: 110px;
  }
  .whole {
    grid-column: 1 / -1;
  }
  .section {
    max-width: 200px;
    max-height: 130px;
  }
  polygon {
    fill: var(--sand);
    stroke: var(--ink);
    stroke-width: 1.2;
    vector-effect: non-scaling-stroke;
  }
  polyline {
    fill: none;
    stroke: var(--ink);
    stroke-width: 1.2;
    vector-effect: non-scaling-stroke;
  }
  .fold {
    stroke-dasharray: 6 4;
  }
  .slit {
    stroke: var(--rust);
    stroke-width: 2.4;
  }
  @media (max-width: 700px) {
    li {
      grid-template-columns: 1fr;
    }
  }
</style>
