<script module lang="ts">
  import type { JobStore } from '$lib/job/job.svelte.ts';
  import type { Unit } from '@hulvek/core';

  export interface UnitSizesProps {
    unit: Unit;
    store: JobStore;
  }
</script>

<script lang="ts">
  import { unitsWords } from './words.ts';
  import { tableWords } from '$lib/features/survey/words.ts';
  import {
    formatLength,
    formatSize,
    glassWeight,
    inscribed,
    passThrough,
    roughOpening,
    shortBy,
    USUAL_CLEARANCE_mm,
    type Plan,
  } from '@hulvek/core';

  let { unit, store }: UnitSizesProps = $props();
  const units = $derived(store.context.job.units);
  const length = $derived((mm: number) => formatLength(mm, units));
  const size = $derived({ width: unit.width.mm, height: unit.height.mm });
  const plans = $derived(store.plans.filter((plan) => plan.unit?.id === unit.id));
  /** Height under the unit as the method builds it up; without an opening, its board and shim alone. */
  const sill_mm = $derived(plans.find((plan) => plan.fit)?.fit?.placement.bottom ?? 16);
  const leg_mm = $derived(plans[0]?.method?.buck?.leg.mm ?? 0);
  const need = $derived(
    roughOpening({
      unit: size,
      clearance: { width_mm: USUAL_CLEARANCE_mm.most, head_mm: 10, sill_mm },
      leg_mm,
    }),
  );
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
    if (!opening) return unitsWords.notMeasured;
    const short = shortBy(opening, need);
    const parts = [
      short.width > 0.05 ? unitsWords.shortWidth(length(short.width)) : '',
      short.height > 0.05 ? unitsWords.shortHeight(length(short.height)) : '',
    ].filter(Boolean);
    return parts.length === 0 ? unitsWords.enough : parts.join(', ');
  }
</script>

<div class="sizes">
  <p>
    <b>{unitsWords.frame(formatSize(need, units))}</b>
    {unitsWords.frameWhy(
      length(USUAL_CLEARANCE_mm.most),
      length(10),
      length(sill_mm),
      leg_mm > 0 ? length(leg_mm) : '',
    )}
  </p>
  {#if glass !== null}
    <p>{unitsWords.glassWeight(Math.round(glass))} {glass > 23 ? unitsWords.heavy : ''}</p>
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
