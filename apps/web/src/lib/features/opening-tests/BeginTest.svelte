<!-- A test begins with its safety list: it starts when every line is seen to. -->
<script module lang="ts">
  import type { OpeningTest, TestFacts } from '@hulvek/core';

  export interface BeginTestProps {
    of: OpeningTest;
    /** What the unit was tested with in the laboratory, Pa. */
    laboratory_Pa: number | null;
    /** What the last one was done with. */
    like: TestFacts | null;
    onbegin: (facts: TestFacts) => void;
    oncancel: () => void;
  }
</script>

<script lang="ts">
  import Button from '$lib/ui/Button.svelte';
  import { openingTestWords as t } from '$words/opening-tests.ts';
  import {
    checksFor,
    fieldPressure,
    pressings,
    SPRAY_lmin_m2,
    sprayRate,
    type Pressing,
    type TestCheck,
  } from '@hulvek/core';
  import { untrack } from 'svelte';

  let { of, laboratory_Pa, like, onbegin, oncancel }: BeginTestProps = $props();
  const id = $props.id();
  const first = untrack(() => like);
  let pressing = $state<Pressing>(first?.pressing ?? 'none');
  let pressure = $state(String(first?.pressure_Pa ?? ''));
  let flow = $state(String(first?.flow_lmin ?? ''));
  let area = $state(String(first?.area_m2 ?? ''));
  let seen = $state<Partial<Record<TestCheck, boolean>>>({});
  const checks = $derived(checksFor(of, of === 'spray' ? pressing : undefined));
  const figure = (text: string): number | undefined => {
    const value = Number(text.replace(',', '.'));
    return text.trim() !== '' && Number.isFinite(value) && value > 0 ? value : undefined;
  };
  const rate = $derived(sprayRate({ flow_lmin: figure(flow), area_m2: figure(area) }));
  const ready = $derived(checks.every((check) => seen[check]));

  function begin(event: SubmitEvent) {
    event.preventDefault();
    const [Pa, l, m2] = [figure(pressure), figure(flow), figure(area)];
    onbegin({
      kind: 'test',
      of,
      checked: [...checks],
      ...(of === 'spray' && { pressing }),
      ...(of !== 'reported' && pressing !== 'none' && Pa !== undefined && { pressure_Pa: Pa }),
      ...(of === 'spray' && l !== undefined && { flow_lmin: l }),
      ...(of === 'spray' && m2 !== undefined && { area_m2: m2 }),
    });
  }
</script>

<form onsubmit={begin} data-testid="begin-test">
  <h3>{t.kinds[of]}</h3>
  {#if of === 'spray'}
    <label for="{id}-pressing">{t.pressing}</label>
    <select id="{id}-pressing" bind:value={pressing}>
      {#each pressings as one (one)}<option value={one}>{t.pressings[one]}</option>{/each}
    </select>
    {#if pressing !== 'none'}
      <label for="{id}-pressure">{t.pressure}</label>
      <input id="{id}-pressure" class="figure" inputmode="decimal" autocomplete="off" bind:value={pressure} />
      {#if laboratory_Pa !== null}<p class="quiet">{t.pressureHint(fieldPressure(laboratory_Pa))}</p>{/if}
    {/if}
    <label for="{id}-flow">{t.flow}</label>
    <input id="{id}-flow" class="figure" inputmode="decimal" autocomplete="off" bind:value={flow} />
    <label for="{id}-area">{t.area}</label>
    <input id="{id}-area" class="figure" inputmode="decimal" autocomplete="off" bind:value={area} />
    <p class:caution={rate === null || rate < SPRAY_lmin_m2}>
      {rate === null ? t.rateUnknown : t.rate(rate.toFixed(1), String(SPRAY_lmin_m2))}
      {rate !== null && rate < SPRAY_lmin_m2 ? t.rateLow : ''}
    </p>
  {/if}
  {#if checks.length > 0}
    <fieldset>
      <legend>{t.safety}</legend>
      {#each checks as check (check)}
        <label class="check"><input type="checkbox" bind:checked={seen[check]} />{t.checks[check]}</label>
      {/each}
    </fieldset>
    {#if !ready}<p class="quiet">{t.blocked}</p>{/if}
  {/if}
  <div class="do">
    <Button kind="main" type="submit" large disabled={!ready}>{t.start}</Button>
    <Button kind="quiet" large onclick={oncancel}>{t.cancel}</Button>
  </div>
</form>

<style>
  form {
    display: grid;
    gap: var(--gap-2);
    max-width: 34rem;
    padding: var(--gap-3);
    border: 1px solid var(--line);
    border-radius: var(--radius);
  }
  fieldset {
    display: grid;
    gap: var(--gap-1);
    margin: 0;
    padding: var(--gap-2) var(--gap-3);
    border: 2px solid var(--watch);
  }
  legend {
    font-weight: 700;
  }
  .check {
    display: flex;
    gap: var(--gap-2);
    align-items: center;
    min-height: var(--touch);
  }
  .check input {
    flex: none;
    width: 24px;
    height: 24px;
  }
  p {
    margin: 0;
  }
  .do {
    display: flex;
    gap: var(--gap-2);
  }
  select,
  input:not([type='checkbox']) {
    min-height: var(--touch);
  }
</style>
