<script module lang="ts">
  import type { Entry, LengthUnit, Material } from '@hulvek/core';

  export type Built = NonNullable<Entry['built']>;

  export interface BuiltFormProps {
    /** Pieces it may be about. */
    pieces: readonly string[];
    onbuilt: (built: Built) => void;
    units: LengthUnit;
    /** The job's stocks, one of which may have been used instead. */
    stocks: readonly Material[];
    /** Words on the button. */
    save?: string;
    oncancel: () => void;
  }
</script>

<script lang="ts">
  import Button from '$lib/ui/Button.svelte';
  import { builtWords, installWords } from '$words/install.ts';
  import { parseLength, pieceEdges, pieceText, sides, type PieceEdge, type Side } from '@hulvek/core';

  let { pieces, units, stocks, onbuilt, save = builtWords.save, oncancel }: BuiltFormProps = $props();
  const KINDS = [
    'bond-lost',
    'bond-open',
    'left-out',
    'left-in',
    'short',
    'raised',
    'film',
    'sill-closed',
    'other-material',
  ] as const;
  const id = $props.id();
  let piece = $derived(pieces[0] ?? '');
  let kind = $state<Built['kind']>('bond-lost');
  let edge = $state<PieceEdge>('top');
  let typed = $state('');
  let until = $state('');
  let material = $state('');
  let stock = $state('');
  /** Of a piece that runs along several sides. */
  let side = $state<Side | ''>('');
  const lengthOf = (text: string): number => {
    const parsed = parseLength(text, units);
    return parsed.ok ? parsed.value.mm : NaN;
  };
  let problem = $state('');

  function submit(event: SubmitEvent) {
    event.preventDefault();
    problem = '';
    if (kind === 'bond-lost' || kind === 'left-out' || kind === 'left-in' || kind === 'sill-closed')
      return onbuilt({ kind, piece });
    if (kind === 'other-material') {
      const known = stocks.find(({ id: one }) => one === stock);
      const named = known?.name ?? material.trim();
      problem = named === '' ? builtWords.wrongMaterial : '';
      if (problem === '') onbuilt({ kind, piece, material: named, ...(known && { stock: known.id }) });
      return;
    }
    const mm = lengthOf(typed);
    if (kind === 'bond-open') {
      const to_mm = lengthOf(until);
      problem = mm >= 0 && to_mm > mm && to_mm <= 20_000 ? '' : builtWords.wrongStretch;
      if (problem === '') onbuilt({ kind, piece, from_mm: mm, to_mm, ...(side && { side }) });
      return;
    }
    const most = kind === 'film' ? 10 : 2000;
    const sound = Number.isFinite(mm) && (kind === 'raised' ? mm !== 0 : mm > 0) && Math.abs(mm) <= most;
    problem = sound ? '' : builtWords.wrong;
    if (!sound) return;
    onbuilt(kind === 'short' ? { kind, piece, edge, mm } : { kind, piece, mm });
  }
</script>

{#snippet length(at: string, label: string, text: string, ontyped: (text: string) => void)}
  <label for={at}>{label}</label>
  <input
    id={at}
    class="figure"
    inputmode={units === 'mm' ? 'decimal' : 'text'}
    autocomplete="off"
    value={text}
    oninput={(event) => ontyped(event.currentTarget.value)}
    aria-invalid={problem !== ''}
    aria-describedby="{id}-say"
  />
{/snippet}

<form onsubmit={submit}>
  <label for="{id}-piece">{builtWords.piece}</label>
  <select id="{id}-piece" bind:value={piece}>
    {#each pieces as name (name)}<option value={name}>{pieceText(name)}</option>{/each}
  </select>
  <label for="{id}-kind">{builtWords.what}</label>
  <select id="{id}-kind" bind:value={kind}>
    {#each KINDS as name (name)}<option value={name}>{builtWords.kinds[name]}</option>{/each}
  </select>
  {#if kind === 'short'}
    <label for="{id}-edge">{builtWords.edge}</label>
    <select id="{id}-edge" bind:value={edge}>
      {#each pieceEdges as name (name)}<option value={name}>{builtWords.edges[name]}</option>{/each}
    </select>
  {/if}
  {#if kind === 'short' || kind === 'raised' || kind === 'film' || kind === 'bond-open'}
    {@render length(`${id}-mm`, builtWords.by[kind], typed, (text) => (typed = text))}
    {#if kind === 'bond-open'}
      {@render length(`${id}-until`, builtWords.until, until, (text) => (until = text))}
      <label for="{id}-side">{builtWords.side}</label>
      <select id="{id}-side" bind:value={side}>
        <option value="">{builtWords.anySide}</option>
        {#each sides as name (name)}<option value={name}>{builtWords.sides[name]}</option>{/each}
      </select>
    {/if}
    <p id="{id}-say" class="problem" aria-live="polite">{problem}</p>
  {/if}
  {#if kind === 'other-material'}
    {#if stocks.length > 0}
      <label for="{id}-stock">{builtWords.stock}</label>
      <select id="{id}-stock" bind:value={stock}>
        <option value="">{builtWords.noStock}</option>
        {#each stocks as one (one.id)}<option value={one.id}>{one.name}</option>{/each}
      </select>
    {/if}
    {#if stock === ''}
      <label for="{id}-material">{builtWords.material}</label>
      <input id="{id}-material" autocomplete="off" maxlength="120" bind:value={material} />
    {/if}
    <p class="problem" aria-live="polite">{problem}</p>
  {/if}
  <div class="row">
    <Button type="submit" large>{save}</Button>
    <Button kind="quiet" large onclick={oncancel}>{installWords.cancel}</Button>
  </div>
</form>

<style>
  form {
    display: grid;
    grid-template-columns: minmax(5.5rem, 1fr) minmax(0, 2fr);
    align-items: center;
    gap: var(--gap-2) var(--gap-3);
    padding: var(--gap-3) 0;
  }
  select,
  input {
    width: 100%;
    min-height: var(--touch);
  }
  .row,
  .problem {
    grid-column: 1 / -1;
    display: flex;
    gap: var(--gap-2);
  }
  .problem:empty {
    display: none;
  }
</style>
