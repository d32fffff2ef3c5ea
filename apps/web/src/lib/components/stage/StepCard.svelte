<script module lang="ts">
  import type { Action } from '$lib/server/rights.ts';
  import type { FieldLog } from '$lib/state/field.svelte.ts';
  import type { LengthUnit, PlannedStep, StepProgress } from '@hulvek/core';

  export interface StepCardProps {
    step: PlannedStep;
    state: StepProgress;
    number: number;
    /** Shown whole from the start: the one that is next. */
    open: boolean;
    log: FieldLog;
    units: LengthUnit;
    rights: readonly Action[];
  }
</script>

<script lang="ts">
  import Button from '$lib/components/ui/Button.svelte';
  import { text } from '$lib/texts/en.ts';
  import { formatLength, needTexts, pieceText, stepText, type Blocker, type Entry } from '@hulvek/core';

  let { step, state: now, number, open, log, units, rights }: StepCardProps = $props();
  let note = $state('');
  let asking = $state<'note' | 'override' | null>(null);
  const words = $derived(stepText(step.id));
  const cuts = $derived((log.plan?.cuts ?? []).filter((cut) => step.places.includes(cut.piece)));
  const shims = $derived(step.places.some((id) => id.endsWith('shims')) ? (log.plan?.fit?.shims ?? []) : []);
  const ownShims = $derived(shims.filter((s) => (s.side === 'sill') === step.places.includes('sill-shims')));
  const length = $derived((mm: number) => formatLength(mm, units));
  const resting = $derived(now.blockedBy.some((b) => b.kind === 'rest'));
  const time = (at: string) =>
    new Date(at).toLocaleTimeString('en-GB', { hour: '2-digit', minute: '2-digit' });

  function why(blocker: Blocker): string {
    const title = stepText(blocker.step).title;
    switch (blocker.kind) {
      case 'look':
        return text.install.waitsLook(title);
      case 'confirm':
        return text.install.waitsConfirm(title);
      case 'rest':
        return text.install.waitsRest(title, time(blocker.until));
      case 'step':
        return text.install.waitsFor(title);
    }
  }

  async function send(kind: Entry['kind'], undoes: string | null = null, said = '') {
    if (await log.add({ kind, step: step.id, undoes, note: said })) {
      note = '';
      asking = null;
    }
  }
</script>

<details {open} data-status={now.status}>
  <summary>
    <span class="number figure">{number}</span>
    <span class="title">{words.title}</span>
    <span class="status">{text.status[now.status]}</span>
  </summary>
  <div class="body">
    {#if now.status === 'waiting-look'}
      <div class="look">
        <h3>{text.install.lookTitle}</h3>
        <p>{text.install.lookText} {words.look}</p>
        <Button
          kind="main"
          large
          disabled={log.sending || !rights.includes('look')}
          onclick={() => send('look')}>{text.install.look}</Button
        >
      </div>
    {/if}
    <p>{words.how}</p>
    {#if words.caution}<p class="caution"><b>{text.install.caution}.</b> {words.caution}</p>{/if}
    {#if cuts.length > 0}
      <dl>
        {#each cuts as cut (cut.piece)}
          <div>
            <dt>{pieceText(cut.piece)}</dt>
            <dd class="figure">{length(cut.length_mm)} × {length(cut.width_mm)}</dd>
          </div>
        {/each}
      </dl>
    {/if}
    {#if ownShims.length > 0}
      <dl>
        {#each ownShims as shim (`${shim.side}${shim.at_mm}`)}
          <div>
            <dt>
              {text.measure.shimSides[shim.side]}, {length(shim.at_mm)}
              {text.measure.shimPlace[shim.side]}
            </dt>
            <dd class="figure">{shim.thickness_mm < 0 ? text.measure.noShim : length(shim.thickness_mm)}</dd>
          </div>
        {/each}
      </dl>
      <p class="quiet">{text.measure.seenOutside}</p>
    {/if}
    <p class="quiet"><b>{text.install.why}.</b> {words.why}</p>
    {#if step.needs.length > 0}<p class="quiet">
        <b>{text.install.needs}.</b>
        {step.needs.map((n) => needTexts[n]).join(', ')}
      </p>{/if}
    {#each now.blockedBy as blocker (blocker.kind + blocker.step)}<p class="blocked">{why(blocker)}</p>{/each}

    <div class="actions">
      {#if now.status === 'open' || now.status === 'blocked'}
        <Button
          kind="main"
          large
          disabled={log.sending || now.status !== 'open' || !rights.includes('tick')}
          onclick={() => send('tick')}>{text.install.tick}</Button
        >
      {:else if now.status === 'confirm'}
        <Button kind="main" large disabled={log.sending} onclick={() => send('tick')}
          >{text.install.confirmTick}</Button
        >
      {/if}
      {#if resting}<Button large onclick={() => (asking = 'override')}>{text.install.override}</Button>{/if}
      <Button kind="quiet" large onclick={() => (asking = asking === 'note' ? null : 'note')}
        >{text.install.addNote}</Button
      >
      {#if now.look}
        {@const look = now.look}
        <Button kind="quiet" large disabled={log.sending} onclick={() => send('undo', look.id)}
          >{text.install.undo}: {text.entryKinds.look}</Button
        >
      {:else if now.tick}
        {@const tick = now.tick}
        <Button kind="quiet" large disabled={log.sending} onclick={() => send('undo', tick.id)}
          >{text.install.undo}: {text.entryKinds.tick}</Button
        >
      {/if}
    </div>
    {#if asking}
      {@const kind = asking}
      <form
        onsubmit={(event) => {
          event.preventDefault();
          void send(kind, null, note.trim());
        }}
      >
        <label for="note-{step.id}">{kind === 'note' ? text.install.note : text.install.overrideReason}</label
        >
        <textarea id="note-{step.id}" rows="2" maxlength="2000" required bind:value={note}></textarea>
        <Button type="submit" large disabled={log.sending || note.trim() === ''}
          >{kind === 'note' ? text.install.saveNote : text.install.override}</Button
        >
        <Button kind="quiet" large onclick={() => (asking = null)}>{text.install.cancel}</Button>
      </form>
    {/if}
  </div>
</details>

<style>
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
  .quiet {
    color: var(--ink-soft);
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
