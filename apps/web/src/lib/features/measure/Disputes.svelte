<script module lang="ts">
  import type { OpeningEditor } from '$lib/job/opening.svelte.ts';

  export interface DisputesProps {
    editor: OpeningEditor;
  }
</script>

<script lang="ts">
  import Button from '$lib/ui/Button.svelte';
  import { madeBy } from '$words/contract.ts';
  import { measureWords } from '$words/measure.ts';
  import { saveWords } from '$words/shell.ts';
  import { historyWords } from '$words/history.ts';
  import { dateTime } from '$lib/ui/time.ts';
  import {
    disputedPoints,
    pointFromOutside,
    pointTexts,
    standingReadings,
    type Reading,
    type SurveyPointId,
  } from '@hulvek/core';

  let { editor }: DisputesProps = $props();
  const standing = $derived(standingReadings(editor.view.readings));
  const disputed = $derived(
    disputedPoints(standing).map((point) => ({ point, readings: standing.get(point) ?? [] })),
  );

  /** What the point is called from the side this survey is taken from. */
  const seen = (point: SurveyPointId) => pointFromOutside({ point, from: editor.opening.survey.from });

  function keep({ point, from, value }: Reading, all: readonly Reading[]) {
    editor.keepReading({ point, from, value, replaces: all.map((reading) => reading.id) });
  }
</script>

{#if disputed.length > 0}
  <section aria-label={measureWords.disputed}>
    <h3>{measureWords.disputed}</h3>
    <p>{measureWords.disputedText}</p>
    {#each disputed as { point, readings } (point)}
      <h4>{pointTexts[seen(point)].label}</h4>
      <ul>
        {#each readings as reading (reading.id)}
          <li>
            <Button disabled={!editor.mayEdit} onclick={() => keep(reading, readings)}
              >{measureWords.keep(reading.value?.typed ?? saveWords.none)}</Button
            >
            <span
              >{madeBy(reading)}{#if reading.at}, {dateTime(reading.at)}{/if}{#if reading.from === 'inside'}, {historyWords.seen(
                  measureWords.inside,
                )}{/if}</span
            >
          </li>
        {/each}
      </ul>
    {/each}
  </section>
{/if}

<style>
  section {
    display: grid;
    gap: var(--gap-2);
    margin-bottom: var(--gap-4);
    padding: var(--gap-3);
    border-left: 4px solid var(--watch);
    background: var(--sand);
  }
  h4 {
    margin: 0;
  }
  ul {
    display: grid;
    gap: var(--gap-2);
  }
  li {
    display: flex;
    flex-flow: row wrap;
    align-items: center;
    gap: var(--gap-2) var(--gap-3);
    font-size: 0.9rem;
  }
</style>
