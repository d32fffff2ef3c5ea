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
    formatLength,
    measuredPlaceTexts,
    measuredTexts,
    parseLength,
    pieceText,
    readMeasure,
    writeMeasure,
    type Ask,
    type MeasuredWhat,
  } from '@hulvek/core';

  let { step, list, log, units }: MeasuredListProps = $props();
  const id = $props.id();
  let typed = $state<Record<string, string>>({});
  let why = $state<Record<string, string>>({});
  let wrong = $state<string | null>(null);

  const keyOf = ({ what, place }: Ask) => `${what} ${place}`;
  /** Of figures that are no lengths. */
  const KIND: Partial<Record<MeasuredWhat, 'temperature'>> = { surface: 'temperature' };
  /** A thousandth of an inch, in which films are read there. */
  const MIL_mm = 0.0254;
  const written = (what: MeasuredWhat, value: number): string => {
    if (what === 'moisture') return `${value} %`;
    if (what === 'film')
      return units === 'mm'
        ? `${Math.round(value * 100) / 100}\u202Fmm`
        : `${Math.round(value / MIL_mm)}\u202Fmil`;
    const kind = KIND[what];
    return kind ? writeMeasure(kind, value, units) : formatLength(value, units);
  };
  function read(what: MeasuredWhat, text: string): number | null {
    if (what === 'moisture') {
      const value = Number(text.replace('%', '').replace(',', '.').trim());
      return text.trim() !== '' && value >= 0 && value <= 100 ? value : null;
    }
    const mil = /^([\d.,]+)\s*mil$/i.exec(text.trim());
    if (what === 'film' && mil) return Number((mil[1] ?? '').replace(',', '.')) * MIL_mm;
    const kind = KIND[what];
    if (kind) return readMeasure(kind, text, units);
    const length = parseLength(text, units);
    return length.ok ? Math.abs(length.value.mm) : null;
  }
  const label = ({ what, place }: Ask) => {
    const at = place === '' ? '' : (measuredPlaceTexts[place] ?? pieceText(place));
    return at === '' ? measuredTexts[what].name : `${measuredTexts[what].name}, ${at}`;
  };
  const limits = ({ what, least, most }: Ask) =>
    [least === null ? '' : t.least(written(what, least)), most === null ? '' : t.most(written(what, most))]
      .filter(Boolean)
      .join(', ');

  function keep(ask: Ask, value: number | null, accepted?: string) {
    const key = keyOf(ask);
    wrong = value === null ? key : null;
    if (value === null) return;
    const { what, place } = ask;
    const facts = { kind: 'measured' as const, what, place, value, ...(accepted && { accepted }) };
    if (log.add({ kind: 'measured', step, undoes: null, note: '', facts })) {
      typed[key] = '';
      why[key] = '';
    }
  }
</script>

<section data-testid="measured">
  <h3>{t.title}</h3>
  <ul>
    {#each list as { ask, entry, value, outside, accepted, all } (keyOf(ask))}
      {@const key = keyOf(ask)}
      <li data-outside={outside && accepted === null}>
        <form
          onsubmit={(event) => {
            event.preventDefault();
            keep(ask, read(ask.what, typed[key] ?? ''));
          }}
        >
          <label for="{id}-{key}">{label(ask)} <small>{limits(ask)}</small></label>
          <input
            id="{id}-{key}"
            class="figure"
            inputmode="decimal"
            autocomplete="off"
            disabled={!log.may('measured')}
            bind:value={typed[key]}
          />
          <Button type="submit" large disabled={!log.may('measured') || (typed[key] ?? '').trim() === ''}
            >{t.keep}</Button
          >
        </form>
        {#if wrong === key}<p class="problem" role="alert">{t.wrong}</p>{/if}
        {#if entry && value !== null}
          <p>
            <b class="figure">{t.is(written(ask.what, value))}</b>
            <span class="quiet"
              >{t.by(entry.person, dateTime(entry.at))}{#if all.length > 1}, {t.times(all.length)}{/if}</span
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
                keep(ask, value, (why[key] ?? '').trim());
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
</section>

<style>
  ul {
    display: grid;
    gap: var(--gap-2);
    margin: 0;
    padding: 0;
    list-style: none;
  }
  li {
    padding: var(--gap-2) 0 var(--gap-2) var(--gap-3);
    border-left: 4px solid var(--line);
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
  form.why {
    grid-template-columns: minmax(0, 1fr);
    justify-items: start;
  }
  form.why input {
    width: 100%;
  }
  label {
    grid-column: 1 / -1;
  }
  p {
    margin: 4px 0 0;
  }
  small {
    color: var(--ink-soft);
  }
</style>
