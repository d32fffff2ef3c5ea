<script module lang="ts">
  import type { LineResult } from '@hulvek/core';

  export interface LineChartProps {
    result: LineResult;
    label: string;
    figure: (mm: number) => string;
  }
</script>

<script lang="ts">
  let { result, label, figure }: LineChartProps = $props();
  let width = $state(0);

  const ROW_px = 30;
  const MARK_px = 64;
  const END_px = 70;
  const known = $derived(result.members.flatMap((m) => (m.span ? [{ ...m, span: m.span }] : [])));
  const low = $derived(
    Math.min(...known.map((m) => Math.min(m.span.low_mm, m.own_mm ?? Infinity)), result.at_mm ?? Infinity),
  );
  const high = $derived(
    Math.max(...known.map((m) => Math.max(m.span.high_mm, m.own_mm ?? -Infinity)), result.at_mm ?? -Infinity),
  );
  const reach = $derived(Math.max(1, high - low));
  const x = $derived(
    (mm: number) => MARK_px + 8 + ((mm - low) / reach) * Math.max(60, width - MARK_px - END_px - 16),
  );
</script>

<div bind:clientWidth={width}>
  {#if known.length > 0 && width > 0}
    <svg {width} height={known.length * ROW_px + 26} role="img" aria-label={label}>
      {#each known as m, i (m.id)}
        {@const y = 22 + i * ROW_px}
        {@const ok =
          result.at_mm !== null &&
          result.at_mm >= m.span.low_mm - 1e-6 &&
          result.at_mm <= m.span.high_mm + 1e-6}
        <text x="0" y={y + 15} class="mark">{m.mark}</text>
        <rect
          x={x(m.span.low_mm)}
          y={y + 3}
          width={Math.max(3, x(m.span.high_mm) - x(m.span.low_mm))}
          height="14"
          class="span"
          data-ok={ok}
        />
        {#if m.own_mm !== null}<path d="M{x(m.own_mm)} {y + 1}v18" class="own" />{/if}
        <text x={x(m.span.high_mm) + 6} y={y + 15} class="range"
          >{figure(m.span.high_mm - m.span.low_mm)}</text
        >
      {/each}
      {#if result.at_mm !== null}
        <line
          x1={x(result.at_mm)}
          x2={x(result.at_mm)}
          y1="14"
          y2={known.length * ROW_px + 24}
          class="line"
        />
        <text x={x(result.at_mm)} y="11" class="at">{figure(result.at_mm)}</text>
      {/if}
    </svg>
  {/if}
</div>

<style>
  .mark {
    font-weight: 700;
    fill: var(--ink);
  }
  .range {
    font-size: 0.85rem;
    fill: var(--ink-soft);
  }
  .span {
    fill: #dcebe3;
    stroke: var(--good);
    stroke-width: 1.4;
  }
  .span[data-ok='false'] {
    fill: var(--bad-soft);
    stroke: var(--bad);
    stroke-dasharray: 4 3;
  }
  .own {
    stroke: var(--ink-soft);
    stroke-width: 2;
    fill: none;
  }
  .line {
    stroke: var(--rust);
    stroke-width: 2;
  }
  .at {
    font-weight: 700;
    fill: var(--rust);
    text-anchor: middle;
  }
</style>
