<script module lang="ts">
  import type { LengthUnit, Plan } from '@hulvek/core';

  export interface OrderSizeProps {
    plan: Plan;
    /** What whoever looks reads and types in; sizes are rounded in the job's unit. */
    reads: LengthUnit;
  }
</script>

<script lang="ts">
  import LooseField from '$lib/ui/LooseField.svelte';
  import { sizesWords } from '$words/sizes.ts';
  import {
    formatLength,
    formatSize,
    framingOf,
    inscribed,
    markStep,
    parseLength,
    parseSlope,
    pocketReplacement,
    POCKET_DEDUCTION_mm,
    unitToOrder,
  } from '@hulvek/core';

  let { plan, reads: units }: OrderSizeProps = $props();
  const rounded = $derived(plan.job.job.units);
  const length = $derived((mm: number) => formatLength(mm, units));
  let kind = $state<keyof typeof sizesWords.kinds>('new');
  let typed = $state({ width: '', height: '', slope: '10', groove: '37 mm', board: '19 mm' });
  const framing = $derived(framingOf(plan));
  const usual = $derived(
    kind === 'new' ? framing.deduct : { width: POCKET_DEDUCTION_mm.most, height: POCKET_DEDUCTION_mm.most },
  );
  const mm = (value: string, otherwise: number) => {
    const read = parseLength(value, units);
    return read.ok ? read.value.mm : otherwise;
  };
  const deduct = $derived({ width: mm(typed.width, usual.width), height: mm(typed.height, usual.height) });
  const room = $derived(plan.frame && inscribed(plan.frame));
  const lost = $derived(room ? Math.max(room.tape.width - room.width, room.tape.height - room.height) : 0);
  const unit = $derived(room && unitToOrder(room, deduct, markStep(rounded)));
  const pocket = $derived(
    plan.frame && kind === 'pocket'
      ? pocketReplacement({
          frame: plan.frame,
          deduct,
          slope_deg: parseSlope(typed.slope) ?? 10,
          shim_mm: plan.numbers.leastShim,
          groove_mm: mm(typed.groove, 37),
          board_mm: mm(typed.board, 19),
        })
      : null,
  );
</script>

<section aria-label={sizesWords.forOpening}>
  <h2>{sizesWords.forOpening}</h2>
  <label>
    {sizesWords.kind}
    <select bind:value={kind}>
      {#each Object.entries(sizesWords.kinds) as [value, word] (value)}<option {value}>{word}</option>{/each}
    </select>
  </label>
  <div class="fields">
    <LooseField label={sizesWords.deductWidth} placeholder={length(usual.width)} bind:value={typed.width} />
    <LooseField
      label={sizesWords.deductHeight}
      placeholder={length(usual.height)}
      bind:value={typed.height}
    />
    {#if kind === 'pocket'}
      <LooseField label={sizesWords.oldSlope} bind:value={typed.slope} />
      <LooseField label={sizesWords.groove} bind:value={typed.groove} />
      <LooseField label={sizesWords.board} bind:value={typed.board} />
    {/if}
  </div>
  {#if room && unit}
    <p class="answer">{sizesWords.order(formatSize(unit, rounded))}</p>
    {#if units !== rounded}<p class="quiet">{formatSize(unit, units)}</p>{/if}
    {#if kind === 'new' && framing.leg_mm > 0}<p>{sizesWords.withBuck(length(framing.leg_mm))}</p>{/if}
    <p>
      {lost > 0.05
        ? sizesWords.tape(formatSize(room.tape, units), length(lost))
        : sizesWords.square(formatSize(room.tape, units))}
    </p>
    {#if pocket}
      <p>{sizesWords.expander(length(pocket.expander_mm))}</p>
      <p>
        {sizesWords.extender(
          length(pocket.extender.rip_mm),
          length(pocket.extender.shorter_mm),
          String(Math.round(pocket.extender.bevel_deg * 10) / 10),
        )}
      </p>
    {/if}
  {:else}<p>{sizesWords.needsFrame}</p>{/if}
</section>

<style>
  section,
  label {
    display: grid;
    gap: var(--gap-2);
  }
  label {
    font-weight: 500;
  }
  .fields {
    display: grid;
    grid-template-columns: 1fr 1fr;
    gap: var(--gap-2) var(--gap-4);
  }
  .answer {
    font-size: 1.25rem;
    font-weight: 700;
  }
</style>
