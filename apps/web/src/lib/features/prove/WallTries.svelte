<script module lang="ts">
  import type { WallDesk } from './wall-desk.svelte.ts';

  export interface WallTriesProps {
    desk: WallDesk;
    title: string;
  }
</script>

<script lang="ts">
  import Button from '$lib/ui/Button.svelte';
  import { changeText, waterText as t } from '$words/prove-water.ts';
  import X from '@lucide/svelte/icons/x';
  import { formatLength, stepText } from '@hulvek/core';
  import BuiltForm from '$lib/features/install/BuiltForm.svelte';

  let { desk, title }: WallTriesProps = $props();
  const units = $derived(desk.editor.store.reads);
  const length = (mm: number) => formatLength(mm, units);
  const pieces = $derived(
    (desk.build?.pieces ?? [])
      .filter(({ roles }) => !roles.includes('fin') && !roles.includes('unit'))
      .map(({ id }) => id),
  );
  const steps = $derived(desk.build?.steps ?? []);
  let asking = $state<'piece' | 'step' | null>(null);
  let step = $state('');
  let before = $state('');

  function move(event: SubmitEvent) {
    event.preventDefault();
    if (desk.try({ kind: 'moved', step, before })) asking = null;
  }
</script>

<h3>{title}</h3>
<p class="quiet">{t.triesLead}</p>
{#if desk.tries.length > 0}
  <ul>
    {#each desk.tries as change, i (i)}
      <li>
        {changeText(change, length)}
        <button
          type="button"
          class="as-link"
          aria-label={t.drop(changeText(change, length))}
          onclick={() => desk.drop(change)}><X size={16} /></button
        >
      </li>
    {/each}
  </ul>
  <Button kind="quiet" onclick={() => desk.clear()}>{t.clear}</Button>
{/if}
<div class="row">
  <Button onclick={() => (asking = asking === 'piece' ? null : 'piece')}>{t.tryPiece}</Button>
  <Button onclick={() => (asking = asking === 'step' ? null : 'step')}>{t.tryStep}</Button>
</div>
{#if asking === 'piece'}
  <BuiltForm
    {pieces}
    {units}
    stocks={desk.editor.context.materials ?? []}
    save={t.tryIt}
    onbuilt={(change) => {
      if (desk.try(change)) asking = null;
    }}
    oncancel={() => (asking = null)}
  />
{:else if asking === 'step'}
  <form onsubmit={move}>
    <label for="try-step">{t.step}</label>
    <select id="try-step" required bind:value={step}>
      {#each steps as { id } (id)}<option value={id}>{stepText(id).title}</option>{/each}
    </select>
    <label for="try-before">{t.stepBefore}</label>
    <select id="try-before" required bind:value={before}>
      {#each steps as { id } (id)}<option value={id}>{stepText(id).title}</option>{/each}
    </select>
    <Button type="submit" disabled={step === '' || before === '' || step === before}>{t.tryIt}</Button>
  </form>
{/if}
<p class="problem" role="status">{desk.problem ? t.refused[desk.problem] : ''}</p>

<style>
  h3 {
    margin-top: var(--gap-3);
    padding-top: var(--gap-3);
    border-top: 1px solid var(--line);
  }
  li {
    display: flex;
    align-items: center;
    justify-content: space-between;
    gap: var(--gap-2);
  }
  .row {
    display: flex;
    flex-flow: row wrap;
    gap: var(--gap-2);
  }
  form {
    display: grid;
    grid-template-columns: auto minmax(0, 1fr);
    align-items: center;
    gap: var(--gap-2) var(--gap-3);
  }
  .problem:empty {
    display: none;
  }
</style>
