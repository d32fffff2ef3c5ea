<script module lang="ts">
  import type { ItemDesk } from './item-desk.svelte.ts';
  import type { MethodDocument } from '@hulvek/core';

  export interface MethodPartProps {
    desk: ItemDesk<'methods'>;
    method: MethodDocument;
  }
</script>

<script lang="ts">
  import Button from '$lib/ui/Button.svelte';
  import LooseField from '$lib/ui/LooseField.svelte';
  import Paper from '$lib/drawing/Paper.svelte';
  import MethodChoices from '$lib/features/detail/MethodChoices.svelte';
  import { detailWords } from '$words/detail.ts';
  import { itemWords } from '$words/items.ts';
  import { shelfWords } from '$words/shelf.ts';
  import { wallWords } from '$words/sizes.ts';
  import {
    allCutsDrawing,
    formatLength,
    methodChoices,
    parseLength,
    presets,
    presetTexts,
    typedFor,
    type AxisId,
    type ChoicesDocument,
    type TypedLength,
  } from '@hulvek/core';
  import { untrack } from 'svelte';

  let { desk, method: now }: MethodPartProps = $props();
  /** What the typing starts from: what others keep meanwhile is not overwritten unseen. */
  const method = untrack(() => now);
  const reads = untrack(() => desk.store.reads);
  let choices = $state.raw<ChoicesDocument>(untrack(() => method.choices ?? {}));
  const typedOf = (length: TypedLength | undefined) => (length ? typedFor(length, reads) : '');
  let buck = $state(
    untrack(() => ({
      kind: method.buck?.kind ?? ('' as '' | 'lumber' | 'foam'),
      leg: typedOf(method.buck?.leg),
      projection: typedOf(method.buck?.projection),
      carriesScrews: method.buck?.carriesScrews ?? '',
    })),
  );
  let problem = $state('');

  /** The first opening that goes by it and is built: the method as it looks there. */
  const shown = $derived(desk.store.plans.find((plan) => plan.method?.id === method.id && plan.build));
  const units = $derived(desk.store.context.job.units);

  function choose(axis: AxisId, choice: string | null) {
    const next = Object.entries({ ...choices, [axis]: choice ?? undefined }).filter(
      ([, c]) => c !== undefined,
    );
    choices = Object.fromEntries(next) as ChoicesDocument;
  }

  function read(typed: string, was: TypedLength | undefined): TypedLength | null {
    const text = typed.trim();
    if (was && typedFor(was, reads) === text) return was;
    const parsed = parseLength(text, reads);
    return parsed.ok && parsed.value.mm > 0 ? { typed: text, mm: parsed.value.mm } : null;
  }
  const draft = $derived.by((): MethodDocument => {
    const { choices: _before, ...rest } = method;
    return { ...rest, ...(Object.keys(choices).length > 0 && { choices }) };
  });

  async function save(event: SubmitEvent) {
    event.preventDefault();
    const { buck: _before, ...rest } = draft;
    const leg = read(buck.leg, method.buck?.leg);
    const projection = read(buck.projection, method.buck?.projection);
    if (buck.kind !== '' && (!leg || !projection)) {
      problem = wallWords.buckWrong;
      return;
    }
    problem = '';
    const carriesScrews = buck.carriesScrews.trim();
    await desk.propose(
      method,
      (buck.kind === ''
        ? rest
        : {
            ...rest,
            buck: { kind: buck.kind, leg, projection, ...(carriesScrews && { carriesScrews }) },
          }) as MethodDocument,
    );
  }
</script>

{#if shown?.build}
  {@const { build } = shown}
  <figure>
    <div class="drawn">
      <Paper
        label={itemWords.methods.drawing(shown.opening.mark)}
        draw={(size) =>
          allCutsDrawing(build, {
            ...size,
            step: build.steps.length,
            figure: (mm) => formatLength(mm, units, 'figure'),
            hide: new Set(['dimensions'] as const),
            title: (cut) => detailWords.views[cut],
          })}
      />
    </div>
    <figcaption class="quiet">{itemWords.methods.drawing(shown.opening.mark)}</figcaption>
  </figure>
{:else}<p class="quiet">{itemWords.methods.noDrawing}</p>{/if}
<form onsubmit={save}>
  <fieldset disabled={!desk.mayEdit}>
    <p class="quiet">{presetTexts[method.preset].summary}</p>
    <MethodChoices
      choices={methodChoices(draft)}
      inherited={presets[method.preset].choices}
      onchoose={choose}
    />
    <div class="row">
      <label>
        {wallWords.buck}
        <select aria-label={wallWords.buck} bind:value={buck.kind}>
          {#each Object.entries(wallWords.buckKinds) as [value, word] (value)}<option {value}>{word}</option
            >{/each}
        </select>
      </label>
      {#if buck.kind !== ''}
        <LooseField label={wallWords.leg} bind:value={buck.leg} />
        <LooseField label={wallWords.projection} bind:value={buck.projection} />
        {#if buck.kind === 'foam'}
          <LooseField label={wallWords.carriesScrews} bind:value={buck.carriesScrews} />
        {/if}
      {/if}
    </div>
    {#if problem}<p class="problem" role="alert">{problem}</p>{/if}
    <div><Button kind="main" type="submit">{shelfWords.save}</Button></div>
  </fieldset>
</form>

<style>
  figure {
    margin: 0;
  }
  .drawn {
    height: 380px;
    background: var(--paper);
    border: 1px solid var(--line);
  }
  fieldset {
    display: grid;
    gap: var(--gap-3);
    padding: 0;
    border: 0;
    min-width: 0;
  }
  .row {
    display: flex;
    flex-flow: row wrap;
    align-items: end;
    gap: var(--gap-2) var(--gap-3);
  }
  label {
    display: grid;
    gap: 2px;
    font-weight: 500;
  }
</style>
