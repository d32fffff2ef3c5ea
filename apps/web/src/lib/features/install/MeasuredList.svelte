<!-- What a step asks to be measured, with its limits; a figure outside is measured again, or stays with a reason. -->
<script module lang="ts">
  import type { FieldLog } from './field.svelte.ts';
  import type { LengthUnit, Measured } from '@hulvek/core';

  export interface MeasuredListProps {
    step: string;
    list: readonly Measured[];
    log: FieldLog;
    units: LengthUnit;
  }
</script>

<script lang="ts">
  import Button from '$lib/ui/Button.svelte';
  import { dateTime } from '$lib/ui/time.ts';
  import { measuredWords as t } from '$words/punch.ts';
  import {
    apartAt,
    figureFrom,
    formatLength,
    measuredTexts,
    type Ask,
    type FigureSource,
  } from '@hulvek/core';
  import { figureText, limitsText, placeText, readFigure } from './figures.ts';
  import { ways, type Way } from './readings.svelte.ts';

  let { step, list, log, units }: MeasuredListProps = $props();
  const id = $props.id();
  let typed = $state<Record<string, string>>({});
  let why = $state<Record<string, string>>({});
  /** What went wrong, by figure. */
  let wrong = $state<{ key: string; text: string; lost: boolean } | null>(null);

  const keyOf = ({ what, place }: Ask) => `${what} ${place}`;
  const label = ({ what, place }: Ask) => {
    const at = placeText(place);
    return at === '' ? measuredTexts[what].name : `${measuredTexts[what].name}, ${at}`;
  };
  const apart = $derived(apartAt(list));
  const done = $derived(list.filter(({ value }) => value !== null).length);

  function keep(ask: Ask, figure: { value: number; by: FigureSource } | null, accepted?: string) {
    const key = keyOf(ask);
    wrong = figure === null ? { key, text: t.wrong, lost: false } : null;
    if (figure === null) return;
    const { what, place } = ask;
    const by = figure.by === 'hand' ? {} : { by: figure.by };
    const facts = {
      kind: 'measured' as const,
      what,
      place,
      value: figure.value,
      ...by,
      ...(accepted && { accepted }),
    };
    if (log.add({ kind: 'measured', step, undoes: null, note: '', facts })) {
      typed[key] = '';
      why[key] = '';
    }
  }

  async function read(ask: Ask) {
    const key = keyOf(ask);
    const answer = await ways.read(ask, `${log.opening}${step}${key}`);
    if (!answer.ok) {
      wrong = { key, text: t[answer.because], lost: answer.because === 'lost' };
      return;
    }
    const figure = figureFrom(ask.what, answer);
    if (figure.ok) keep(ask, { value: figure.value, by: 'simulated' });
    else wrong = { key, text: t[figure.because], lost: false };
  }
</script>

<section data-testid="measured">
  <h3>{t.title} <small>{t.open(done, list.length)}</small></h3>
  <ul>
    {#each list as { ask, entry, value, outside, accepted, all } (keyOf(ask))}
      {@const key = keyOf(ask)}
      <li data-outside={outside && accepted === null} data-there={value !== null}>
        <form
          onsubmit={(event) => {
            event.preventDefault();
            keep(ask, readFigure(ask.what, typed[key] ?? '', units));
          }}
        >
          <label for="{id}-{key}">{label(ask)} <small>{limitsText(ask, units)}</small></label>
          <input
            id="{id}-{key}"
            class="figure"
            inputmode="decimal"
            autocomplete="off"
            disabled={!log.may('measured')}
            bind:value={typed[key]}
          />
          <span class="do">
            {#if ways.way === 'simulated'}
              <Button
                kind="quiet"
                large
                disabled={!log.may('measured')}
                aria-label="{t.read}: {label(ask)}"
                onclick={() => void read(ask)}>{t.read}</Button
              >
            {/if}
            {#if (typed[key] ?? '').trim() !== ''}
              <Button type="submit" large disabled={!log.may('measured')}>{t.keep}</Button>
            {/if}
          </span>
        </form>
        {#if wrong?.key === key}
          <p class="problem" role="alert">{wrong.text}</p>
          {#if wrong.lost}
            <Button
              onclick={() => {
                void ways.reconnect();
                wrong = null;
              }}>{t.reconnect}</Button
            >
          {/if}
        {/if}
        {#if entry && value !== null}
          <p>
            <b class="figure">{t.is(figureText(ask.what, value, units))}</b>
            <span class="quiet"
              >{t.by(
                entry.person,
                dateTime(entry.at),
              )}{#if entry.facts?.kind === 'measured' && entry.facts.by === 'simulated'}, {t.simulated}{/if}{#if all.length > 1},
                {t.times(all.length)}{/if}</span
            >
          </p>
        {/if}
        {#if outside && value !== null}
          {#if accepted !== null}<p>{t.accepted(accepted)}</p>
          {:else}
            <p class="caution">{measuredTexts[ask.what].outside}</p>
            <form
              class="why"
              onsubmit={(event) => {
                event.preventDefault();
                keep(ask, { value, by: 'hand' }, (why[key] ?? '').trim());
              }}
            >
              <label for="{id}-{key}-why">{t.why}</label>
              <input id="{id}-{key}-why" maxlength="400" autocomplete="off" bind:value={why[key]} />
              <Button type="submit" kind="quiet" large disabled={(why[key] ?? '').trim() === ''}
                >{t.accept}</Button
              >
            </form>
          {/if}
        {/if}
      </li>
    {/each}
  </ul>
  {#each apart as { what, apart_mm, most_mm } (what)}
    <p class:caution={apart_mm > most_mm}>
      {t.apart[what](formatLength(apart_mm, units), formatLength(most_mm, units))}
    </p>
  {/each}
  <label class="ways"
    >{t.instruments}
    <select
      value={ways.way}
      onchange={(event) => ways.choose(event.currentTarget.value as Way)}
      disabled={!log.may('measured')}
    >
      {#each ['typed', 'simulated'] as const as way (way)}<option value={way}>{t.ways[way]}</option>{/each}
    </select></label
  >
</section>

<style>
  h3 small {
    font-weight: 400;
  }
  .ways {
    display: flex;
    flex-flow: row wrap;
    gap: var(--gap-2);
    align-items: center;
    margin: var(--gap-2) 0;
  }
  .ways select {
    flex: 1 1 12rem;
    min-width: 0;
    min-height: var(--touch);
  }
  ul {
    display: grid;
    grid-template-columns: repeat(auto-fill, minmax(min(14rem, 100%), 1fr));
    gap: var(--gap-2);
    margin: 0;
    padding: 0;
    list-style: none;
  }
  li {
    padding: var(--gap-2) 0 var(--gap-2) var(--gap-3);
    border-left: 4px solid var(--line);
  }
  li[data-there='true'] {
    border-left-color: var(--good);
  }
  li[data-outside='true'] {
    border-left-color: var(--bad);
  }
  form {
    display: grid;
    grid-template-columns: minmax(0, 1fr) auto;
    gap: 2px var(--gap-3);
    align-items: center;
  }
  .do {
    display: flex;
    gap: var(--gap-2);
  }
  form.why {
    grid-template-columns: minmax(0, 1fr);
    justify-items: start;
  }
  form.why input {
    width: 100%;
  }
  form label {
    grid-column: 1 / -1;
  }
  p {
    margin: 4px 0 0;
  }
  small {
    color: var(--ink-soft);
  }
  .caution {
    padding-left: var(--gap-3);
    border-left: 3px solid var(--watch);
  }
</style>
