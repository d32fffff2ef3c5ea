<script module lang="ts">
  import type { ItemDesk } from './item-desk.svelte.ts';
  import type { Wall } from '@hulvek/core';

  export interface WallFormProps {
    desk: ItemDesk<'walls'>;
    /** `null` for a new one. */
    wall: Wall | null;
    onadded: (id: string) => void;
  }
</script>

<script lang="ts">
  import Button from '$lib/ui/Button.svelte';
  import MeasureField from '$lib/ui/MeasureField.svelte';
  import Paper from '$lib/drawing/Paper.svelte';
  import { freshId } from '$lib/device/ids.ts';
  import { itemWords } from '$words/items.ts';
  import { wallWords } from '$words/sizes.ts';
  import { fieldWords } from '$words/ui.ts';
  import {
    formatLength,
    lengthErrorTexts,
    parseLength,
    readMeasure,
    typedFor,
    wallDrawing,
    writeMeasure,
    type TypedLength,
  } from '@hulvek/core';
  import { untrack } from 'svelte';

  let { desk, wall: now, onadded }: WallFormProps = $props();
  /** What the typing starts from: what others keep meanwhile is not overwritten unseen. */
  const wall = untrack(() => now);
  type Layer = Wall['layers'][number];
  interface Row extends Omit<Layer, 'thickness'> {
    typed: string;
    /** What it was made from: a figure nobody touched stays as it was typed. */
    was: TypedLength | null;
  }
  const reads = untrack(() => desk.store.reads);
  const rowOf = ({ role, material, thickness }: Layer): Row => ({
    role,
    material,
    typed: typedFor(thickness, reads),
    was: thickness,
  });
  /** A plain wall of today, to be changed: the first layers are the usual ones. */
  const FIRST: readonly Layer[] = [
    { role: 'cladding', material: 'siding', thickness: { typed: '19 mm', mm: 19 } },
    { role: 'cavity', material: 'batten', thickness: { typed: '19 mm', mm: 19 } },
    { role: 'sheathing', material: 'wood-board', thickness: { typed: '12 mm', mm: 12 } },
    { role: 'framing', material: 'stud', thickness: { typed: '140 mm', mm: 140 } },
    { role: 'interior-finish', material: 'drywall', thickness: { typed: '12.5 mm', mm: 12.5 } },
  ];
  let rows = $state(untrack(() => (wall?.layers ?? FIRST).map(rowOf)));
  let sheet = $state(
    untrack(() =>
      wall?.insideSheet_sd_m === undefined ? '' : writeMeasure('vapour', wall.insideSheet_sd_m, reads),
    ),
  );
  let problem = $state('');
  let name = $state('');
  /** No single layer of a house is thinner or thicker. */
  const [LEAST_mm, MOST_mm] = [0.1, 600];
  const MOST_LAYERS = 12;

  function lengthOf({ typed, was }: Row): TypedLength | string {
    const text = typed.trim();
    if (was && typedFor(was, reads) === text) return was;
    const read = parseLength(text, reads);
    if (!read.ok) return lengthErrorTexts[read.error];
    const { mm } = read.value;
    return mm >= LEAST_mm && mm <= MOST_mm
      ? { typed: text, mm }
      : fieldWords.range(formatLength(LEAST_mm, 'mm'), formatLength(MOST_mm, reads));
  }
  const layers = $derived(
    rows.flatMap((row) => {
      const thickness = lengthOf(row);
      return typeof thickness === 'string'
        ? []
        : [{ role: row.role, material: row.material, thickness } as Layer];
    }),
  );
  const total = $derived(layers.reduce((sum, { thickness }) => sum + thickness.mm, 0));
  /** What was typed in another unit, as whoever looks reads it. */
  const echo = (row: Row): string => {
    const length = lengthOf(row);
    if (typeof length === 'string') return row.typed.trim() === '' ? '' : length;
    const read = parseLength(row.typed, reads);
    return read.ok && read.value.unit !== reads ? formatLength(length.mm, reads) : '';
  };

  async function save(event: SubmitEvent) {
    event.preventDefault();
    const wrong = rows.find((row) => typeof lengthOf(row) === 'string');
    if (wrong) {
      problem = `${wallWords.wrong(wallWords.roles[wrong.role])} ${echo(wrong)}`;
      return;
    }
    const sd_m =
      sheet.trim() === '' ? undefined : readMeasure('vapour', sheet, reads, wall?.insideSheet_sd_m);
    if (sd_m === null || (sd_m !== undefined && !(sd_m >= 0.01 && sd_m <= 2000))) {
      problem = wallWords.sheetWrong;
      return;
    }
    problem = '';
    if (wall) {
      const { insideSheet_sd_m: _before, ...rest } = wall;
      await desk.propose(wall, { ...rest, layers, ...(sd_m !== undefined && { insideSheet_sd_m: sd_m }) });
      return;
    }
    const made = {
      id: `wall-${freshId()}`,
      name: name.trim() || itemWords.walls.firstName,
      layers,
      ...(sd_m !== undefined && { insideSheet_sd_m: sd_m }),
    } as Wall;
    if (await desk.add(made)) onadded(made.id);
  }

  function outward(i: number) {
    const [moved] = rows.splice(i, 1);
    if (moved) rows.splice(i - 1, 0, moved);
  }
