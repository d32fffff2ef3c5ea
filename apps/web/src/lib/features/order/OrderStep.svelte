<script module lang="ts">
  import type { OrderDesk } from './order-desk.svelte.ts';
  import type { Night } from './night.svelte.ts';
  import type { Build, Timeline } from '@hulvek/core';

  export interface OrderStepProps {
    desk: OrderDesk;
    night: Night;
    build: Build;
    timeline: Timeline;
    /** Which of the steps. */
    i: number;
  }
</script>

<script lang="ts">
  import { duration, orderWords as t } from '$words/order.ts';
  import { roomOf, saferThan, stepText } from '@hulvek/core';
  import ArrowDown from '@lucide/svelte/icons/arrow-down';
  import ArrowUp from '@lucide/svelte/icons/arrow-up';
  import { tick } from 'svelte';
  import EveningMark from './EveningMark.svelte';

  let { desk, night, build, timeline, i }: OrderStepProps = $props();
  const step = $derived(build.steps[i]);
  const timed = $derived(timeline.steps[i]);
  const evening = $derived(desk.evenings[i + 1] ?? null);
  const words = $derived(stepText(step?.id ?? ''));
  let open = $state(false);

  async function move(by: 1 | -1) {
    if (!step) return;
    desk.move(step.id, by);
    await tick();
    document.getElementById('order-trial')?.scrollIntoView({ block: 'nearest' });
  }

  /** Taken by its number and drawn over the others: what it would do there is said while it is held. */
  let held = $state(false);
  function grip(event: PointerEvent) {
    if (!desk.editor.mayPlan || event.button !== 0) return;
    (event.currentTarget as HTMLElement).setPointerCapture(event.pointerId);
    held = true;
  }
  function draw(event: PointerEvent) {
    if (!held || !step) return;
    const over = document
      .elementsFromPoint(event.clientX, event.clientY)
      .find((one) => one instanceof HTMLElement && one.dataset.step !== undefined);
    const to = build.steps.findIndex(({ id }) => over instanceof HTMLElement && id === over.dataset.step);
    if (to >= 0 && to !== (desk.trial?.id === step.id ? desk.trial.to : i)) desk.try(step.id, to);
  }
</script>

