<script lang="ts">
  import Button from '$lib/ui/Button.svelte';
  import { practiceWords } from '$words/practice.ts';
  import {
    figureFrom,
    fieldInstrumentFor,
    figureKindOf,
    figuresIn,
    inventedFigure,
    measuredTexts,
    simulatedFieldInstrument,
    type FieldAnswer,
    type LengthUnit,
    type MeasuredWhat,
  } from '@hulvek/core';

  let { reads }: { reads: LengthUnit } = $props();
  const t = practiceWords.instruments;
  const WHATS = [
    'diagonals',
    'sill-level',
    'plumb',
    'film',
    'surface',
    'humidity',
  ] as const satisfies readonly MeasuredWhat[];
  /** Often enough to meet what goes wrong. */
  const LOST = 0.15;
  const OTHER = 0.2;
  let seed = $state(1);
  let what = $state<(typeof WHATS)[number]>('diagonals');
  const instrument = $derived(
    simulatedFieldInstrument({
      kind: fieldInstrumentFor(what),
      truth: (one) => inventedFigure(one, seed, { least: null, most: null }),
      seed: seed * 31 + WHATS.indexOf(what),
      lossShare: LOST,
      otherShare: OTHER,
    }),
  );
  let shown = $state.raw<FieldAnswer | null>(null);
  const f = $derived(figuresIn(reads));
  const taken = $derived(shown?.ok ? figureFrom(what, shown) : null);
  const written = (value: number): string => {
    const kind = figureKindOf(what);
    return kind === 'length'
      ? f.length(value)
      : kind === 'percent'
        ? `${Math.round(value)} %`
        : f.measure(kind, value);
  };
</script>

<section aria-labelledby="instruments">
  <h2 id="instruments">{t.title}</h2>
  <p>{t.lead}</p>
  <div class="row">
    <select aria-label={t.title} bind:value={what} onchange={() => (shown = null)}>
      {#each WHATS as one (one)}<option value={one}>{measuredTexts[one].name}</option>{/each}
    </select>
    {#if shown && !shown.ok && shown.because === 'lost'}
      <Button
        onclick={() => {
          instrument.reconnect();
          shown = null;
        }}>{t.reconnect}</Button
      >
    {:else}
      <Button onclick={() => (shown = instrument.read(what))}>{t.read}</Button>
    {/if}
    <Button
      kind="quiet"
      onclick={() => {
        seed++;
        shown = null;
      }}>{t.seed}</Button
    >
  </div>
  <p class="display figure" aria-live="polite" data-testid="display">
    {#if shown?.ok}
      {t.shows}: <b>{Math.round(shown.value * 1000) / 1000} {shown.unit}</b>
      {#if taken?.ok}<br />{t.takes}: {written(taken.value)}{/if}
    {:else if shown}{shown.because === 'lost' ? t.lost : t.cannot}{/if}
  </p>
</section>

<style>
  .row {
    display: flex;
    flex-flow: row wrap;
    gap: var(--gap-2);
  }
  select {
    min-height: 44px;
  }
  .display {
    min-height: 3.6em;
    margin: var(--gap-2) 0 0;
    padding: var(--gap-2) var(--gap-3);
    border: 1px solid var(--line);
    background: var(--sand);
  }
</style>
