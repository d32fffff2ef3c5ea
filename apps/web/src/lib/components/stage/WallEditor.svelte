<script module lang="ts">
  import type { JobStore } from '$lib/state/job.svelte.ts';
  import type { MethodDocument, Wall } from '@hulvek/core';

  export interface WallEditorProps {
    store: JobStore;
    wall: Wall;
    method: MethodDocument;
  }
</script>

<script lang="ts">
  import Button from '$lib/components/ui/Button.svelte';
  import LooseField from '$lib/components/ui/LooseField.svelte';
  import { text } from '$lib/texts/en.ts';
  import { parseLength, type TypedLength } from '@hulvek/core';
  import { untrack } from 'svelte';

  let { store, wall, method }: WallEditorProps = $props();
  type Layer = Wall['layers'][number];
  const units = $derived(store.context.job.units);
  const mayEdit = $derived(store.pack.rights.includes('plan'));
  let layers = $state(
    untrack(() =>
      wall.layers.map(({ role, material, thickness }) => ({ role, material, typed: thickness.typed })),
    ),
  );
  let sheet = $state(untrack(() => String(wall.insideSheet_sd_m ?? '')));
  let buck = $state(
    untrack(() => ({
      kind: method.buck?.kind ?? ('' as '' | 'lumber' | 'foam'),
      leg: method.buck?.leg.typed ?? '',
      projection: method.buck?.projection.typed ?? '',
    })),
  );
  /** What the typing started from: what others change meanwhile is not overwritten unseen. */
  let base = $state.raw(untrack(() => ({ wall, method })));
  let problem = $state('');
  const walled = $derived(store.plans.filter((p) => p.wall?.id === wall.id).length);
  const bucked = $derived(store.plans.filter((p) => p.method?.id === method.id).length);

  function read(typed: string): TypedLength | null {
    const parsed = parseLength(typed, units);
    return parsed.ok && parsed.value.mm > 0 ? { typed: typed.trim(), mm: parsed.value.mm } : null;
  }

  async function saveWall(event: SubmitEvent) {
    event.preventDefault();
    const next = layers.map(({ role, material, typed }) => ({ role, material, thickness: read(typed) }));
    const wrong = next.find((layer) => layer.thickness === null);
    if (wrong) {
      problem = text.wall.wrong(text.wall.roles[wrong.role]);
      return;
    }
    const { insideSheet_sd_m: _before, ...rest } = base.wall;
    const sd_m = Number(sheet.trim().replace(',', '.'));
    if (sheet.trim() !== '' && !(sd_m >= 0.01 && sd_m <= 2000)) {
      problem = text.wall.sheetWrong;
      return;
    }
    const item = {
      ...rest,
      layers: next,
      ...(sheet.trim() !== '' && { insideSheet_sd_m: sd_m }),
    } as Wall;
    problem = await store.put('shelf', { kind: 'walls', was: base.wall, item });
    if (problem === '') base = { ...base, wall: item };
  }

  async function saveBuck(event: SubmitEvent) {
    event.preventDefault();
    const { buck: _before, ...rest } = base.method;
    const [leg, projection] = [read(buck.leg), read(buck.projection)];
    if (buck.kind !== '' && (!leg || !projection)) {
      problem = text.wall.buckWrong;
      return;
    }
    const item = (
      buck.kind === '' ? rest : { ...rest, buck: { kind: buck.kind, leg, projection } }
    ) as MethodDocument;
    problem = await store.put('shelf', { kind: 'methods', was: base.method, item });
    if (problem === '') base = { ...base, method: item };
  }

  function outward(i: number) {
    const [moved] = layers.splice(i, 1);
    if (moved) layers.splice(i - 1, 0, moved);
  }
</script>

{#if problem}<p class="problem" role="alert">{problem}</p>{/if}
<form onsubmit={saveWall}>
  <fieldset disabled={!mayEdit}>
    <legend>{text.wall.layers}</legend>
    {#each layers as layer, i (layer)}
      <div class="layer">
        <select aria-label="{text.wall.role} {i + 1}" bind:value={layer.role}>
          {#each Object.entries(text.wall.roles) as [value, word] (value)}<option {value}>{word}</option
            >{/each}
        </select>
        <select aria-label="{text.wall.material} {i + 1}" bind:value={layer.material}>
          {#each Object.entries(text.wall.materials) as [value, word] (value)}<option {value}>{word}</option
            >{/each}
        </select>
        <input class="figure" aria-label="{text.wall.thickness} {i + 1}" bind:value={layer.typed} />
        <Button kind="quiet" disabled={i === 0} onclick={() => outward(i)}>{text.wall.up}</Button>
        <Button kind="quiet" onclick={() => layers.splice(i, 1)}>{text.wall.remove}</Button>
      </div>
    {/each}
    <div class="row"><LooseField label={text.wall.sheet} bind:value={sheet} /></div>
    <div class="row">
      <Button
        disabled={layers.length >= 12}
        onclick={() =>
          layers.unshift({ role: 'cavity', material: 'batten', typed: '' } as Omit<Layer, 'thickness'> & {
            typed: string;
          })}>{text.wall.add}</Button
      >
      <Button kind="main" type="submit">{text.wall.save}</Button>
      <span>{text.wall.shared(walled)}</span>
    </div>
  </fieldset>
</form>
<form onsubmit={saveBuck}>
  <fieldset disabled={!mayEdit}>
    <legend>{text.wall.buck}</legend>
    <div class="row">
      <select aria-label={text.wall.buck} bind:value={buck.kind}>
        {#each Object.entries(text.wall.buckKinds) as [value, word] (value)}<option {value}>{word}</option
          >{/each}
      </select>
      {#if buck.kind !== ''}
        <LooseField label={text.wall.leg} bind:value={buck.leg} />
        <LooseField label={text.wall.projection} bind:value={buck.projection} />
      {/if}
    </div>
    <div class="row">
      <Button kind="main" type="submit">{text.wall.buckSave}</Button>
      <span>{text.wall.shared(bucked)}</span>
    </div>
  </fieldset>
</form>

<style>
  fieldset {
    display: grid;
    gap: var(--gap-2);
    margin: 0 0 var(--gap-3);
    padding: 0;
    border: 0;
    min-width: 0;
  }
  legend {
    padding: 0;
    font-weight: 700;
  }
  .layer {
    display: grid;
    grid-template-columns: minmax(0, 1fr) minmax(0, 1fr) 84px auto auto;
    gap: 6px;
  }
  .row {
    display: flex;
    flex-flow: row wrap;
    align-items: end;
    gap: var(--gap-2) var(--gap-3);
  }
  .row > span {
    color: var(--ink-soft);
    font-size: 0.9rem;
  }
  @media (max-width: 640px) {
    .layer {
      grid-template-columns: 1fr 1fr 84px;
      padding-bottom: var(--gap-2);
      border-bottom: 1px solid var(--line);
    }
  }
</style>
