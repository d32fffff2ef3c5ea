<script module lang="ts">
  import type { LengthUnit, Plan } from '@hulvek/core';

  export interface AirLeakageProps {
    plan: Plan;
    /** Whether the pen line closes: which of the two bands speaks of this opening. */
    closed: boolean;
    /** What whoever looks reads in. */
    reads: LengthUnit;
  }
</script>

<script lang="ts">
  import { proveText } from '$words/prove.ts';
  import { figuresIn, jointLeakage } from '@hulvek/core';

  let { plan, closed, reads }: AirLeakageProps = $props();
  const t = proveText.air;
  const rows = $derived(
    plan.choices && plan.unit
      ? t.bands(
          jointLeakage(plan.choices, { width_mm: plan.unit.width.mm, height_mm: plan.unit.height.mm }),
          figuresIn(reads),
        )
      : [],
  );
</script>

<h3>{t.leakage}</h3>
<table class="figures">
  <thead>
    <tr><td></td><th scope="col">{t.area}</th><th scope="col">{t.flow}</th></tr>
  </thead>
  <tbody>
    {#each rows as row, i (row.name)}
      <tr class:now={(i === 0) === closed}>
        <th scope="row">{row.name}</th><td>{row.area}</td><td>{row.flow}</td>
      </tr>
    {/each}
  </tbody>
</table>
<p class="quiet">{t.leakageNote}</p>

<style>
  h3 {
    margin-top: var(--gap-3);
  }
  .now {
    font-weight: 700;
  }
</style>
