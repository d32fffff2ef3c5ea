<script module lang="ts">
  import type { JobStore } from '$lib/state/job.svelte.ts';
  import type { Unit } from '@hulvek/core';

  export interface UnitSizesProps {
    unit: Unit;
    store: JobStore;
  }
</script>

<script lang="ts">
  import { text } from '$lib/texts/en.ts';
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
    if (!opening) return text.units.unknown;
    const fin_mm = unit.fin.kind === 'none' ? 0 : unit.fin.width.mm;
    const way = passThrough({ unit: size, fin_mm, depth_mm: unit.frameDepth.mm, opening });
    return way.passes ? text.units.passes(length(way.room_mm)) : text.units.passesNot;
  }

  function verdict(plan: Plan): string {
    const opening = plan.frame && inscribed(plan.frame);
    if (!opening) return text.units.notMeasured;
    const short = shortBy(opening, need);
    const parts = [
      short.width > 0.05 ? text.units.shortWidth(length(short.width)) : '',
      short.height > 0.05 ? text.units.shortHeight(length(short.height)) : '',
    ].filter(Boolean);
    return parts.length === 0 ? text.units.enough : parts.join(', ');
  }
</script>

<div class="sizes">
  <p>
    <b>{text.units.frame(formatSize(need, units))}</b>
    {text.units.frameWhy(
      length(USUAL_CLEARANCE_mm.most),
      length(10),
      length(sill_mm),
      leg_mm > 0 ? length(leg_mm) : '',
    )}
  </p>
  {#if glass !== null}
    <p>{text.units.glassWeight(Math.round(glass))} {glass > 23 ? text.units.heavy : ''}</p>
  {/if}
  {#if unit.mullions?.length}<p>{text.units.mulled(unit.mullions.length + 1)}</p>{/if}
  {#if unit.threshold}<p>{text.units.door}</p>{/if}
  {#if plans.length > 0}
    <table class="lines">
      <thead>
        <tr>
          <th scope="col">{text.table.opening}</th>
          <th scope="col">{text.units.inscribed}</th>
          <th scope="col">{text.units.goOrNot}</th>
          <th scope="col">{text.units.fromInside}</th>
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
