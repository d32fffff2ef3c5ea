<script module lang="ts">
  import type { JobStore } from '$lib/job/job.svelte.ts';
  import type { OpeningsEditor } from '$lib/job/openings.svelte.ts';
  import type { Collision } from '@hulvek/core';

  export interface BoardPanelProps {
    store: JobStore;
    editor: OpeningsEditor;
    selected: readonly string[];
    meetings: readonly Collision[];
  }
</script>

<script lang="ts">
  import { goto } from '$app/navigation';
  import Button from '$lib/ui/Button.svelte';
  import { boardSteps } from './steps.ts';
  import { freshId } from '$lib/device/ids.ts';
  import LengthField from '$lib/ui/LengthField.svelte';
  import { measureWords } from '$words/measure.ts';
  import { detailWords } from '$words/detail.ts';
  import { boardWords } from '$words/board.ts';
  import { linesWords } from '$words/lines.ts';
  import { formatLength, formatSize, type LineDocument, type Opening, type TypedLength } from '@hulvek/core';

  let { store, editor, selected, meetings }: BoardPanelProps = $props();
  const units = $derived(store.reads);
  const mayPlan = $derived(store.pack.rights.includes('plan'));
  const chosen = $derived(selected.flatMap((id) => store.rows.find((row) => row.id === id) ?? []));
  const [only] = $derived(chosen.length === 1 ? chosen : []);
  const position = $derived(only ? editor.opening(only.id).position : undefined);
  const mark = (id: string) => store.rows.find((row) => row.id === id)?.mark ?? id;
  const length = $derived((mm: number) => formatLength(mm, units));
  const near = $derived(
    meetings.filter((c) => selected.length === 0 || c.openings.some((id) => selected.includes(id))),
  );
  /** More than these are not read: those chosen on the board come first anyway. */
  const MOST = 40;
  const shelf = $derived([
    {
      field: 'unit' as const,
      label: measureWords.unit,
      items: store.context.units.map((u) => ({
        id: u.id,
        name: `${u.name}, ${formatSize({ width: u.width.mm, height: u.height.mm }, units)}`,
      })),
    },
    { field: 'method' as const, label: detailWords.method, items: store.context.methods },
    { field: 'wall' as const, label: detailWords.wall, items: store.context.walls },
  ]);

  function place(axis: 'u' | 'v', value: TypedLength | null) {
    editor.change(selected, (opening): Opening => {
      const zero = { typed: '0', mm: 0 };
      const now = opening.position ?? { u: zero, v: zero };
      return { ...opening, position: { ...now, [axis]: value ?? zero } };
    });
  }

  let refused = $state('');

  async function lineUpSelected(kind: LineDocument['kind']) {
    const lines = store.context.job.lines ?? [];
    const name = boardWords
      .lineName(linesWords.kinds[kind], chosen.map((row) => row.mark).join(', '))
      .slice(0, 120);
    const line = { id: `line-${freshId()}`, name, kind, openings: [...selected] };
    refused = await store.put('site', {
      was: { lines: store.context.job.lines },
      change: { lines: [...lines, line] },
    });
    if (refused === '') await goto(`/jobs/${store.id}/lines`);
  }

  const apply = (field: 'unit' | 'method' | 'wall', id: string) =>
    editor.change(selected, (opening) => ({ ...opening, [field]: id === '' ? null : id }) as Opening);
</script>

<aside aria-label={boardWords.panel}>
  {#if chosen.length === 0}
    <p>{boardWords.nothing}</p>
  {:else}
    <h2>{only ? `${only.mark} ${only.name}` : boardWords.selected(chosen.length)}</h2>
    {#if only}
      <p><a href="/jobs/{store.id}/{only.id}/measure">{boardWords.openIt}</a></p>
      {#key only.id}
        <fieldset disabled={!mayPlan}>
          <LengthField
            id="place-u"
            keep="{store.id}:{only.id}:u"
            label={boardWords.fromLeft}
            hint={boardWords.fromLeftHint}
            value={position?.u ?? null}
            unit={units}
            least_mm={-200_000}
            most_mm={200_000}
            onchange={(value) => place('u', value)}
          />
          <LengthField
            id="place-v"
            keep="{store.id}:{only.id}:v"
            label={boardWords.aboveZero}
            hint={boardWords.aboveZeroHint}
            value={position?.v ?? null}
            unit={units}
            least_mm={-200_000}
            most_mm={200_000}
            onchange={(value) => place('v', value)}
          />
        </fieldset>
      {/key}
    {/if}
    {#if chosen.length > 1 && store.pack.rights.includes('settings')}
      <fieldset class="lineup">
        <legend>{boardWords.lineUp}</legend>
        {#each Object.entries(linesWords.kinds) as [kind, word] (kind)}
          <Button onclick={() => lineUpSelected(kind as LineDocument['kind'])}>{word}</Button>
        {/each}
      </fieldset>
      {#if refused}<p class="refused" role="alert">{refused}</p>{/if}
    {/if}
    {#if mayPlan}
      <fieldset class="apply">
        <legend>{boardWords.apply(chosen.length)}</legend>
        {#each shelf as { field, label, items } (field)}
          <label>
            {label}
            <select
              value={only ? (editor.opening(only.id)[field] ?? '') : '-'}
              onchange={(event) => apply(field, event.currentTarget.value)}
            >
              {#if !only}<option value="-" disabled>{boardWords.unchanged}</option>{/if}
              <option value="">{boardWords.none}</option>
              {#each items as item (item.id)}<option value={item.id}>{item.name}</option>{/each}
            </select>
          </label>
        {/each}
      </fieldset>
    {/if}
  {/if}
  {#if near.length > 0}
    <h2>{boardWords.collisions}</h2>
    <ul>
      {#each near.slice(0, MOST) as c (c.openings.join())}
        <li>
          <b>{mark(c.openings[0])}, {mark(c.openings[1])}.</b>
          {c.kind === 'openings-overlap'
            ? boardWords.overlap
            : boardWords.meet(length(c.free_mm), length(c.needs_mm))}
        </li>
      {/each}
    </ul>
    {#if near.length > MOST}<p>{boardWords.moreMeet(near.length - MOST)}</p>{/if}
  {/if}
  <p class="hint">{boardWords.hint(length(boardSteps[units].snap_mm), length(boardSteps[units].large_mm))}</p>
</aside>

<style>
  aside {
    display: grid;
    gap: var(--gap-3);
    align-content: start;
    padding-left: var(--gap-4);
    border-left: 1px solid var(--line);
  }
  h2 {
    font-size: 1.1rem;
  }
  fieldset {
    display: grid;
    gap: var(--gap-2);
  }
  legend {
    padding: 0;
    font-weight: 700;
  }
  .apply label {
    display: grid;
    gap: 2px;
    font-weight: 500;
  }
  .lineup {
    grid-template-columns: repeat(3, auto);
    justify-content: start;
  }
  .refused {
    color: var(--bad);
    font-weight: 600;
  }
  li {
    padding: var(--gap-2) 0 var(--gap-2) var(--gap-3);
    border-left: 4px solid var(--bad);
    margin-bottom: var(--gap-2);
  }
  .hint {
    font-size: 0.88rem;
    color: var(--ink-soft);
  }
  @media (max-width: 900px) {
    aside {
      padding-left: 0;
      border-left: 0;
    }
  }
</style>
