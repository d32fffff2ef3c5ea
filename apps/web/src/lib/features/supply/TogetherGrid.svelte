<!-- Every stock of the walls against every ground it meets there: one cell for each contact. -->
<script module lang="ts">
  import type { SupplyDesk } from './supply-desk.svelte.ts';

  export interface TogetherGridProps {
    desk: SupplyDesk;
  }
</script>

<script lang="ts">
  import { supplyWords } from '$words/supply.ts';
  import { contactFaceTexts, touchTexts, type ContactFace, type Touch } from '@hulvek/core';

  let { desk }: TogetherGridProps = $props();
  const t = supplyWords.together;
  const grid = $derived.by(() => {
    const known = desk.together.filter(({ contact }) => contact.material !== null && contact.face !== null);
    const faces = [...new Set(known.map(({ contact }) => contact.face as ContactFace))].sort((a, b) =>
      contactFaceTexts[a].localeCompare(contactFaceTexts[b]),
    );
    const stocks = new Map<string, { name: string; cells: Map<ContactFace, Touch> }>();
    for (const { contact } of known) {
      const { material, face, touch } = contact;
      if (!material || !face) continue;
      const row = stocks.get(material.id) ?? { name: material.name, cells: new Map() };
      row.cells.set(face, touch);
      stocks.set(material.id, row);
    }
    return { faces, stocks: [...stocks.values()].sort((a, b) => a.name.localeCompare(b.name)) };
  });
</script>

{#if grid.stocks.length > 0}
  <h2>{t.grid}</h2>
  <!-- It scrolls on its own, so the keyboard must be able to enter it. -->
  <!-- svelte-ignore a11y_no_noninteractive_tabindex -->
  <div class="scroll" role="region" tabindex="0" aria-label={t.grid}>
    <table data-testid="grid">
      <thead>
        <tr>
          <th scope="col">{t.columns.sticks}</th>
          {#each grid.faces as face (face)}<th scope="col">{contactFaceTexts[face]}</th>{/each}
        </tr>
      </thead>
      <tbody>
        {#each grid.stocks as { name, cells } (name)}
          <tr>
            <th scope="row">{name}</th>
            {#each grid.faces as face (face)}
              {@const touch = cells.get(face)}
              <td data-touch={touch}>{touch ? touchTexts[touch] : ''}</td>
            {/each}
          </tr>
        {/each}
      </tbody>
    </table>
  </div>
{/if}

<style>
  .scroll {
    max-width: 100%;
    overflow-x: auto;
  }
  table {
    border-collapse: collapse;
  }
  h2 {
    margin: 0;
    font-size: 1rem;
  }
  /* What a row is of stays in sight. */
  tbody th {
    position: sticky;
    left: 0;
    background: var(--paper);
  }
  th,
  td {
    min-width: 6rem;
    padding: var(--gap-1) var(--gap-2);
    border: 1px solid var(--line);
    text-align: left;
    vertical-align: top;
    font-weight: inherit;
  }
  td[data-touch='goes'] {
    color: var(--good);
  }
  td[data-touch='primer'],
  td[data-touch='both-makers'] {
    background: var(--sand);
  }
  td[data-touch='no-stick'],
  td[data-touch='attacked'],
  td[data-touch='banned'] {
    color: var(--bad);
    font-weight: 600;
  }
</style>
