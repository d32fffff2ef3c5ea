<script module lang="ts">
  import type { FieldLog } from './field.svelte.ts';
  import type { LengthUnit, PlannedStep, StepProgress } from '@hulvek/core';

  export interface StepCardProps {
    step: PlannedStep;
    state: StepProgress;
    number: number;
    /** Shown whole from the start: the one that is next. */
    open: boolean;
    log: FieldLog;
    units: LengthUnit;
    /** A tick or a look was entered: another step may be next. */
    ondone: () => void;
  }
</script>

<script lang="ts">
  import { offlineWords } from '$words/device.ts';
  import Paper from '$lib/drawing/Paper.svelte';
  import Button from '$lib/ui/Button.svelte';
  import PictureButton from '$lib/ui/PictureButton.svelte';
  import { builtWords, deviationWords, entryKindsWords, installWords, statusWords } from '$words/install.ts';
  import { punchWords } from '$words/punch.ts';
  import { measureWords } from '$words/measure.ts';
  import { clockTime } from '$lib/ui/time.ts';
  import {
    areKnown,
    asksAt,
    faceDrawing,
    faultsOf,
    figuresIn,
    fasteningText,
    alsoIn,
    formatLength,
    formatCut,
    handlingOf,
    handlingText,
    lookText,
    measuredAt,
    needTexts,
    pieceText,
    plays,
    stepText,
    type Blocker,
    type DrawingLayer,
    type Entry,
    type PieceRole,
  } from '@hulvek/core';

  import Marked from '$lib/features/glossary/Marked.svelte';
  import BeforeTick from './BeforeTick.svelte';
  import BuiltForm from './BuiltForm.svelte';
  import DeviationForm from './DeviationForm.svelte';
  import FaultForm from './FaultForm.svelte';
  import FaultList from './FaultList.svelte';
  import MeasuredList from './MeasuredList.svelte';
  import SaidOtherwise from './SaidOtherwise.svelte';
  import EntryPicture from './EntryPicture.svelte';

  let { step, state: now, number, open, log, units, ondone }: StepCardProps = $props();
  /** A card somebody opened or closed stays so until another one is next. */
  let shown = $derived(open);
  let note = $state('');
  let asking = $state<'note' | 'override' | 'built' | 'fault' | 'deviation' | null>(null);
  let despite = $state('');
  const words = $derived(stepText(step.id, log.frozen?.build.context.choices, log.issue?.unit.operation));
  const cuts = $derived((log.frozen?.cuts ?? []).filter((cut) => step.places.includes(cut.piece)));
  const places = $derived.by(() => {
    const build = log.frozen?.build;
    return (role: PieceRole) => step.places.some((id) => build && plays(build, id, role));
  });
  const shims = $derived(places('shims') ? (log.frozen?.build.fit.shims ?? []) : []);
  const ownShims = $derived(shims.filter((s) => (s.side === 'sill') === places('sill-shims')));
  /** How many, how long and how aslant, where the unit is made fast. */
  const screws = $derived.by(() => {
    const build = log.frozen?.build;
    const fast = step.events.some(
      ({ op, thing }) =>
        op === 'fasten' && build && (plays(build, thing, 'fin') || plays(build, thing, 'unit')),
    );
    return build && fast ? build.fastening : null;
  });
  /** Said where the unit is in somebody's hands. */
  const lifts = $derived(places('unit'));
  const handling = $derived(
    lifts && log.issue ? handlingOf(log.issue.unit, log.store.context.job.handling) : null,
  );
  const { units: own } = $derived(log.store.context.job);
  const length = $derived((mm: number) => formatLength(mm, own));
  const both = $derived((mm: number) => [length(mm), alsoIn(mm, own, units)].filter(Boolean).join(' · '));
  const figure = $derived((mm: number) => formatLength(mm, own, 'figure'));
  const NO_FIGURES: ReadonlySet<DrawingLayer> = new Set(['dimensions']);
  const pictures = $derived(now.entries.filter((entry) => entry.kind === 'photo'));
  const measured = $derived.by(() => {
    const build = log.frozen?.build;
    return build ? measuredAt(asksAt(build, step, log.store.context.materials), now.entries) : [];
  });
  const faults = $derived(faultsOf(now.entries));
  const conditions = $derived(shown && !now.tick ? log.conditionsAt(step) : null);
  /** Outside what its materials ask for, and nobody said why it is done all the same. */
  const isOutside = $derived((conditions?.outside.length ?? 0) > 0 && despite.trim() === '');
  const held = $derived(shown && !now.tick ? log.heldAt(step) : null);
  const unsent = $derived(now.entries.some((entry) => log.waiting.has(entry.id)));
  const resting = $derived(now.blockedBy.some((b) => b.kind === 'rest'));

  function why(blocker: Blocker): string {
    const title = stepText(blocker.step).title;
    switch (blocker.kind) {
      case 'look':
        return installWords.waitsLook(title);
      case 'confirm':
        return installWords.waitsConfirm(title);
      case 'fault':
        return installWords.waitsFault(title);
      case 'rest':
        return installWords.waitsRest(title, clockTime(blocker.until));
      case 'step':
        return installWords.waitsFor(title);
    }
  }

  /** The second press of a double one is none: by then the next step's card may lie under the finger. */
  function pressed(event: MouseEvent, kind: 'tick' | 'look') {
    if (event.detail < 2) send(kind);
  }

  function send(kind: Entry['kind'], undoes: string | null = null, said = '') {
    const reason = despite.trim();
    const asItIs =
      kind === 'tick' && conditions && areKnown(conditions)
        ? { facts: { ...conditions.facts, ...(reason !== '' && { despite: reason }) } }
        : {};
    if (log.add({ kind, step: step.id, undoes, note: said, ...asItIs })) {
      note = '';
      asking = null;
      if (kind === 'tick' || kind === 'look') ondone();
    }
  }