{#if step}
  <li data-step={step.id} data-trial={desk.trial?.id === step.id}>
    <div class="what">
      <!-- The arrows beside it do the same by keys. -->
      <!-- svelte-ignore a11y_no_static_element_interactions -->
      <span
        class="number figure"
        class:grip={desk.editor.mayPlan}
        class:held
        onpointerdown={grip}
        onpointermove={draw}
        onpointerup={() => (held = false)}
        onpointercancel={() => (held = false)}>{i + 1}</span
      >
      <button type="button" class="title" aria-expanded={open} onclick={() => (open = !open)}
        >{words.title}</button
      >
      {#if desk.editor.mayPlan}
        <span class="moves">
          <button
            type="button"
            aria-label="{t.earlier}: {words.title}"
            disabled={i === 0}
            onclick={() => void move(-1)}><ArrowUp size={18} aria-hidden="true" /></button
          >
          <button
            type="button"
            aria-label="{t.later}: {words.title}"
            disabled={i === build.steps.length - 1}
            onclick={() => void move(1)}><ArrowDown size={18} aria-hidden="true" /></button
          >
        </span>
      {/if}
    </div>
    {#if timed}
      <div class="time">
        <div class="track" aria-hidden="true">
          {#if timed.waits}
            <span
              class="rest"
              style:left="{((timed.start_min - timed.waits.min) / timeline.total_min) * 100}%"
              style:width="{(timed.waits.min / timeline.total_min) * 100}%"
            ></span>
          {/if}
          <span
            class="work"
            style:left="{(timed.start_min / timeline.total_min) * 100}%"
            style:width="{((timed.end_min - timed.start_min) / timeline.total_min) * 100}%"
          ></span>
        </div>
        <span class="figure clock">{t.at(duration(timed.start_min), duration(timed.end_min))}</span>
        {#if timed.waits}
          <span class="quiet">{t.waits(duration(timed.waits.min), timed.waits.step)}</span>
        {/if}
        {#each timed.late as { step: before, by_min } (before)}
          <span class="problem">{t.late(before, duration(by_min))}</span>
        {/each}
      </div>
    {/if}
    <p class="evening" data-state={evening?.state} data-stop={evening?.noStop === null}>
      {#if evening}
        <EveningMark {evening} />
        <span>{night.says(evening, build)}</span>
      {:else}<span class="quiet">{t.looking}</span>{/if}
    </p>
    {#if open}
      {@const [first, last] = roomOf(build.steps, i)}
      <div class="more">
        {#if step.after.length > 0}
          <p><b>{t.needs}:</b></p>
          <ul>
            {#each step.after as { step: before, because, setAside } (before)}
              <li>
                {stepText(before).title}
                <span class="quiet"
                  >({setAside ? t.setAside : because === 'physical' ? t.physical : t.process})</span
                >
              </li>
            {/each}
          </ul>
        {/if}
        {#if step.covers.length > 0}<p>{t.covers(step.covers)}</p>{/if}
        {#if first === i && last === i}<p class="quiet">{t.noRoom}</p>{/if}
        {#if evening && (evening.state !== 'drains' || evening.noStop)}
          {@const safer = saferThan(desk.known, evening.done)}
          <p><b>{t.safer.title}</b></p>
          <ul>
            {#if safer.earlier !== null}<li>{t.safer.earlier(safer.earlier)}</li>{/if}
            {#if safer.later !== null}
              <li>
                {t.safer.later(
                  safer.later - evening.done,
                  duration(desk.minutesBetween(evening.done, safer.later)),
                )}
              </li>
            {/if}
            {#if !evening.noStop}<li>{evening.open ? t.safer.board : t.safer.cover}</li>{/if}
          </ul>
        {/if}
      </div>
    {/if}
  </li>
{/if}

<style>
  .grip {
    cursor: grab;
    touch-action: none;
  }
  .held {
    outline: 2px solid var(--rust);
  }
  li {
    display: grid;
    grid-template-columns: subgrid;
    grid-column: 1 / -1;
    align-items: center;
    row-gap: 2px;
    padding: var(--gap-1) 0;
    border-bottom: 1px solid var(--sand-deep);
  }
  li[data-trial='true'] {
    background: var(--rust-soft);
  }
  .what {
    display: grid;
    grid-template-columns: 2rem minmax(0, 1fr) auto;
    column-gap: var(--gap-2);
    align-items: center;
  }
  .title {
    min-height: 40px;
    padding: 0;
    border: 0;
    background: none;
    color: var(--ink);
    font: inherit;
    font-weight: 600;
    text-align: left;
    cursor: pointer;
  }
  .moves {
    display: flex;
    gap: var(--gap-1);
  }
  .moves button {
    display: grid;
    place-items: center;
    width: 34px;
    height: 34px;
    border: 1px solid var(--line);
    border-radius: var(--radius);
    background: none;
    color: var(--ink);
    cursor: pointer;
  }
  .moves button:disabled {
    color: var(--line);
    cursor: default;
  }
  .time {
    display: grid;
    gap: 2px;
    min-width: 0;
  }
  .track {
    position: relative;
    height: 12px;
    background: var(--sand);
  }
  .track span {
    position: absolute;
    top: 0;
    bottom: 0;
    min-width: 2px;
  }
  .work {
    background: var(--ink);
  }
  .rest {
    background: repeating-linear-gradient(
      45deg,
      var(--line),
      var(--line) 3px,
      transparent 3px,
      transparent 6px
    );
  }
  .clock {
    font-size: 0.85rem;
  }
  .evening {
    display: grid;
    grid-template-columns: auto minmax(0, 1fr);
    gap: var(--gap-2);
    align-items: baseline;
  }
  .more {
    grid-column: 1 / -1;
    display: grid;
    gap: var(--gap-1);
    padding: var(--gap-2) var(--gap-3) var(--gap-3) 2rem;
    border-left: 4px solid var(--line);
  }
  .more ul {
    padding-left: 1.2rem;
    list-style: disc;
  }
  @media (max-width: 820px) {
    .evening,
    .time {
      padding-left: 2rem;
    }
  }
  @media (pointer: coarse), (max-width: 640px) {
    .moves button {
      width: 48px;
      height: 48px;
    }
    .title {
      min-height: 48px;
    }
  }
  @media print {
    .moves {
      display: none;
    }
  }
</style>
