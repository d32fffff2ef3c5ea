<!-- Who works on this opening: taken, handed over, left again. -->
<script module lang="ts">
  import type { FieldLog } from './field.svelte.ts';

  export interface TakenBarProps {
    log: FieldLog;
  }
</script>

<script lang="ts">
  import Button from '$lib/ui/Button.svelte';
  import { dateTime } from '$lib/ui/time.ts';
  import { takenWords as t } from '$words/install.ts';

  let { log }: TakenBarProps = $props();
  const take = () => log.add({ kind: 'taken', step: log.stepNow, undoes: null, note: '' });
</script>

{#if log.stepNow !== '' && !log.isFinished && (log.taken || log.may('taken'))}
  <p class="taken" data-testid="taken" data-others={log.isOthers}>
    {#if log.taken && log.isOthers}
      <span>{t.others(log.taken.person, dateTime(log.taken.at))}</span>
      <Button large disabled={!log.may('taken')} onclick={take}>{t.over}</Button>
    {:else if log.taken}
      {@const { id, step } = log.taken}
      <span>{t.mine}</span>
      <Button kind="quiet" large onclick={() => log.add({ kind: 'undo', step, undoes: id, note: '' })}
        >{t.leave}</Button
      >
    {:else}<Button kind="quiet" large onclick={take}>{t.take}</Button>{/if}
  </p>
{/if}

<style>
  .taken {
    display: flex;
    flex-flow: row wrap;
    gap: var(--gap-3);
    align-items: center;
    width: 100%;
    margin: 0;
  }
  .taken[data-others='true'] {
    padding: var(--gap-2) var(--gap-3);
    border-left: 4px solid var(--watch);
    background: var(--sand);
  }
</style>
