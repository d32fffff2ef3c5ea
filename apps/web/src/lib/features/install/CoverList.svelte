<!-- What this step hides, and what of it nobody has seen yet: seen now, or covered with a reason that stays on the punch list. -->
<script module lang="ts">
  import type { PlannedStep } from '@hulvek/core';
  import type { FieldLog } from './field.svelte.ts';

  export interface CoverListProps {
    step: PlannedStep;
    log: FieldLog;
  }
</script>

<script lang="ts">
  import Button from '$lib/ui/Button.svelte';
  import { coverWords as t } from '$words/install.ts';
  import { hiddenBy, isUnseen, lookText, pieceText, stepText, type Hidden } from '@hulvek/core';

  let { step, log }: CoverListProps = $props();
  const id = $props.id();
  const hidden = $derived.by(() => {
    const build = log.frozen?.build;
    return build ? hiddenBy(build, step.id, log.progress, log.store.context.materials) : [];
  });
  const unseen = $derived(hidden.filter(isUnseen));
  let asking = $state(false);
  let reason = $state('');

  const mayLook = (one: Hidden) => {
    const state = log.progress.find((other) => other.id === one.step);
    return state?.tick !== null && state !== undefined && log.mayLookAt(state) && !state.look;
  };
  const lacks = (one: Hidden): string[] => [
    ...one.looks.map(lookText),
    ...(one.stepLook ? [t.stepLook] : []),
    ...(one.figures > 0 ? [t.figures(one.figures)] : []),
    ...(one.faults > 0 ? [t.faults(one.faults)] : []),
    ...(one.pictured ? [] : [t.noPicture]),
  ];

  /** What is covered unseen stays on the punch list, with who said why. */
  function cover(event: SubmitEvent) {
    event.preventDefault();
    for (const one of unseen)
      log.add({
        kind: 'fault',
        step: one.step,
        undoes: null,
        note: t.covered(reason.trim()),
        facts: { kind: 'fault', piece: one.piece, severity: 'passed', before: step.id },
      });
    asking = false;
    reason = '';
  }
</script>

{#if hidden.length > 0}
  <section class="hides" data-testid="cover-list" data-open={unseen.length > 0}>
    <h3>{t.title(hidden.length, unseen.length)}</h3>
    <ul>
      {#each hidden as one (one.piece)}
        <li data-unseen={isUnseen(one)}>
          <b>{pieceText(one.piece)}</b>
          {#if lacks(one).length > 0}<span>{lacks(one).join(' · ')}</span>{:else}<span>{t.seen}</span>{/if}
          {#if (one.looks.length > 0 || one.stepLook) && mayLook(one)}
            <Button
              onclick={() => log.add({ kind: 'look', step: one.step, undoes: null, note: '' })}
              aria-label="{t.look}: {stepText(one.step).title}">{t.look}</Button
            >
          {/if}
        </li>
      {/each}
    </ul>
    {#if unseen.length > 0 && log.may('fault')}
      {#if asking}
        <form onsubmit={cover}>
          <label for="{id}-reason">{t.reason}</label>
          <textarea id="{id}-reason" rows="2" maxlength="300" required bind:value={reason}></textarea>
          <div class="do">
            <Button type="submit" large disabled={reason.trim() === ''}>{t.keep}</Button>
            <Button kind="quiet" large onclick={() => (asking = false)}>{t.cancel}</Button>
          </div>
        </form>
      {:else}<Button kind="quiet" large onclick={() => (asking = true)}>{t.coverUnseen}</Button>{/if}
    {/if}
  </section>
{/if}

<style>
  .hides {
    display: grid;
    gap: var(--gap-2);
    padding: var(--gap-3);
    border: 1px solid var(--line);
    border-radius: var(--radius);
  }
  .hides[data-open='true'] {
    border-color: var(--watch);
  }
  h3,
  ul {
    margin: 0;
    padding: 0;
    font-size: 1rem;
  }
  ul {
    display: grid;
    gap: var(--gap-2);
    list-style: none;
  }
  li {
    display: flex;
    flex-flow: row wrap;
    gap: var(--gap-1) var(--gap-3);
    align-items: center;
    padding-left: var(--gap-2);
    border-left: 4px solid var(--good);
  }
  li[data-unseen='true'] {
    border-left-color: var(--watch);
  }
  form {
    display: grid;
    gap: var(--gap-2);
  }
  .do {
    display: flex;
    gap: var(--gap-2);
  }
</style>
