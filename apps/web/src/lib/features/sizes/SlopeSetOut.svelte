<script module lang="ts">
  import type { LengthUnit, Plan } from '@hulvek/core';

  export interface SlopeSetOutProps {
    plan: Plan;
    reads: LengthUnit;
  }
</script>

<script lang="ts">
  import LooseField from '$lib/ui/LooseField.svelte';
  import { sizesWords } from '$words/sizes.ts';
  import { asTyped, boardSlope_deg, formatLength, parseLength, parseSlope, slopeSetOut } from '@hulvek/core';
  import { untrack } from 'svelte';

  let { plan, reads: units }: SlopeSetOutProps = $props();
  const length = $derived((mm: number) => formatLength(mm, units));
  const shown = (mm: number) => asTyped(mm, units).typed;
  const rounded = (value: number) => String(Math.round(value * 10) / 10);
  /** What is marked on wood is the board's own slope, not that of what it lies on. */
  const boardSlope = (): number =>
    plan.choices
      ? boardSlope_deg(plan.numbers, plan.choices, plan.build?.context.opening.sillFall_deg)
      : plan.numbers.slope;
  let typed = $state(
    untrack(() => ({
      slope: rounded(boardSlope()),
      depth: shown(plan.build?.context.opening.depth ?? 140),
      thin: shown(Math.max(0, plan.numbers.boardFront)),
      bearing: shown(plan.unit?.frameDepth.mm ?? 80),
    })),
  );
  const STEEPEST_deg = 30;
  const slope = $derived(parseSlope(typed.slope));
  const lengths = $derived([typed.depth, typed.thin, typed.bearing].map((t) => parseLength(t, units)));
  const set = $derived.by(() => {
    const [depth, thin, bearing] = lengths;
    if (slope === null || slope > STEEPEST_deg || !depth?.ok || !thin?.ok || !bearing?.ok) return null;
    return slopeSetOut({
      slope_deg: slope,
      depth_mm: depth.value.mm,
      thin_mm: thin.value.mm,
      bearing_mm: bearing.value.mm,
    });
  });
</script>

<section aria-label={sizesWords.slope}>
  <h2>{sizesWords.slope}</h2>
  <div class="fields">
    <LooseField label={sizesWords.slopeOf} bind:value={typed.slope} />
    <LooseField label={sizesWords.depth} bind:value={typed.depth} />
    <LooseField label={sizesWords.thin} bind:value={typed.thin} />
    <LooseField label={sizesWords.bearing} bind:value={typed.bearing} />
  </div>
  {#if set}
    {@const rise = set.thick_mm - set.thin_mm}
    <svg
      viewBox="0 0 200 64"
      role="img"
      aria-label={sizesWords.marks(length(set.thin_mm), length(set.thick_mm), length(rise))}
    >
      <path d="M10 54H190V{54 - Math.min(44, 8 + rise)}L10 {54 - 8}Z" />
    </svg>
    <p class="answer">{sizesWords.marks(length(set.thin_mm), length(set.thick_mm), length(rise))}</p>
    <p>{sizesWords.inWords(rounded(set.slope_deg), Number.isFinite(set.ratio) ? rounded(set.ratio) : '∞')}</p>
    <p>{sizesWords.pad(length(set.pad.outer_mm))}</p>
  {:else}
    <p class="problem" role="status">
      {slope === null || slope > STEEPEST_deg ? sizesWords.wrongSlope : sizesWords.wrongLength}
    </p>
  {/if}
</section>

<style>
  section {
    display: grid;
    gap: var(--gap-2);
  }
  .fields {
    display: grid;
    grid-template-columns: 1fr 1fr;
    gap: var(--gap-2) var(--gap-4);
  }
  svg {
    width: 200px;
  }
  path {
    fill: #e9d7b8;
    stroke: var(--ink);
    stroke-width: 1.2;
  }
  .answer {
    font-size: 1.1rem;
    font-weight: 700;
  }
</style>
