<!-- What it is like at a step right now, against what its materials ask for: told before the tick, kept with it. -->
<script module lang="ts">
  import type { Conditions, LengthUnit } from '@hulvek/core';

  export interface ConditionsNowProps {
    conditions: Conditions;
    units: LengthUnit;
    /** Why it is done outside what is asked for. */
    despite: string;
    disabled: boolean;
  }
</script>

<script lang="ts">
  import { conditionWords as t } from '$words/install.ts';
  import { areKnown, measuredTexts, writeMeasure } from '@hulvek/core';
  import { figureText, limitsText } from './figures.ts';

  let { conditions, units, despite = $bindable(), disabled }: ConditionsNowProps = $props();
  const id = $props.id();
  const degrees = (C: number) => writeMeasure('temperature', C, units);
  const text = $derived.by(() => {
    const { air_C, surface_C, humidity_percent, moisture_percent } = conditions.facts;
    return [
      surface_C === undefined ? '' : t.surface(degrees(surface_C)),
      air_C === undefined ? '' : t.air(degrees(air_C)),
      humidity_percent === undefined ? '' : t.humidity(Math.round(humidity_percent)),
      moisture_percent === undefined ? '' : t.moisture(Math.round(moisture_percent)),
    ]
      .filter(Boolean)
      .join(', ');
  });
</script>

<section data-testid="conditions" data-outside={conditions.outside.length > 0}>
  <h3>{t.title}</h3>
  {#if areKnown(conditions)}
    <p>{text} <small>{t.from[conditions.facts.by]}</small></p>
  {:else}<p>{t.unknown}</p>{/if}
  {#each conditions.outside as one (one.kind === 'limit' ? one.ask.what : 'dew')}
    <p class="caution">
      {one.kind === 'limit'
        ? t.limit(
            measuredTexts[one.ask.what].name,
            figureText(one.ask.what, one.value, units),
            limitsText(one.ask, units),
          )
        : t.dew(degrees(one.surface_C), degrees(one.dew_C))}
    </p>
  {/each}
  {#if conditions.outside.length > 0}
    <label for={id}>{t.despite}</label>
    <input {id} maxlength="400" autocomplete="off" {disabled} bind:value={despite} />
  {/if}
</section>

<style>
  section {
    display: grid;
    gap: 2px;
  }
  p {
    margin: 0;
  }
  small {
    color: var(--ink-soft);
  }
  .caution {
    padding-left: var(--gap-3);
    border-left: 3px solid var(--watch);
  }
  input {
    width: 100%;
    min-height: var(--touch);
  }
</style>
