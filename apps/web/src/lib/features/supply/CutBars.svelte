<!-- One plan of cuts: each roll, bar or strip of a board to scale, and its pieces to tick. -->
<script module lang="ts">
  import type { CutPlan, Strip } from '@hulvek/core';
  import type { CuttingDesk } from './cutting-desk.svelte.ts';

  export interface CutBarsProps {
    plan: CutPlan;
    cutting: CuttingDesk;
    /** Those that are looked at: of a day, or all. */
    strips: readonly Strip[];
    name: string;
  }
  /** As wide as bars are drawn, and how high. */
  const WIDE = 1000;
  const HIGH = 26;
</script>

<script lang="ts">
  import Button from '$lib/ui/Button.svelte';
  import { dayName } from '$lib/ui/time.ts';
  import { cuttingWords as t, supplyWords } from '$words/supply.ts';
  import { formatLength, packTexts, parseLength, pieceText } from '@hulvek/core';

  let { plan, cutting, strips, name }: CutBarsProps = $props();
  const desk = $derived(cutting.desk);
  const reads = $derived(desk.store.reads);
  const length = (mm: number) => formatLength(mm, reads);
  const wanted = $derived(new Set(strips.map(({ id }) => id)));
  const mayCut = $derived(desk.store.pack.rights.includes('tick'));
  let spoiling = $state<string | null>(null);
  let left = $state('');
  let wrong = $state(false);

  const bars = $derived(
    plan.answer.bars
      .map((bar, i) => {
        const stock = plan.stock.get(bar.stock);
        const whole = stock?.length_mm ?? 1;
        let x = 0;
        const pieces = bar.pieces.flatMap((id) => {
          const strip = plan.strips.get(id);
          if (!strip) return [];
          const from = x;
          x += strip.length_mm + plan.kerf_mm;
          return [{ strip, x: (from / whole) * WIDE, width: (strip.length_mm / whole) * WIDE }];
        });
        return { ...bar, number: i + 1, whole, leftOver: stock?.leftOver ?? false, pieces };
      })
      .filter(({ pieces }) => pieces.some(({ strip }) => wanted.has(strip.id))),
  );

  function spoil(strip: Strip) {
    const mm = left.trim() === '' ? 0 : parseLength(left, reads);
    wrong = typeof mm === 'object' && !mm.ok;
    if (wrong) return;
    cutting.note(strip, typeof mm === 'number' ? mm : mm.ok ? mm.value.mm : 0);
    spoiling = null;
    left = '';
  }
</script>

{#if plan.sheets}
  <ul class="sheets">
    {#each plan.sheets.each as widths, i (i)}
      <li>{t.sheet(i + 1)}: {t.rips} {widths.map(length).join(', ')}</li>
    {/each}
  </ul>
{/if}
{#each bars as bar (bar.number)}
  <div class="bar">
    <p>
      <b>{t.bar(bar.number, packTexts[plan.article.form][0])}</b>
      <span class="figure">{length(bar.whole)}</span>
      {#if bar.leftOver}<em>{t.leftOver}</em>{/if}
      <span class="quiet">{t.rest(length(bar.left_mm))}</span>
    </p>
    <svg
      viewBox="0 0 {WIDE} {HIGH}"
      preserveAspectRatio="none"
      role="img"
      aria-label={t.drawing(name, bar.number)}
    >
      <rect class="rest" x="0" y="0" width={WIDE} height={HIGH} />
      {#each bar.pieces as { strip, x, width } (strip.id)}
        <rect
          class:faint={!wanted.has(strip.id)}
          class:cut={cutting.isCut(strip.id)}
          {x}
          y="0"
          {width}
          height={HIGH}
        />
      {/each}
    </svg>
    <ol>
      {#each bar.pieces.filter(({ strip }) => wanted.has(strip.id)) as { strip } (strip.id)}
        {@const isCut = cutting.isCut(strip.id)}
        {@const day = desk.dayOf(strip.need)}
        <li class:cut={isCut}>
          <label>
            <input
              type="checkbox"
              checked={isCut}
              disabled={!mayCut}
              aria-label="{t.tick}: {desk.markOf(strip.need.opening)} {pieceText(
                strip.need.piece ?? '',
              )} {length(strip.length_mm)}"
              onchange={() => (isCut ? cutting.takeBack(strip) : cutting.note(strip))}
            />
            <b class="figure">{length(strip.length_mm)}</b>
            <span
              ><b>{desk.markOf(strip.need.opening)}</b>
              {pieceText(strip.need.piece ?? '')}{#if strip.part[1] > 1}, {t.part(
                  strip.part[0],
                  strip.part[1],
                )}{/if}
              <small>{day ? dayName(day) : t.noDay}</small></span
            >
          </label>
          {#if mayCut && !isCut}
            <Button
              kind="quiet"
              aria-expanded={spoiling === strip.id}
              onclick={() => (spoiling = spoiling === strip.id ? null : strip.id)}>{t.spoiled}</Button
            >
          {/if}
          {#if spoiling === strip.id}
            <form
              onsubmit={(event) => {
                event.preventDefault();
                spoil(strip);
              }}
            >
              <label>{t.spoiledLeft}<input autocomplete="off" bind:value={left} /></label>
              {#if wrong}<p class="problem" role="alert">{supplyWords.stock.wrong}</p>{/if}
              <Button type="submit">{t.keep}</Button>
            </form>
          {/if}
        </li>
      {/each}
    </ol>
  </div>
{/each}

<style>
  .bar {
    display: grid;
    gap: 4px;
    break-inside: avoid;
  }
  p {
    display: flex;
    flex-flow: row wrap;
    gap: 2px var(--gap-3);
    margin: 0;
  }
  svg {
    width: 100%;
    height: 26px;
    border: 1px solid var(--ink);
  }
  rect {
    fill: var(--sand-deep);
    stroke: var(--ink);
    stroke-width: 1px;
    vector-effect: non-scaling-stroke;
  }
  rect.rest {
    fill: var(--paper);
    stroke: none;
  }
  rect.faint {
    fill: var(--sand);
    stroke: var(--line);
  }
  rect.cut {
    fill: var(--good);
  }
  ol,
  .sheets {
    display: grid;
    grid-template-columns: repeat(auto-fill, minmax(min(22rem, 100%), 1fr));
    gap: 0 var(--gap-4);
    margin: 0;
    padding: 0;
    list-style: none;
  }
  li {
    display: flex;
    flex-flow: row wrap;
    align-items: center;
    justify-content: space-between;
    min-height: var(--touch);
    border-bottom: 1px solid var(--line);
  }
  li label {
    display: flex;
    flex: 1 1 14rem;
    gap: var(--gap-3);
    align-items: center;
    min-height: var(--touch);
  }
  input[type='checkbox'] {
    width: 24px;
    height: 24px;
    min-height: 0;
    flex: none;
  }
  li.cut label span,
  li.cut .figure {
    text-decoration: line-through;
    color: var(--ink-soft);
  }
  small {
    display: block;
    color: var(--ink-soft);
  }
  em {
    color: var(--good);
    font-style: normal;
    font-weight: 600;
  }
  form {
    display: flex;
    flex: 1 0 100%;
    flex-flow: row wrap;
    gap: var(--gap-3);
    align-items: end;
    padding-bottom: var(--gap-2);
  }
</style>