</script>

<div class="drawn">
  <Paper
    label={itemWords.walls.drawing}
    draw={(size) =>
      wallDrawing(
        { layers },
        {
          ...size,
          figure: (mm) => formatLength(mm, reads),
          name: ({ role, material }) => `${wallWords.roles[role]}, ${wallWords.materials[material]}`,
        },
      )}
  />
</div>
<form onsubmit={save}>
  <fieldset disabled={!desk.mayEdit}>
    {#if !wall}
      <label class="new">{itemWords.rename}<input maxlength="120" bind:value={name} /></label>
    {/if}
    <legend>{wallWords.layers}</legend>
    {#each rows as row, i (row)}
      <div class="layer">
        <select aria-label="{wallWords.role} {i + 1}" bind:value={row.role}>
          {#each Object.entries(wallWords.roles) as [value, word] (value)}<option {value}>{word}</option
            >{/each}
        </select>
        <select aria-label="{wallWords.material} {i + 1}" bind:value={row.material}>
          {#each Object.entries(wallWords.materials) as [value, word] (value)}<option {value}>{word}</option
            >{/each}
        </select>
        <input
          class="figure"
          autocomplete="off"
          aria-label="{wallWords.thickness} {i + 1}"
          aria-invalid={typeof lengthOf(row) === 'string'}
          bind:value={row.typed}
        />
        <span class="echo" aria-live="polite">{echo(row)}</span>
        <span class="buttons">
          <Button kind="quiet" disabled={i === 0} onclick={() => outward(i)}>{wallWords.up}</Button>
          <Button kind="quiet" onclick={() => rows.splice(i, 1)}>{wallWords.remove}</Button>
        </span>
      </div>
    {/each}
    <p>{itemWords.walls.total(formatLength(total, reads))}</p>
    <MeasureField label={wallWords.sheet} kind="vapour" {reads} bind:value={sheet} />
    {#if problem}<p class="problem" role="alert">{problem}</p>{/if}
    <div class="buttons">
      <Button
        disabled={rows.length >= MOST_LAYERS}
        onclick={() => rows.unshift({ role: 'cavity', material: 'batten', typed: '', was: null })}
        >{wallWords.add}</Button
      >
      <Button kind="main" type="submit">{wallWords.save}</Button>
    </div>
  </fieldset>
</form>

<style>
  .drawn {
    height: 300px;
    background: var(--paper);
    border: 1px solid var(--line);
  }
  fieldset {
    display: grid;
    gap: var(--gap-2);
    padding: 0;
    border: 0;
    min-width: 0;
  }
  legend {
    padding: 0;
    font-weight: 700;
  }
  .new {
    display: grid;
    gap: var(--gap-1);
    max-width: 24rem;
    font-weight: 500;
  }
  .layer {
    display: grid;
    grid-template-columns: minmax(0, 1fr) minmax(0, 1fr) 7rem 7rem auto;
    align-items: center;
    gap: 6px;
  }
  .echo {
    color: var(--ink-soft);
    font-size: 0.9rem;
  }
  .buttons {
    display: flex;
    flex-flow: row wrap;
    gap: var(--gap-2);
  }
  @media (max-width: 640px) {
    .layer {
      grid-template-columns: minmax(0, 1fr) minmax(0, 1fr);
      padding-bottom: var(--gap-2);
      border-bottom: 1px solid var(--line);
    }
    .layer .buttons {
      grid-column: 1 / -1;
    }
  }
</style>
