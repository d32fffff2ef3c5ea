<script module lang="ts">
  import type { OpeningEditor } from '$lib/job/opening.svelte.ts';

  export interface OrderStageProps {
    editor: OpeningEditor;
  }
</script>

<script lang="ts">
  import Button from '$lib/ui/Button.svelte';
  import MeasureField from '$lib/ui/MeasureField.svelte';
  import LooseField from '$lib/ui/LooseField.svelte';
  import VerdictMark from '$lib/ui/VerdictMark.svelte';
  import { shellWords } from '$words/shell.ts';
  import { duration, orderWords as t } from '$words/order.ts';
  import {
    asTyped,
    comesIn,
    drivingRain,
    parseLength,
    readMeasure,
    roomOf,
    saferThan,
    stepText,
    writeMeasure,
    type Build,
    type Evening,
    type Verdict,
  } from '@hulvek/core';
  import ArrowDown from '@lucide/svelte/icons/arrow-down';
  import ArrowUp from '@lucide/svelte/icons/arrow-up';
  import { tick, untrack } from 'svelte';
  import { OrderDesk } from './order-desk.svelte.ts';

  let { editor }: OrderStageProps = $props();
  const desk = untrack(() => new OrderDesk(editor));
  const reads = $derived(editor.store.reads);
  const build = $derived(desk.build);
  const timeline = $derived(desk.timeline);
  let open = $state<string | null>(null);
  let reason = $state('');
  let problem = $state('');

  /** A night that nobody entered: ten millimetres in six hours at a fresh breeze. */
  const NIGHT = { rain_mm: 10, hours: 6, wind_ms: 6, catch_mm: 1000 };
  let night = $state(
    untrack(() => ({
      rain: writeMeasure('rain', NIGHT.rain_mm, editor.store.reads),
      hours: String(NIGHT.hours),
      wind: writeMeasure('speed', NIGHT.wind_ms, editor.store.reads),
      catch: asTyped(NIGHT.catch_mm, editor.store.reads).typed,
    })),
  );
  let entered = $state(false);
  const figures = $derived.by(() => {
    const rain_mm = readMeasure('rain', night.rain, reads);
    const wind_ms = readMeasure('speed', night.wind, reads);
    const hours = Number(night.hours.trim().replace(',', '.'));
    const above = parseLength(night.catch, reads);
    return rain_mm !== null && rain_mm >= 0 && wind_ms !== null && wind_ms >= 0 && hours > 0 && above.ok
      ? { rain_mm, wind_ms, hours, catch_mm: Math.max(0, above.value.mm) }
      : null;
  });
  const falls = $derived(figures ? drivingRain(figures) : 0);

  $effect(() => {
    void build;
    untrack(() => void desk.lookAtEvenings());
  });

  const MARK: Readonly<Record<Evening['state'], Verdict>> = {
    drains: 'holds',
    'wets-framing': 'fails',
    'wets-room': 'fails',
    'not-checkable': 'not-checkable',
  };
  const markOf = ({ state, noStop }: Evening): Verdict => (noStop ? 'fails' : MARK[state]);

  const [LITRE_ml, GALLON_l] = [1000, 3.785411784];
  function amountOf(evening: Evening, of: Build): string | null {
    const litres = figures && comesIn(evening, of, falls, figures.catch_mm);
    if (litres === null) return null;
    if (reads === 'mm' && litres >= 1) return `${litres.toFixed(1)}\u202fl`;
    if (reads === 'in' && litres >= GALLON_l) return `${(litres / GALLON_l).toFixed(1)}\u202fgal`;
    return writeMeasure('volume', litres * LITRE_ml, reads, 0);
  }

  function says(evening: Evening, of: Build): string {
    if (evening.noStop) return t.noStop(evening.noStop);
    if (evening.state === 'drains') return t.drains;
    if (evening.state === 'not-checkable') return t.unknown;
    const amount = amountOf(evening, of);
    if (evening.open) return t.open(amount);
    return evening.state === 'wets-framing'
      ? t.framing(t.by(evening), amount)
      : t.room(t.by(evening), amount);
  }

  const known = $derived(desk.evenings.filter((evening) => evening !== null));
  const minutesTo = (from: number, to: number): number =>
    (build?.steps ?? []).slice(from, to).reduce((sum, step) => sum + step.work_min, 0);

  async function move(id: string, to: number) {
    problem = '';
    desk.try(id, to);
    await tick();
    document.getElementById('order-trial')?.scrollIntoView({ block: 'nearest' });
  }

  function keep() {
    if (desk.asksReason && reason.trim() === '') {
      problem = t.reasonNeeded;
      return;
    }
    desk.keep(desk.asksReason ? reason : '');
    reason = problem = '';
  }
</script>

