<!-- Something is done otherwise than planned, than its maker says or than the school does it: why, and who accepted it. -->
<script module lang="ts">
  import type { FieldLog } from './field.svelte.ts';

  export interface DeviationFormProps {
    step: string;
    log: FieldLog;
    ondone: () => void;
  }
</script>

<script lang="ts">
  import Button from '$lib/ui/Button.svelte';
  import { deviationWords as t, installWords } from '$words/install.ts';
  import { departedFroms } from '@hulvek/core';

  let { step, log, ondone }: DeviationFormProps = $props();
  const id = $props.id();
  let from = $state<(typeof departedFroms)[number]>('plan');
  let words = $state('');
  let accepted = $state('');
  const sound = $derived(words.trim() !== '' && accepted.trim() !== '');

  function keep(event: SubmitEvent) {
    event.preventDefault();
    const facts = { kind: 'deviation' as const, from, accepted: accepted.trim() };
    if (log.add({ kind: 'deviation', step, undoes: null, note: words.trim(), facts })) ondone();
  }
</script>

<form onsubmit={keep} data-testid="deviation-form">
  <label for="{id}-from">{t.from}</label>
  <select id="{id}-from" bind:value={from}>
    {#each departedFroms as one (one)}<option value={one}>{t.froms[one]}</option>{/each}
  </select>
  <label for="{id}-words">{t.words}</label>
  <textarea id="{id}-words" rows="2" maxlength="2000" required bind:value={words}></textarea>
  <label for="{id}-by">{t.accepted}</label>
  <input id="{id}-by" maxlength="120" autocomplete="off" required bind:value={accepted} />
  <div class="do">
    <Button type="submit" large disabled={!sound}>{t.keep}</Button>
    <Button kind="quiet" large onclick={ondone}>{installWords.cancel}</Button>
  </div>
</form>

<style>
  form {
    display: grid;
    gap: 4px;
    width: 100%;
    padding: var(--gap-3) 0;
  }
  select,
  input {
    min-height: var(--touch);
  }
  .do {
    display: flex;
    gap: var(--gap-3);
  }
</style>
