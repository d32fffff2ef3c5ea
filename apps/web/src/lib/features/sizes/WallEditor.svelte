<script module lang="ts">
  import type { JobStore } from '$lib/job/job.svelte.ts';
  import type { MethodDocument, Wall } from '@hulvek/core';

  export interface WallEditorProps {
    store: JobStore;
    wall: Wall;
    method: MethodDocument;
  }
</script>

<script lang="ts">
  import Button from '$lib/ui/Button.svelte';
  import LooseField from '$lib/ui/LooseField.svelte';
  import { wallWords } from '$words/sizes.ts';
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
      carriesScrews: method.buck?.carriesScrews ?? '',
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
      problem = wallWords.wrong(wallWords.roles[wrong.role]);
      return;
    }
    const { insideSheet_sd_m: _before, ...rest } = base.wall;
    const sd_m = Number(sheet.trim().replace(',', '.'));
    if (sheet.trim() !== '' && !(sd_m >= 0.01 && sd_m <= 2000)) {
      problem = wallWords.sheetWrong;
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
      problem = wallWords.buckWrong;
      return;
    }
    const carriesScrews = buck.carriesScrews.trim();
    const item = (
      buck.kind === ''
        ? rest
        : { ...rest, buck: { kind: buck.kind, leg, projection, ...(carriesScrews && { carriesScrews }) } }
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
    <legend>{wallWords.layers}</legend>
    {#each layers as layer, i (layer)}
      <div class="layer">
        <select aria-label="{wallWords.role} {i + 1}" bind:value={layer.role}>
          {#each Object.entries(wallWords.roles) as [value, word] (value)}<option {value}>{word}</option
            >{/each}
        </select>
        <select aria-label="{wallWords.material} {i + 1}" bind:value={layer.material}>
          {#each Object.entries(wallWords.materials) as [value, word] (value)}<option {value}>{word}</option
            >{/each}
        </select>
        <input class="figure" aria-label="{wallWords.thickness} {i + 1}" bind:value={layer.typed} />
        <Button kind="quiet" disabled={i === 0} onclick={() => outward(i)}>{wallWords.up}</Button>
        <Button kind="quiet" onclick={() => layers.splice(i, 1)}>{wallWords.remove}</Button>
      </div>
    {/each}
    <div class="row"><LooseField label={wallWords.sheet} bind:value={sheet} /></div>
    <div class="row">
      <Button
        disabled={layers.length >= 12}
        onclick={() =>
          layers.unshift({ role: 'cavity', material: 'batten', typed: '' } as Omit<Layer, 'thickness'> & {
            typed: string;
          })}>{wallWords.add}</Button
      >
      <Button kind="main" type="submit">{wallWords.save}</Button>
      <span>{wallWords.shared(walled)}</span>
    </div>
  </fieldset>
</form>
<form onsubmit={saveBuck}>
  <fieldset disabled={!mayEdit}>
    <legend>{wallWords.buck}</legend>
    <div class="row">
      <select aria-label={wallWords.buck} bind:value={buck.kind}>
        {#each Object.entries(wallWords.buckKinds) as [value, word] (value)}<option {value}>{word}</option
          >{/each}
      </select>
      {#if buck.kind !== ''}
        <LooseField label={wallWords.leg} bind:value={buck.leg} />
        <LooseField label={wallWords.projection} bind:value={buck.projection} />
        {#if buck.kind === 'foam'}
          <LooseField label={wallWords.carriesScrews} bind:value={buck.carriesScrews} />
        {/if}
      {/if}
    </div>
    <div class="row">
      <Button kind="main" type="submit">{wallWords.buckSave}</Button>
      <span>{wallWords.shared(bucked)}</span>
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
