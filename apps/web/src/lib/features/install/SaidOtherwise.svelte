<!-- What of a step was built otherwise, and what was departed from: each can be taken back. -->
<script module lang="ts">
  import type { FieldLog } from './field.svelte.ts';
  import type { Entry, LengthUnit } from '@hulvek/core';

  export interface SaidOtherwiseProps {
    /** Of the step, that stand. */
    entries: readonly Entry[];
    log: FieldLog;
    units: LengthUnit;
  }
</script>

<script lang="ts">
  import Button from '$lib/ui/Button.svelte';
  import VerdictMark from '$lib/ui/VerdictMark.svelte';
  import { deviationWords, installWords } from '$words/install.ts';
  import { changeText } from '$words/prove-water.ts';
  import { formatLength } from '@hulvek/core';

  let { entries, log, units }: SaidOtherwiseProps = $props();
  const length = $derived((mm: number) => formatLength(mm, units));
  const said = $derived(entries.filter(({ kind, facts }) => kind === 'built' || facts?.kind === 'deviation'));
  const back = ({ id, step }: Entry) => log.add({ kind: 'undo', step, undoes: id, note: '' });
</script>

{#each said as entry (entry.id)}
  <p>
    <VerdictMark verdict="watch" />
    {#if entry.facts?.kind === 'deviation'}
      {deviationWords.is(deviationWords.froms[entry.facts.from], entry.facts.accepted)} “{entry.note}”
    {:else}{entry.built ? changeText(entry.built, length) : ''}{/if}
    <Button kind="quiet" disabled={!log.may('note')} onclick={() => back(entry)}>{installWords.undo}</Button>
  </p>
{/each}

<style>
  p {
    display: flex;
    align-items: baseline;
    gap: var(--gap-2);
    margin: 0;
  }
</style>
