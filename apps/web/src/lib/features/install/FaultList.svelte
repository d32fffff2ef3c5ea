<!-- Faults at one step: what, by whom, how far; mended and looked at again where they stand. -->
<script module lang="ts">
  import type { FieldLog } from './field.svelte.ts';
  import type { Fault } from '@hulvek/core';

  export interface FaultListProps {
    faults: readonly Fault[];
    log: FieldLog;
  }
</script>

<script lang="ts">
  import Button from '$lib/ui/Button.svelte';
  import { dateTime } from '$lib/ui/time.ts';
  import { mayLook } from '$lib/contract/rights.ts';
  import { installWords } from '$words/install.ts';
  import { punchWords as t } from '$words/punch.ts';
  import { formatLength, mendOf, pieceText, stepText, type Entry } from '@hulvek/core';
  import PictureButton from '$lib/ui/PictureButton.svelte';
  import { pressWords } from '$words/install.ts';
  import EntryPicture from './EntryPicture.svelte';

  let { faults, log }: FaultListProps = $props();
  /** How each was mended, as it is typed. */
  let how = $state<Record<string, string>>({});

  const add = (kind: Entry['kind'], { entry }: Fault, facts: NonNullable<Entry['facts']>, note = '') => {
    if (log.add({ kind, step: entry.step, undoes: null, note, facts })) how[entry.id] = '';
  };
  const length = (mm: number) => formatLength(mm, log.store.reads);
  const done = $derived(log.progress.filter(({ tick }) => tick).length);
  /** What is taken off to get at it, in the wall as it stands, and what is laid again. */
  const mendText = ({ facts }: Fault): string => {
    const build = log.frozen?.build;
    if (!build) return '';
    const place = facts.at?.from === 'outside' ? ([facts.at.u_mm, facts.at.v_mm] as const) : undefined;
    const { open, lay } = mendOf(build, facts.piece, done, place);
    const names = (ids: readonly string[]) => ids.map((one) => pieceText(one)).join(', ');
    return open.length === 0 ? t.free : `${t.open(names(open))} ${t.lay(names(lay))}`;
  };
  const picturesOf = ({ entry }: Fault) =>
    log.entries.filter(({ facts }) => facts?.kind === 'picture' && facts.fault === entry.id);
  const mayRecheck = ({ mended }: Fault) => {
    const { role, lookRule, me } = log.store.pack;
    return log.may('rechecked') && mayLook(lookRule, role, me, mended);
  };
</script>

<section class="faults" data-testid="faults">
  <h3>{t.title}</h3>
  <ul>
    {#each faults as fault (fault.entry.id)}
      {@const { entry, facts, status, mended, rechecked, failed } = fault}
      <li data-status={status}>
        <p>
          <b>{entry.note}</b>
          <span class="status">{t.status[status]}</span>
        </p>
        <p class="quiet">
          {pieceText(facts.piece)} · {t.found(entry.person, dateTime(entry.at))}{#if facts.owner}
            · {t.owner}: {facts.owner}{/if}
        </p>
        {#if facts.at}<p class="quiet">
            {pressWords.at(length(facts.at.u_mm), length(facts.at.v_mm))}
          </p>{/if}
        {#each picturesOf(fault) as picture (picture.id)}
          <EntryPicture entry={picture} job={log.store.id} kept={log.keptPicture(picture.id)} />
        {/each}
        {#if status === 'open'}<p>{mendText(fault)}</p>{/if}
        {#if status !== 'closed' && facts.severity === 'stops'}
          <p>{facts.before ? t.before(stepText(facts.before).title) : t.never}</p>
        {/if}
        {#if mended}<p class="quiet">
            {t.mendedBy(mended.person, dateTime(mended.at))}{mended.note ? `: ${mended.note}` : ''}
          </p>{/if}
        {#if rechecked}<p class="quiet">{t.rechecked(rechecked.person, dateTime(rechecked.at))}</p>{/if}
        {#if failed > 0 && status !== 'closed'}<p class="caution">{t.failed(failed)}</p>{/if}
        {#if status === 'mended'}<p class="quiet">{t.looks(fault.looks)}</p>{/if}
        {#if status === 'open'}
          <div class="do">
            <label>{t.how}<input maxlength="2000" autocomplete="off" bind:value={how[entry.id]} /></label>
            <Button
              large
              disabled={!log.may('mended')}
              onclick={() =>
                add('mended', fault, { kind: 'mended', fault: entry.id }, (how[entry.id] ?? '').trim())}
              >{t.mend}</Button
            >
            {#if log.may('photo')}
              <PictureButton
                label={installWords.addPicture}
                onpicture={(file) => void log.addPicture(entry.step, file, '', entry.id)}
              />
            {/if}
            <Button
              kind="quiet"
              large
              disabled={!log.may('fault')}
              onclick={() => log.add({ kind: 'undo', step: entry.step, undoes: entry.id, note: '' })}
              >{installWords.undo}</Button
            >
          </div>
        {:else if status === 'mended'}
          <div class="do">
            {#each [true, false] as good (good)}
              <Button
                large
                disabled={!mayRecheck(fault)}
                onclick={() => add('rechecked', fault, { kind: 'rechecked', fault: entry.id, good })}
                >{good ? t.good : t.bad}</Button
              >
            {/each}
          </div>
        {/if}
      </li>
    {/each}
  </ul>
</section>

<style>
  ul {
    display: grid;
    gap: var(--gap-3);
    margin: 0;
    padding: 0;
    list-style: none;
  }
  li {
    display: grid;
    gap: 4px;
    padding: var(--gap-2) var(--gap-3);
    border-left: 4px solid var(--bad);
  }
  li[data-status='mended'] {
    border-left-color: var(--watch);
  }
  li[data-status='closed'] {
    border-left-color: var(--good);
  }
  p {
    margin: 0;
  }
  p:first-child {
    display: flex;
    flex-flow: row wrap;
    gap: var(--gap-2) var(--gap-4);
    justify-content: space-between;
  }
  .do {
    display: flex;
    flex-flow: row wrap;
    gap: var(--gap-3);
    align-items: end;
  }
  label {
    display: grid;
    flex: 1 1 12rem;
    gap: 2px;
  }
</style>
