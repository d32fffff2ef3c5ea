<script module lang="ts">
  import type { JobStore } from '$lib/job/job.svelte.ts';
  import type { Unit } from '@hulvek/core';

  export interface UnitSizesProps {
    unit: Unit;
    store: JobStore;
  }
</script>

<script lang="ts">
  import { unitsWords } from '$words/units.ts';
  import { tableWords } from '$words/survey.ts';
  import {
    formatLength,
    formatSize,
    glassWeight,
    writeMeasure,
    inscribed,
    passThrough,
    framingOf,
    shortBy,
    sizeToFrame,
    type Plan,
    type Size,
  } from '@hulvek/core';

  let { unit, store }: UnitSizesProps = $props();
  const units = $derived(store.reads);
  const length = $derived((mm: number) => formatLength(mm, units));
  const size = $derived({ width: unit.width.mm, height: unit.height.mm });
  /** What to frame, by the methods that the unit is set with. */
  const framings = $derived.by(() => {
    const found = new Map<string, { need: Size; plan: Plan; marks: string[] }>();
    for (const plan of plans) {
      const need = sizeToFrame(plan);
      if (!need) continue;
      const key = formatSize(need, units);
      const known = found.get(key) ?? { need, plan, marks: [] };
      known.marks.push(plan.opening.mark);
      found.set(key, known);
    }
    return [...found.values()];
  });
  const plans = $derived(store.plans.filter((plan) => plan.unit?.id === unit.id));
  const glass = $derived(glassWeight(unit));

  function passes(plan: Plan): string {
    const opening = plan.frame && inscribed(plan.frame);
    if (!opening) return unitsWords.unknown;
    const fin_mm = unit.fin.kind === 'none' ? 0 : unit.fin.width.mm;
    const way = passThrough({ unit: size, fin_mm, depth_mm: unit.frameDepth.mm, opening });
    return way.passes ? unitsWords.passes(length(way.room_mm)) : unitsWords.passesNot;
  }

  function verdict(plan: Plan): string {
    const opening = plan.frame && inscribed(plan.frame);
    const need = sizeToFrame(plan);
    if (!opening || !need) return unitsWords.notMeasured;
    const short = shortBy(opening, need);
    const parts = [
      short.width > 0.05 ? unitsWords.shortWidth(length(short.width)) : '',
      short.height > 0.05 ? unitsWords.shortHeight(length(short.height)) : '',
    ].filter(Boolean);
    return parts.length === 0 ? unitsWords.enough : parts.join(', ');
  }
</script>

<div class="sizes">
  {#each framings as { need, plan, marks } (marks[0])}
    {@const { clearance, leg_mm } = framingOf(plan)}
    <p data-testid="framing">
      <b>{unitsWords.frame(formatSize(need, units))}</b>
      {framings.length > 1 ? `${marks.join(', ')}: ` : ''}{unitsWords.frameWhy(
        length(clearance.width_mm),
        length(clearance.head_mm),
        length(clearance.sill_mm),
        leg_mm > 0 ? length(leg_mm) : '',
      )}
    </p>
  {:else}<p>{unitsWords.frameNeedsOpening}</p>{/each}
  {#if glass !== null}
    <p>
      {unitsWords.glassWeight(writeMeasure('mass', glass, units, 0))}
      {glass > 23 ? unitsWords.heavy : ''}
    </p>
  {/if}
  {#if unit.mullions?.length}<p>{unitsWords.mulled(unit.mullions.length + 1)}</p>{/if}
  {#if unit.threshold}<p>{unitsWords.door}</p>{/if}
  {#if plans.length > 0}
    <table class="lines">
      <thead>
        <tr>
          <th scope="col">{tableWords.opening}</th>
          <th scope="col">{unitsWords.inscribed}</th>
          <th scope="col">{unitsWords.goOrNot}</th>
          <th scope="col">{unitsWords.fromInside}</th>
        </tr>
      </thead>
      <tbody>
        {#each plans as plan (plan.opening.id)}
          <tr>
            <th scope="row"><a href="/jobs/{store.id}/{plan.opening.id}/measure">{plan.opening.mark}</a></th>
            <td class="figure">{plan.frame ? formatSize(inscribed(plan.frame), units) : ''}</td>
            <td>{verdict(plan)}</td>
            <td>{passes(plan)}</td>
          </tr>
        {/each}
      </tbody>
    </table>
  {/if}
</div>

<style>
  .sizes {
    display: grid;
    gap: var(--gap-2);
    overflow-x: auto;
  }
</style>
