<!-- A fault noted at a step: pressed onto the drawing, what, how bad, what it makes of the wall; which step would cover it is read off the wall. -->
<script module lang="ts">
  import type { FieldLog } from './field.svelte.ts';
  import type { LengthUnit, PlannedStep } from '@hulvek/core';

  export interface FaultFormProps {
    step: PlannedStep;
    log: FieldLog;
    units: LengthUnit;
    ondone: () => void;
  }
</script>

<script lang="ts">
  import Button from '$lib/ui/Button.svelte';
  import { punchWords as t } from '$words/punch.ts';
  import {
    coveringStep,
    coveringStepAt,
    parseLength,
    pieceText,
    stepText,
    stretchAt,
    type Entry,
  } from '@hulvek/core';
  import PressPlace, { type FaultPlace } from './PressPlace.svelte';

  let { step, log, units, ondone }: FaultFormProps = $props();
  const id = $props.id();
  const EFFECTS = ['none', 'bond-open', 'bond-lost', 'left-out', 'sill-closed'] as const;
  let piece = $derived(step.places[0] ?? '');
  const SEVERITIES = ['stops', 'noted'] as const;
  let severity = $state<(typeof SEVERITIES)[number]>('stops');
  let words = $state('');
  let owner = $state('');
  let at = $state<FaultPlace | null>(null);
  let effect = $state<(typeof EFFECTS)[number]>('none');
  let size = $state('');
  let problem = $state('');
  const build = $derived(log.frozen?.build);
  /** Steps whose work is done, and this one: it may be found while it is laid. */
  const done = $derived(
    Math.max(
      log.steps.findIndex(({ id: one }) => one === step.id) + 1,
      log.progress.filter(({ tick }) => tick).length,
    ),
  );
  const before = $derived.by(() => {
    if (!build) return null;
    const here =
      at && at.from === 'outside' ? coveringStepAt(build, piece, 'wall', [at.u_mm, at.v_mm]) : null;
    return here ?? coveringStep(build, piece);
  });

  function pressed(place: FaultPlace, thing: string | null) {
    at = place;
    if (thing !== null && step.places.includes(thing)) piece = thing;
  }

  /** What it makes of the wall; `null` where that was not said well enough. */
  function built(): { readonly value: Entry['built'] } | null {
    if (effect === 'none' || !build) return { value: null };
    if (effect !== 'bond-open') return { value: { kind: effect, piece } };
    const parsed = parseLength(size, units);
    problem = !at ? t.needsPlace : parsed.ok && parsed.value.mm > 0 ? '' : t.wrongSize;
    if (!at || !parsed.ok || problem !== '') return null;
    const stretch = stretchAt(build, piece, [at.u_mm, at.v_mm], parsed.value.mm);
    return { value: stretch ? { kind: 'bond-open', piece, ...stretch } : { kind: 'bond-lost', piece } };
  }

  function keep(event: SubmitEvent) {
    event.preventDefault();
    const makes = built();
    if (!makes) return;
    const facts = {
      kind: 'fault' as const,
      piece,
      severity,
      ...(before !== null && { before }),
      ...(owner.trim() !== '' && { owner: owner.trim() }),
      ...(at && { at: $state.snapshot(at) }),
    };
    const entry = { kind: 'fault' as const, step: step.id, undoes: null, note: words.trim(), facts };
    if (log.add({ ...entry, ...(makes.value && { built: makes.value }) })) ondone();
  }
</script>

<form onsubmit={keep} data-testid="fault-form">
  {#if build}<PressPlace {build} {done} {at} {units} onpress={pressed} />{/if}
  <label for="{id}-piece">{t.piece}</label>
  <select id="{id}-piece" bind:value={piece}>
    {#each step.places as one (one)}<option value={one}>{pieceText(one)}</option>{/each}
  </select>
  <label for="{id}-words">{t.words}</label>
  <textarea id="{id}-words" rows="2" maxlength="2000" required bind:value={words}></textarea>
  <label for="{id}-severity">{t.severity}</label>
  <select id="{id}-severity" bind:value={severity}>
    {#each SEVERITIES as one (one)}<option value={one}>{t.severities[one]}</option>{/each}
  </select>
  <label for="{id}-effect">{t.effect}</label>
  <select id="{id}-effect" bind:value={effect}>
    {#each EFFECTS as one (one)}<option value={one}>{t.effects[one]}</option>{/each}
  </select>
  {#if effect === 'bond-open'}
    <label for="{id}-size">{t.size}</label>
    <input id="{id}-size" class="figure" inputmode="decimal" autocomplete="off" bind:value={size} />
  {/if}
  {#if problem}<p class="problem" role="alert">{problem}</p>{/if}
  <label for="{id}-owner">{t.owner}</label>
  <input id="{id}-owner" maxlength="120" autocomplete="off" bind:value={owner} />
  <p>{before === null ? t.never : t.before(stepText(before).title)}</p>
  <div class="do">
    <Button kind="main" type="submit" large disabled={words.trim() === ''}>{t.keep}</Button>
    <Button kind="quiet" large onclick={ondone}>{t.cancel}</Button>
  </div>
</form>

<style>
  form {
    display: grid;
    grid-template-columns: minmax(0, 1fr);
    gap: 4px;
    width: 100%;
    padding: var(--gap-3) 0;
  }
  select,
  input {
    min-height: var(--touch);
  }
  .do {
    display: flex;
    flex-flow: row wrap;
    gap: var(--gap-3);
  }
</style>
