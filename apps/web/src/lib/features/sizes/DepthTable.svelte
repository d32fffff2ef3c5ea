<script module lang="ts">
  import type { LengthUnit, Plan } from '@hulvek/core';

  export interface DepthTableProps {
    plan: Plan;
    reads: LengthUnit;
  }
</script>

<script lang="ts">
  import { sizesWords, wallWords } from '$words/sizes.ts';
  import { buckOf, depthStack, formatLength, planeIds, tapedCorner } from '@hulvek/core';

  let { plan, reads }: DepthTableProps = $props();
  const length = $derived((mm: number) => formatLength(mm, reads));
  /** A frame without fins stands where it is set. */
  function finless({ build }: Plan): { front_mm?: number } {
    if (!build || build.context.unit.finWidth > 0) return {};
    return { front_mm: build.context.opening.origin[2] + build.context.unit.front };
  }
  const stack = $derived(
    plan.wall && plan.unit && plan.choices
      ? depthStack({
          wall: plan.wall,
          unit: plan.unit,
          buck_mm: buckOf(plan.choices, plan.numbers, plan.method)?.projection ?? null,
          ...tapedCorner,
          drift_mm: 0,
          guarded: plan.choices.guard === 'strip',
          ...finless(plan),
        })
      : null,
  );
  /** From the frame's inner face to where a clip's leg lies on the framing. */
  const clip_mm = $derived((stack?.planes['frame-back'] ?? 0) - (stack?.planes['framing-back'] ?? 0));
  const planes = $derived(
    stack
      ? planeIds
          .flatMap((id) => (stack.planes[id] === undefined ? [] : [{ id, at: stack.planes[id] }]))
          .sort((a, b) => b.at - a.at)
      : [],
  );
</script>

<section aria-label={sizesWords.stack}>
  <h2>{sizesWords.stack}</h2>
  {#if stack}
    <p class="lead">{sizesWords.stackLead}</p>
    <table class="lines">
      <thead><tr><th scope="col">{sizesWords.plane}</th><th scope="col">{sizesWords.place}</th></tr></thead>
      <tbody>
        {#each planes as { id, at } (id)}
          <tr><th scope="row">{sizesWords.planes[id]}</th><td class="figure">{length(at)}</td></tr>
        {/each}
      </tbody>
    </table>
    <p data-bad={stack.buckMisses_mm !== null && Math.abs(stack.buckMisses_mm) > 1.5875}>
      {stack.buckMisses_mm === null
        ? sizesWords.noBuck
        : Math.abs(stack.buckMisses_mm) < 0.05
          ? sizesWords.buckMeets
          : sizesWords.buckMisses(length(Math.abs(stack.buckMisses_mm)), stack.buckMisses_mm < 0)}
    </p>
    <p>
      {clip_mm >= 0 ? wallWords.clip(length(clip_mm)) : wallWords.clipPast(length(-clip_mm))}
    </p>
    <p>
      {stack.jambExtension_mm >= 0
        ? sizesWords.extension(length(stack.jambExtension_mm))
        : sizesWords.proud(length(-stack.jambExtension_mm))}
      {sizesWords.buildUp(length(stack.tapeBuildUp_mm))}
    </p>
  {:else}<p>{sizesWords.stackMissing}</p>{/if}
</section>

<style>
  section {
    display: grid;
    gap: var(--gap-2);
  }
  .lead {
    color: var(--ink-soft);
  }
  tbody th {
    font-weight: 400;
  }
  .lines td {
    text-align: right;
    white-space: nowrap;
  }
  [data-bad='true'] {
    color: var(--bad);
    font-weight: 600;
  }
</style>
