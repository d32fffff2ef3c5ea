<!-- What stands before a tick: the gap, what the step would hide, what it is like now, and why it has to wait. -->
<script module lang="ts">
  import type { FieldLog } from './field.svelte.ts';
  import type { Conditions, LengthUnit, PlannedStep, StepProgress } from '@hulvek/core';

  export interface BeforeTickProps {
    step: PlannedStep;
    log: FieldLog;
    units: LengthUnit;
    title: string;
    state: StepProgress;
    conditions: Conditions | null;
    /** What speaks against the tick on this device. */
    held: ReturnType<FieldLog['heldAt']>;
    /** Outside what the material asks for, and nobody said why it is done all the same. */
    isOutside: boolean;
    despite: string;
  }
</script>

<script lang="ts">
  import Button from '$lib/ui/Button.svelte';
  import { conditionWords, coverWords, gapWords, takenWords } from '$words/install.ts';
  import { gapThingsAt } from '@hulvek/core';
  import ConditionsNow from './ConditionsNow.svelte';
  import CoverList from './CoverList.svelte';
  import GapLedger from './GapLedger.svelte';

  let {
    step,
    log,
    units,
    title,
    state: now,
    conditions,
    held,
    isOutside,
    despite = $bindable(),
  }: BeforeTickProps = $props();
  let stays = $state('');
  const gaps = $derived(log.frozen ? gapThingsAt(log.frozen.build, step) : []);

  /** A shim that the method takes out stays, with who said why. */
  function leaveIn(event: SubmitEvent) {
    event.preventDefault();
    const { name } = log.store.pack.me;
    const facts = { kind: 'deviation' as const, from: 'school' as const, accepted: name };
    log.add({ kind: 'deviation', step: step.id, undoes: null, note: gapWords.left(stays.trim()), facts });
  }
</script>

{#if gaps.length > 0}<GapLedger step={step.id} things={gaps} {log} {units} />{/if}
{#if !now.tick}<CoverList {step} {log} />{/if}
{#if conditions}
  <ConditionsNow {conditions} {units} bind:despite disabled={!log.may('tick')} />
{/if}
{#if now.status === 'open'}
  {#if held === 'hides'}<p>{coverWords.held(title)}</p>
  {:else if held === 'taken'}<p>{takenWords.waits}</p>
  {:else if held === 'left-in'}
    <form onsubmit={leaveIn}>
      <p>{gapWords.stay(log.leftIn(step))}</p>
      <label for="stays-{step.id}">{gapWords.why}</label>
      <input id="stays-{step.id}" maxlength="400" autocomplete="off" bind:value={stays} />
      <Button type="submit" large disabled={stays.trim() === '' || !log.may('deviation')}
        >{gapWords.keepIn}</Button
      >
    </form>
  {:else if isOutside}<p>{conditionWords.needsReason}</p>{/if}
{/if}

<style>
  p {
    margin: 0;
    color: var(--watch);
    font-weight: 600;
  }
  form {
    display: grid;
    gap: var(--gap-2);
  }
  input {
    min-height: var(--touch);
  }
</style>
