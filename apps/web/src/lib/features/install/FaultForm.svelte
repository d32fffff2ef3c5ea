<!-- A fault noted at a step: at which piece, what, how bad; which step would cover it is read off the wall. -->
<script module lang="ts">
  import type { FieldLog } from './field.svelte.ts';
  import type { PlannedStep } from '@hulvek/core';

  export interface FaultFormProps {
    step: PlannedStep;
    log: FieldLog;
    ondone: () => void;
  }
</script>

<script lang="ts">
  import Button from '$lib/ui/Button.svelte';
  import { punchWords as t } from '$words/punch.ts';
  import { coveringStep, faultSeverities, pieceText, stepText } from '@hulvek/core';

  let { step, log, ondone }: FaultFormProps = $props();
  const id = $props.id();
  let piece = $derived(step.places[0] ?? '');
  let severity = $state<(typeof faultSeverities)[number]>('stops');
  let words = $state('');
  let owner = $state('');
  const build = $derived(log.frozen?.build);
  const before = $derived(build ? coveringStep(build, piece) : null);

  function keep(event: SubmitEvent) {
    event.preventDefault();
    const facts = {
      kind: 'fault' as const,
      piece,
      severity,
      ...(before !== null && { before }),
      ...(owner.trim() !== '' && { owner: owner.trim() }),
    };
    if (log.add({ kind: 'fault', step: step.id, undoes: null, note: words.trim(), facts })) ondone();
  }
</script>

<form onsubmit={keep} data-testid="fault-form">
  <label for="{id}-piece">{t.piece}</label>
  <select id="{id}-piece" bind:value={piece}>
    {#each step.places as one (one)}<option value={one}>{pieceText(one)}</option>{/each}
  </select>
  <label for="{id}-words">{t.words}</label>
  <textarea id="{id}-words" rows="2" maxlength="2000" required bind:value={words}></textarea>
  <label for="{id}-severity">{t.severity}</label>
  <select id="{id}-severity" bind:value={severity}>
    {#each faultSeverities as one (one)}<option value={one}>{t.severities[one]}</option>{/each}
  </select>
  <label for="{id}-owner">{t.owner}</label>
  <input id="{id}-owner" maxlength="120" autocomplete="off" bind:value={owner} />
  <p>{before === null ? t.never : t.before(stepText(before).title)}</p>
  <div class="do">
    <Button kind="main" type="submit" large disabled={words.trim() === ''}>{t.keep}</Button>
    <Button kind="quiet" large onclick={ondone}>{t.cancel}</Button>
  </div>
</form>

<style>
  form {
    display: grid;
    gap: 4px;
    padding: var(--gap-3) 0;
  }
  .do {
    display: flex;
    flex-flow: row wrap;
    gap: var(--gap-3);
  }
</style>
