<!-- What sticks to what in these walls, contact by contact, what speaks against it, and own tests. -->
<script module lang="ts">
  import type { SupplyDesk } from './supply-desk.svelte.ts';

  export interface TogetherProps {
    desk: SupplyDesk;
  }
</script>

<script lang="ts">
  import { freshId } from '$lib/device/ids.ts';
  import Button from '$lib/ui/Button.svelte';
  import { dateTime, dayName } from '$lib/ui/time.ts';
  import { supplyWords } from '$words/supply.ts';
  import {
    chemistryTexts,
    contactFaceTexts,
    isSettledByTest,
    pieceText,
    touchTexts,
    whatInsteadChanges,
    type ContactAnswer,
    type InsteadChange,
    type MaterialContact,
  } from '@hulvek/core';

  import InsteadChanges from './InsteadChanges.svelte';
  import { moneyIn } from './money.ts';
  import TogetherGrid from './TogetherGrid.svelte';

  let { desk }: TogetherProps = $props();
  const t = supplyWords.together;
  let all = $state(false);
  let asking = $state<string | null>(null);
  let primer = $state(false);
  let words = $state('');

  const ORDER = ['banned', 'attacked', 'no-stick', 'unknown', 'both-makers', 'primer', 'goes'];
  const rows = $derived(
    desk.together
      .filter(({ contact }) => all || contact.touch !== 'goes')
      .toSorted((a, b) => ORDER.indexOf(a.contact.touch) - ORDER.indexOf(b.contact.touch)),
  );
  const keyOf = ({ material, face, piece, onto }: MaterialContact) =>
    `${material?.id ?? piece}|${face ?? onto}`;
  const noMaterials = $derived((desk.store.context.materials ?? []).length === 0);

  const alternatives = (contact: MaterialContact): InsteadChange[] => {
    const { materials } = desk.store.context;
    const of = desk.taken.find(({ build }) => build.pieces.some(({ id }) => id === contact.piece));
    if (!of) return [];
    return whatInsteadChanges(of.build, contact.piece, of.needs, {
      materials,
      adhesion: desk.supply.adhesion,
      supply: desk.supply,
    });
  };
  /** Another stock of the job that goes better there. */
  function fixOf(contact: MaterialContact): string {
    if (contact.touch === 'primer') return t.addPrimer;
    if (contact.touch === 'goes' || contact.touch === 'unknown') return '';
    const [best] = alternatives(contact);
    const sound = best && !best.tooNarrow && !best.doesNotStretch && ['goes', 'primer'].includes(best.touch);
    return sound ? t.fix(best.material.name) : t.worse;
  }
  /** The contact whose other stocks are shown. */
  let instead = $state<string | null>(null);
  const money = $derived(moneyIn(desk.store.context.job));

  async function record(contact: MaterialContact, held: boolean) {
    if (!contact.material || !contact.face) return;
    const test = {
      id: freshId(),
      material: contact.material.id,
      face: contact.face,
      primer,
      held,
      at: new Date().toISOString(),
      person: desk.store.pack.me.name,
      account: desk.store.pack.me.id,
      note: words.trim(),
    };
    if (await desk.put({ ...desk.supply, adhesion: [...desk.supply.adhesion, test] })) asking = null;
  }
</script>

