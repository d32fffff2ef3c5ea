<script module lang="ts">
  import type { LengthUnit } from '@hulvek/core';

  export interface KeypadProps {
    unit: LengthUnit;
    onpress: (key: string) => void;
  }
</script>

<script lang="ts">
  import { cardsWords } from '$words/measure.ts';
  import { digitKeys, fractionKeys } from '@hulvek/core';

  let { unit, onpress }: KeypadProps = $props();
  const keys = [...digitKeys, '⌫', '±'];
</script>

<div class="keypad" role="group" aria-label={cardsWords.keypad}>
  <div class="digits">
    {#each keys as key (key)}
      <button
        type="button"
        aria-label={cardsWords.keys[key as keyof typeof cardsWords.keys] ?? key}
        onclick={() => onpress(key)}>{key}</button
      >
    {/each}
  </div>
  {#if unit === 'in'}
    <div class="fractions">
      {#each fractionKeys as key (key)}<button type="button" onclick={() => onpress(key)}>{key}</button
        >{/each}
    </div>
  {/if}
</div>

<style>
  .keypad {
    display: grid;
    gap: var(--gap-2);
  }
  .digits {
    display: grid;
    grid-template-columns: repeat(4, 1fr);
    grid-auto-flow: row;
    gap: 6px;
  }
  .digits button:nth-child(-n + 3) {
    grid-row: 1;
  }
  .digits button:nth-child(n + 4):nth-child(-n + 6) {
    grid-row: 2;
  }
  .digits button:nth-child(n + 7):nth-child(-n + 9) {
    grid-row: 3;
  }
  .digits button:nth-child(10) {
    grid-area: 4 / 1;
  }
  .digits button:nth-child(11) {
    grid-area: 4 / 2 / 5 / 4;
  }
  .digits button:nth-child(12) {
    grid-area: 1 / 4 / 3 / 5;
  }
  .digits button:nth-child(13) {
    grid-area: 3 / 4 / 5 / 5;
  }
  .fractions {
    display: grid;
    grid-template-columns: repeat(5, 1fr);
    gap: 6px;
  }
  button {
    min-height: 50px;
    border: 1px solid var(--line);
    border-radius: var(--radius);
    background: var(--paper);
    color: var(--ink);
    font: inherit;
    font-size: 1.35rem;
    font-weight: 600;
    touch-action: manipulation;
  }
  .fractions button {
    min-height: 48px;
    font-size: 1.05rem;
  }
  button:active {
    background: var(--rust-soft);
  }
</style>