</script>

<details bind:open={shown} data-status={now.status}>
  <summary id="step-{step.id}">
    <span class="number figure">{number}</span>
    <span class="title">{words.title}</span>
    <span class="status"
      >{statusWords[now.status]}{#if unsent}<span class="unsent">{offlineWords.waits}</span>{/if}</span
    >
  </summary>
  <div class="body">
    {#if shown && log.frozen}
      {@const { build } = log.frozen}
      <!-- On a narrow page there is no drawing beside the cards: what is to be done is lit in this one. -->
      <div class="sketch">
        <Paper
          label={words.title}
          draw={(size) => faceDrawing(build, { ...size, step: number, figure, hide: NO_FIGURES })}
        />
      </div>
    {/if}
    {#if now.status === 'waiting-look'}
      <div class="look">
        <h3>{installWords.lookTitle}</h3>
        <p>{installWords.lookText} {words.look}</p>
        <Button kind="main" large disabled={!log.mayLookAt(now)} onclick={(event) => pressed(event, 'look')}
          >{installWords.look}</Button
        >
      </div>
    {/if}
    <p><Marked text={words.how} /></p>
    {#if now.looks.length > 0}
      <div class="seen" data-testid="looks">
        <h3>{installWords.looksTitle}</h3>
        <ul>
          {#each now.looks as one (one.code + one.things.join())}<li>{lookText(one)}</li>{/each}
        </ul>
        {#if now.tick && now.status === 'done' && !now.look && !step.holdPoint}
          <Button large disabled={!log.mayLookAt(now)} onclick={(event) => pressed(event, 'look')}
            >{installWords.look}</Button
          >
        {/if}
      </div>
    {/if}
    {#each now.due as { step: before, by, atOnce } (before)}
      <p class="caution" data-testid="due">
        {atOnce
          ? installWords.atOnce(stepText(before).title)
          : installWords.due(stepText(before).title, clockTime(by), Date.parse(by) < Date.parse(log.now))}
      </p>
    {/each}
    {#if words.caution}<p class="caution"><b>{installWords.caution}.</b> {words.caution}</p>{/if}
    {#if handling}<p class="caution" data-testid="handling">
        {handlingText(handling, figuresIn(units))}
      </p>{/if}
    {#if cuts.length > 0}
      <dl>
        {#each cuts as cut, i (i)}
          <div>
            <dt>{pieceText(cut.piece)}</dt>
            <dd class="figure">
              {formatCut(cut, own)}
              {#if own !== units}
                <small>{formatCut(cut, own, units)}</small>
              {/if}
            </dd>
          </div>
        {/each}
      </dl>
    {/if}
    {#if ownShims.length > 0}
      <dl>
        {#each ownShims as shim (`${shim.side}${shim.at_mm}`)}
          <div>
            <dt>
              {measureWords.shimSides[shim.side]}, {both(shim.at_mm)}
              {measureWords.shimPlace[shim.side]}
            </dt>
            <dd class="figure">{shim.thickness_mm < 0 ? measureWords.noShim : both(shim.thickness_mm)}</dd>
          </div>
        {/each}
      </dl>
      <p class="quiet">{measureWords.seenOutside}</p>
    {/if}
    {#if screws}
      <p data-testid="screws">
        {fasteningText(screws, length)}
        {installWords.screwShims}
      </p>
    {/if}
    <p class="quiet"><b>{installWords.why}.</b> <Marked text={words.why} /></p>
    {#if step.needs.length > 0}<p class="quiet">
        <b>{installWords.needs}.</b>
        {step.needs.map((n) => needTexts[n]).join(', ')}
      </p>{/if}
    {#each now.blockedBy as blocker (blocker.kind + blocker.step)}<p class="blocked">{why(blocker)}</p>{/each}

    {#if measured.length > 0}<MeasuredList step={step.id} list={measured} {log} {units} />{/if}
    {#if pictures.length > 0}
      <ul class="pictures" aria-label={installWords.pictures}>
        {#each pictures as entry (entry.id)}
          <li>
            <EntryPicture
              {entry}
              job={log.store.id}
              kept={log.keptPicture(entry.id)}
              onmarked={log.may('note')
                ? (marked) => void log.addPicture(step.id, marked, installWords.marked)
                : undefined}
            />
          </li>
        {/each}
      </ul>
    {/if}
    {#if shown}
      <BeforeTick
        {step}
        {log}
        {units}
        title={words.title}
        state={now}
        {conditions}
        {held}
        {isOutside}
        bind:despite
      />
    {/if}
    <div class="actions">
      {#if now.status === 'open' || now.status === 'blocked'}
        <Button
          kind="main"
          large
          disabled={now.status !== 'open' || !log.may('tick') || held !== null || isOutside}
          onclick={(event) => pressed(event, 'tick')}>{installWords.tick}</Button
        >
      {:else if now.status === 'confirm'}
        <Button kind="main" large disabled={!log.may('tick')} onclick={(event) => pressed(event, 'tick')}
          >{installWords.confirmTick}</Button
        >
      {/if}
      {#if resting}<Button large disabled={!log.may('override')} onclick={() => (asking = 'override')}
          >{installWords.override}</Button
        >{/if}
      {#if log.may('note')}
        <Button kind="quiet" large onclick={() => (asking = asking === 'note' ? null : 'note')}
          >{installWords.addNote}</Button
        >
        {#if step.places.length > 0 && (now.tick || now.status === 'open')}
          <Button kind="quiet" large onclick={() => (asking = asking === 'built' ? null : 'built')}
            >{builtWords.add}</Button
          >
          <Button kind="quiet" large onclick={() => (asking = asking === 'fault' ? null : 'fault')}
            >{punchWords.add}</Button
          >
          <Button kind="quiet" large onclick={() => (asking = asking === 'deviation' ? null : 'deviation')}
            >{deviationWords.add}</Button
          >
        {/if}
        <PictureButton
          label={installWords.addPicture}
          onpicture={(file) => log.addPicture(step.id, file, '')}
        />
      {/if}
      {#if now.look}
        {@const look = now.look}
        <Button kind="quiet" large disabled={!log.may('look')} onclick={() => send('undo', look.id)}
          >{installWords.undo}: {entryKindsWords.look}</Button
        >
      {:else if now.tick}
        {@const tick = now.tick}
        <Button kind="quiet" large disabled={!log.may('tick')} onclick={() => send('undo', tick.id)}
          >{installWords.undo}: {entryKindsWords.tick}</Button
        >
      {/if}
    </div>
    <SaidOtherwise entries={now.entries} {log} {units} />
    {#if faults.length > 0}<FaultList {faults} {log} />{/if}
    {#if asking === 'fault'}<FaultForm {step} {log} {units} ondone={() => (asking = null)} />
    {:else if asking === 'deviation'}<DeviationForm step={step.id} {log} ondone={() => (asking = null)} />
    {:else if asking === 'built'}
      <BuiltForm
        pieces={step.places}
        {units}
        stocks={log.store.context.materials ?? []}
        onbuilt={(built) => {
          if (log.add({ kind: 'built', step: step.id, undoes: null, note: '', built })) asking = null;
        }}
        oncancel={() => (asking = null)}
      />
    {:else if asking}
      {@const kind = asking}
      <form
        onsubmit={(event) => {
          event.preventDefault();
          send(kind, null, note.trim());
        }}
      >
        <label for="note-{step.id}">{kind === 'note' ? installWords.note : installWords.overrideReason}</label
        >
        <textarea id="note-{step.id}" rows="2" maxlength="2000" required bind:value={note}></textarea>
        <Button type="submit" large disabled={note.trim() === ''}
          >{kind === 'note' ? installWords.saveNote : installWords.override}</Button
        >
        <Button kind="quiet" large onclick={() => (asking = null)}>{installWords.cancel}</Button>
      </form>
    {/if}
  </div>
</details>

<style>
  .sketch {
    display: none;
  }
  @media (max-width: 999px) {
    .sketch {
      display: block;
      height: 260px;
      background: var(--sand);
    }
  }
  details {
    border-top: 1px solid var(--line);
    border-left: 5px solid transparent;
  }
  details[data-status='open'],
  details[data-status='confirm'] {
    border-left-color: var(--rust);
  }
  details[data-status='waiting-look'] {
    border-left-color: var(--bad);
  }
  details[data-status='done'] {
    border-left-color: var(--good);
  }
  summary {
    display: grid;
    grid-template-columns: 2rem 1fr auto;
    align-items: center;
    gap: var(--gap-2);
    min-height: var(--touch);
    padding: var(--gap-2) var(--gap-2) var(--gap-2) var(--gap-3);
    cursor: pointer;
    list-style: none;
  }
  summary::-webkit-details-marker {
    display: none;
  }
  .title {
    font-weight: 600;
  }
  .status {
    font-size: 0.9rem;
    color: var(--ink-soft);
  }
  [data-status='done'] .status {
    color: var(--good);
  }
  [data-status='done'] .title {
    font-weight: 400;
  }
  [data-status='waiting-look'] .status {
    color: var(--bad);
    font-weight: 700;
  }
  .unsent {
    display: block;
    color: var(--watch);
    font-weight: 600;
  }
  .pictures {
    display: flex;
    flex-flow: row wrap;
    gap: var(--gap-2);
  }
  .body {
    display: grid;
    gap: var(--gap-3);
    padding: 0 var(--gap-3) var(--gap-4);
  }
  .look {
    display: grid;
    gap: var(--gap-2);
    justify-items: start;
    padding: var(--gap-3);
    background: var(--bad-soft);
  }
  .look h3 {
    color: var(--bad);
  }
  .caution {
    padding-left: var(--gap-3);
    border-left: 3px solid var(--watch);
  }
  .blocked {
    color: var(--watch);
    font-weight: 600;
  }
  dl div {
    display: flex;
    justify-content: space-between;
    gap: var(--gap-3);
    padding: 5px 0;
    border-bottom: 1px solid var(--sand-deep);
  }
  dd {
    white-space: nowrap;
    font-weight: 600;
  }
  .actions,
  form {
    display: flex;
    flex-flow: row wrap;
    gap: var(--gap-2);
  }
  form label,
  form textarea {
    width: 100%;
  }
  @media (max-width: 640px) {
    .actions > :global(button[data-kind='main']) {
      width: 100%;
      min-height: 56px;
    }
  }
</style>