<div class="stage">
  <h2>{t.title}</h2>
  {#if !build || !timeline}<p>{t.nothing}</p>{:else}
    <p class="quiet">{t.lead}</p>
    {#if !editor.mayPlan}<p class="quiet">{shellWords.readOnly}</p>{/if}
    <div class="top">
      <section aria-label={t.night.title} class="night">
        <h3>{t.night.title}</h3>
        <div class="fields" oninput={() => (entered = true)}>
          <MeasureField label={t.night.rain} kind="rain" {reads} bind:value={night.rain} />
          <LooseField label={t.night.hours} bind:value={night.hours} />
          <MeasureField label={t.night.wind} kind="speed" {reads} bind:value={night.wind} />
          <LooseField label={t.night.catch} bind:value={night.catch} />
        </div>
        {#if figures}
          <p>{t.night.is(writeMeasure('rain', falls, reads))} {entered ? '' : t.night.assumed}</p>
        {:else}<p class="problem" role="alert">{t.night.wrong}</p>{/if}
        <p class="quiet">{t.night.source}</p>
      </section>
      {#if desk.tonight}
        {@const { evening, build: frozen } = desk.tonight}
        <section aria-label={t.tonight} class="tonight" data-testid="tonight">
          <h3>{t.tonight}</h3>
          <p>{t.tonightAfter(evening.done, frozen.steps.length)}</p>
          <p class="says"><VerdictMark verdict={markOf(evening)} /> {says(evening, frozen)}</p>
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
      {@const { id, to, move: tried } = desk.trial}
      <section id="order-trial" class="trial" aria-live="polite" data-testid="order-trial">
        <h3>{t.moved(id, to + 1)}</h3>
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
    {/if}
    <div class="head" aria-hidden="true">
      <span>{t.step}</span><span>{t.time}</span><span>{t.evening}</span>
    </div>
    <ol class="line">
      {#each build.steps as step, i (step.id)}
        {@const timed = timeline.steps[i]}
        {@const evening = desk.evenings[i + 1] ?? null}
        {@const words = stepText(step.id)}
        <li data-step={step.id} data-trial={desk.trial?.id === step.id}>
          <div class="what">
            <span class="number figure">{i + 1}</span>
            <button
              type="button"
              class="title"
              aria-expanded={open === step.id}
              onclick={() => (open = open === step.id ? null : step.id)}>{words.title}</button
            >
            {#if editor.mayPlan}
              <span class="moves">
                <button
                  type="button"
                  aria-label="{t.earlier}: {words.title}"
                  disabled={i === 0}
                  onclick={() => void move(step.id, i - 1)}><ArrowUp size={18} aria-hidden="true" /></button
                >
                <button
                  type="button"
                  aria-label="{t.later}: {words.title}"
                  disabled={i === build.steps.length - 1}
                  onclick={() => void move(step.id, i + 1)}><ArrowDown size={18} aria-hidden="true" /></button
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
              <VerdictMark verdict={markOf(evening)} />
              <span>{says(evening, build)}</span>
            {:else}<span class="quiet">{t.looking}</span>{/if}
          </p>
          {#if open === step.id}
            {@const [first, last] = roomOf(build.steps, i)}
            <div class="more">
              {#if step.after.length > 0}
                <p><b>{t.needs}:</b></p>
                <ul>
                  {#each step.after as { step: before, because } (before)}
                    <li>
                      {stepText(before).title}
                      <span class="quiet">({because === 'physical' ? t.physical : t.process})</span>
                    </li>
                  {/each}
                </ul>
              {/if}
              {#if step.covers.length > 0}<p>{t.covers(step.covers)}</p>{/if}
              {#if first === i && last === i}<p class="quiet">{t.noRoom}</p>{/if}
              {#if evening && (evening.state !== 'drains' || evening.noStop)}
                {@const safer = saferThan(known, evening.done)}
                <p><b>{t.safer.title}</b></p>
                <ul>
                  {#if safer.earlier !== null}<li>{t.safer.earlier(safer.earlier)}</li>{/if}
                  {#if safer.later !== null}
                    <li>
                      {t.safer.later(
                        safer.later - evening.done,
                        duration(minutesTo(evening.done, safer.later)),
                      )}
                    </li>
                  {/if}
                  {#if !evening.noStop}<li>{evening.open ? t.safer.board : t.safer.cover}</li>{/if}
                </ul>
              {/if}
            </div>
          {/if}
        </li>
      {/each}
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
  section {
    display: grid;
    gap: var(--gap-2);
  }
  .fields {
    display: flex;
    flex-flow: row wrap;
    align-items: end;
    gap: var(--gap-3);
  }
  .tonight,
  .trial {
    padding: var(--gap-3);
    border: 2px solid var(--ink);
    border-radius: var(--radius);
  }
  .says {
    font-weight: 600;
  }
  .trial {
    border-color: var(--rust);
    background: var(--sand);
  }
  .trial label {
    display: grid;
    gap: var(--gap-1);
    max-width: 40rem;
    font-weight: 500;
  }
  .buttons,
  .own {
    display: flex;
    flex-flow: row wrap;
    align-items: center;
    gap: var(--gap-2);
  }
  .head,
  .line > li {
    display: grid;
    grid-template-columns: minmax(0, 5fr) minmax(0, 4fr) minmax(0, 5fr);
    gap: 2px var(--gap-4);
    align-items: center;
  }
  .head {
    color: var(--ink-soft);
    font-size: 0.9rem;
    font-weight: 600;
    border-bottom: 2px solid var(--ink);
  }
  .line > li {
    padding: var(--gap-1) 0;
    border-bottom: 1px solid var(--sand-deep);
  }
  .line > li[data-trial='true'] {
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
    .top,
    .line > li {
      grid-template-columns: minmax(0, 1fr);
    }
    .head {
      display: none;
    }
    .tonight {
      order: -1;
    }
    .evening {
      padding-left: 2rem;
    }
    .time {
      padding-left: 2rem;
    }
  }
  @media (pointer: coarse) {
    .moves button {
      width: 48px;
      height: 48px;
    }
    .title {
      min-height: 48px;
    }
  }
  @media print {
    .moves,
    .night .fields {
      display: none;
    }
  }
</style>
