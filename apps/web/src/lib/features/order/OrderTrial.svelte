<script module lang="ts">
  import type { OrderDesk, Trial } from './order-desk.svelte.ts';

  export interface OrderTrialProps {
    desk: OrderDesk;
    trial: Trial;
  }
</script>

<script lang="ts">
  import Button from '$lib/ui/Button.svelte';
  import VerdictMark from '$lib/ui/VerdictMark.svelte';
  import { orderWords as t } from '$words/order.ts';

  let { desk, trial }: OrderTrialProps = $props();
  const tried = $derived(trial.move);
  let reason = $state('');
  let problem = $state('');

  function keep() {
    problem = desk.asksReason && reason.trim() === '' ? t.reasonNeeded : '';
    if (problem === '') desk.keep(desk.asksReason ? reason : '');
  }
</script>

<section id="order-trial" class="trial" aria-live="polite" data-testid="order-trial">
  <h3>{t.moved(trial.id, trial.to + 1)}</h3>
  <ul>
    {#each tried.breaches as { step, before, because } (`${step} ${before}`)}
      <li>
        <VerdictMark verdict={because === 'physical' ? 'fails' : 'watch'} />
        {because === 'physical' ? t.refused(step, before) : t.against(step, before)}
      </li>
    {/each}
    {#if tried.water}
      {#each tried.water.turned as { upper, lower } (`${upper} ${lower}`)}
        <li><VerdictMark verdict="fails" /> {t.turned(upper, lower)}</li>
      {/each}
      <li>
        <VerdictMark verdict={tried.water.worse ? 'fails' : 'holds'} />
        {t.water(tried.water.before, tried.water.after)}
        {tried.water.worse
          ? tried.water.turned.length === 0 && tried.water.before.path === tried.water.after.path
            ? t.weaker
            : ''
          : t.same}
      </li>
    {:else if tried.breaches.every(({ because }) => because !== 'physical')}
      <li><VerdictMark verdict="fails" /> {t.geometry}</li>
    {/if}
  </ul>
  {#if tried.water}
    {#if desk.asksReason}
      <label>{t.reason}<textarea rows="2" maxlength="500" bind:value={reason}></textarea></label>
    {/if}
    {#if problem}<p class="problem" role="alert">{problem}</p>{/if}
  {/if}
  <p class="buttons">
    {#if tried.water}<Button kind="main" onclick={keep}>{t.keep}</Button>{/if}
    <Button onclick={() => desk.putBack()}>{t.back}</Button>
  </p>
</section>

<style>
  section {
    display: grid;
    gap: var(--gap-2);
    padding: var(--gap-3);
    border: 2px solid var(--rust);
    border-radius: var(--radius);
    background: var(--sand);
  }
  label {
    display: grid;
    gap: var(--gap-1);
    max-width: 40rem;
    font-weight: 500;
  }
  .buttons {
    display: flex;
    flex-flow: row wrap;
    gap: var(--gap-2);
  }
</style>
