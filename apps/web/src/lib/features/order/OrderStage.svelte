<script module lang="ts">
  import type { OpeningEditor } from '$lib/job/opening.svelte.ts';

  export interface OrderStageProps {
    editor: OpeningEditor;
  }
</script>

<script lang="ts">
  import Button from '$lib/ui/Button.svelte';
  import { shellWords } from '$words/shell.ts';
  import { duration, orderWords as t } from '$words/order.ts';
  import { untrack } from 'svelte';
  import EveningMark from './EveningMark.svelte';
  import NightFields from './NightFields.svelte';
  import OrderStep from './OrderStep.svelte';
  import OrderTrial from './OrderTrial.svelte';
  import { Night } from './night.svelte.ts';
  import { OrderDesk } from './order-desk.svelte.ts';

  let { editor }: OrderStageProps = $props();
  const desk = untrack(() => new OrderDesk(editor));
  const night = untrack(() => new Night(() => editor.store.reads));
  const build = $derived(desk.build);
  const timeline = $derived(desk.timeline);

  $effect(() => {
    void build;
    untrack(() => void desk.lookAtEvenings());
  });
</script>

<div class="stage">
  <h2>{t.title}</h2>
  {#if !build || !timeline}<p>{t.nothing}</p>{:else}
    <p class="quiet">{t.lead}</p>
    {#if !editor.mayPlan}<p class="quiet">{shellWords.readOnly}</p>{/if}
    <div class="top">
      <NightFields {night} />
      {#if desk.tonight}
        {@const { evening, build: frozen } = desk.tonight}
        <section aria-label={t.tonight} class="tonight" data-testid="tonight">
          <h3>{t.tonight}</h3>
          <p>{t.tonightAfter(evening.done, frozen.steps.length)}</p>
          <p class="says"><EveningMark {evening} /> {night.says(evening, frozen)}</p>
          {#if evening.state !== 'drains'}<p>{evening.open ? t.safer.board : t.safer.cover}</p>{/if}
        </section>
      {/if}
    </div>
    <p><b>{t.whole(duration(timeline.work_min), duration(timeline.total_min))}</b></p>
    {#if desk.isOwn}
      <p class="own">
        {t.own}
        {#if desk.reason}{t.because(desk.reason.person, desk.reason.reason)}{/if}
        {#if editor.mayPlan}<Button kind="quiet" onclick={() => desk.usual()}>{t.usual}</Button>{/if}
      </p>
    {/if}
    {#if desk.trial}
      {#key `${desk.trial.id} ${desk.trial.to}`}<OrderTrial {desk} trial={desk.trial} />{/key}
    {/if}
    <div class="head" aria-hidden="true">
      <span>{t.step}</span><span>{t.time}</span><span>{t.evening}</span>
    </div>
    <ol>
      {#each build.steps as step, i (step.id)}<OrderStep {desk} {night} {build} {timeline} {i} />{/each}
    </ol>
  {/if}
</div>

<style>
  .stage {
    display: grid;
    gap: var(--gap-3);
    padding: var(--gap-3) var(--gap-4);
  }
  .top {
    display: grid;
    grid-template-columns: minmax(0, 3fr) minmax(0, 2fr);
    gap: var(--gap-5);
    align-items: start;
  }
  .tonight {
    display: grid;
    gap: var(--gap-2);
    padding: var(--gap-3);
    border: 2px solid var(--ink);
    border-radius: var(--radius);
  }
  .says {
    font-weight: 600;
  }
  .own {
    display: flex;
    flex-flow: row wrap;
    align-items: center;
    gap: var(--gap-2);
  }
  .head,
  ol {
    display: grid;
    grid-template-columns: minmax(0, 5fr) minmax(0, 4fr) minmax(0, 5fr);
    column-gap: var(--gap-4);
  }
  .head {
    color: var(--ink-soft);
    font-size: 0.9rem;
    font-weight: 600;
    border-bottom: 2px solid var(--ink);
  }
  @media (max-width: 820px) {
    .top,
    ol {
      grid-template-columns: minmax(0, 1fr);
    }
    .head {
      display: none;
    }
    .tonight {
      order: -1;
    }
  }
</style>