<p class="lead">{t.lead}</p>
{#if noMaterials}<p>{t.choose} <a href="/jobs/{desk.store.id}/shelf">{t.toShelf}</a></p>{/if}
<TogetherGrid {desk} />
<div><Button aria-pressed={all} onclick={() => (all = !all)}>{all ? t.few : t.all}</Button></div>
<div class="scroll">
  <table data-testid="together">
    <thead>
      <tr>
        <th scope="col">{t.columns.sticks}</th><th scope="col">{t.columns.onto}</th><th scope="col"
          >{t.columns.touch}</th
        ><th scope="col">{t.columns.where}</th><th scope="col">{t.columns.test}</th>
      </tr>
    </thead>
    <tbody>
      {#each rows as { contact, marks, places, days } (keyOf(contact))}
        {@const fix = fixOf(contact)}
        <tr>
          <th scope="row">
            {contact.material ? contact.material.name : t.noMaterial(pieceText(contact.piece))}
            {#if contact.chemistry}<small>{chemistryTexts[contact.chemistry]}</small>{/if}
          </th>
          <td
            >{contact.face
              ? contactFaceTexts[contact.face]
              : `${contact.onto ? pieceText(contact.onto) : ''}: ${t.noFace}`}</td
          >
          <td data-touch={contact.touch}
            ><b>{touchTexts[contact.touch]}</b>{#if fix}<small>{fix}</small>{/if}
            {#if contact.material}
              {#each desk.weatherAgainst(contact.material, days).slice(0, 3) as { day, against } (day)}
                <small class="day">{dayName(day)}: {against.map((one) => t.weather[one]).join(', ')}</small>
              {/each}
              {#if desk.mayEdit}
                <Button
                  kind="quiet"
                  aria-expanded={instead === keyOf(contact)}
                  onclick={() => (instead = instead === keyOf(contact) ? null : keyOf(contact))}
                  >{t.instead}</Button
                >
              {/if}
              {#if instead === keyOf(contact)}
                <InsteadChanges changes={alternatives(contact)} {money} />
              {/if}
            {/if}</td
          >
          <td
            ><small>{places.slice(0, 4).map(pieceText).join(', ')}</small>
            {marks.length > 5 ? `${marks.slice(0, 5).join(', ')} …` : marks.join(', ')}</td
          >
          <td>
            {#if contact.test}
              {contact.test.held ? t.held : t.failed}{contact.test.primer ? `, ${t.withPrimer}` : ''}, {dateTime(
                contact.test.at,
              )}, {contact.test.person}
            {/if}
            {#if contact.touch === 'banned' || !isSettledByTest(contact.touch as ContactAnswer | 'unknown')}
              {#if contact.touch === 'attacked' || contact.touch === 'banned'}<small>{t.noTest}</small>{/if}
            {:else if desk.mayEdit && contact.material && contact.face}
              {#if asking === keyOf(contact)}
                <div class="form">
                  <span>{t.pulled}</span>
                  <label><input type="checkbox" bind:checked={primer} />{t.primer}</label>
                  <label>{t.note}<input maxlength="400" autocomplete="off" bind:value={words} /></label>
                  <div class="do">
                    <Button onclick={() => void record(contact, true)}>{t.held}</Button>
                    <Button onclick={() => void record(contact, false)}>{t.failed}</Button>
                  </div>
                </div>
              {:else}<Button
                  kind="quiet"
                  onclick={() => {
                    asking = keyOf(contact);
                    words = '';
                    primer = false;
                  }}>{t.record}</Button
                >{/if}
            {/if}
          </td>
        </tr>
      {/each}
    </tbody>
  </table>
</div>
<p class="quiet">{t.caution}</p>

<style>
  .lead {
    color: var(--ink-soft);
  }
  .scroll {
    overflow-x: auto;
  }
  table {
    border-collapse: collapse;
  }
  th,
  td {
    padding: var(--gap-2) var(--gap-4) var(--gap-2) 0;
    border-bottom: 1px solid var(--line);
    text-align: left;
    vertical-align: top;
    font-weight: inherit;
  }
  thead th {
    font-size: 0.9rem;
    font-weight: 600;
  }
  small {
    display: block;
    color: var(--ink-soft);
  }
  td[data-touch='banned'] b,
  td[data-touch='attacked'] b,
  td[data-touch='no-stick'] b {
    color: var(--bad);
  }
  .form,
  .form label {
    display: grid;
    gap: 4px;
  }
  .do {
    display: flex;
    gap: var(--gap-2);
  }
</style>
