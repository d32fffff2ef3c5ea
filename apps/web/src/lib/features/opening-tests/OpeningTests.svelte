<!-- Openings that were tested, what was found, what several of them share, and which to test next. -->
<script module lang="ts">
  import type { JobStore } from '$lib/job/job.svelte.ts';

  export interface OpeningTestsProps {
    store: JobStore;
  }
</script>

<script lang="ts">
  import { save } from '$lib/device/download.ts';
  import Button from '$lib/ui/Button.svelte';
  import { openingTestWords as t } from '$words/opening-tests.ts';
  import {
    dayAndTime,
    faultsOf,
    nextToTest,
    patternsOf,
    pieceNamed,
    pieceText,
    sessionsOf,
    standing,
    zoneOf,
    type TestedOpening,
  } from '@hulvek/core';
  import { testsCsv } from './tests-csv.ts';

  let { store }: OpeningTestsProps = $props();
  const job = $derived(store.context.job);
  const nameOf = (id: string, list: readonly { readonly id: string; readonly name: string }[]) =>
    list.find((one) => one.id === id)?.name ?? id;
  const all = $derived(
    [...store.views.values()].map(({ opening, entries, issues }) => {
      const valid = standing(entries);
      const sessions = sessionsOf(valid);
      const faults = faultsOf(valid).filter(({ facts }) => facts.test !== undefined);
      const issue = issues.at(-1);
      const build = issue && store.frozenOf(issue)?.build;
      /** What a fault is of: left and right of one family are one thing to whoever makes them. */
      const kind = (piece: string) => (build && pieceNamed(build, piece)?.family) ?? piece;
      const tick = faults
        .map(({ entry }) => valid.find((one) => one.kind === 'tick' && one.step === entry.step))
        .find((one) => one !== undefined);
      const worker = tick ?? valid.find((one) => one.kind === 'tick');
      const traits = new Map<string, string>([
        ...(opening.method ? [['method', nameOf(opening.method, store.context.methods)] as const] : []),
        ...(opening.unit ? [['unit', nameOf(opening.unit, store.context.units)] as const] : []),
        ...(opening.wall ? [['wall', nameOf(opening.wall, store.context.walls)] as const] : []),
        ...(worker
          ? [['person', worker.person] as const, ['day', dayAndTime(zoneOf(job), worker.at).day] as const]
          : []),
      ]);
      return {
        opening,
        sessions,
        faults,
        found: [...new Set(faults.map(({ facts }) => kind(facts.piece)))],
        traits,
      };
    }),
  );
  const tested = $derived(all.filter(({ sessions }) => sessions.length > 0));
  const patterns = $derived(
    patternsOf(
      all.map(({ opening, sessions, found, traits }): TestedOpening => ({
        opening: opening.mark,
        tested: sessions.length > 0,
        found,
        traits,
      })),
    ),
  );
  const next = $derived(nextToTest(patterns)[0] ?? null);

  const table = () =>
    save({
      name: `${job.id}-tests.csv`,
      type: 'text/csv',
      content: testsCsv(tested.map(({ opening, sessions }) => ({ mark: opening.mark, sessions }))),
    });
</script>

<section data-testid="opening-tests">
  <h2>{t.openings}</h2>
  {#if tested.length === 0}<p>{t.noOpening}</p>
  {:else}
    <ul>
      {#each tested as { opening, sessions, faults } (opening.id)}
        <li>
          <a href="/jobs/{store.id}/{opening.id}/test">{opening.mark}</a>
          {t.line(
            sessions.length,
            sessions.reduce((n, { wet }) => n + wet.length, 0),
            faults.filter(({ status }) => status !== 'closed').length,
          )}
        </li>
      {/each}
    </ul>
    <div class="do">
      <Button onclick={table}>{t.csv}</Button>
      <a class="as-button" href="/jobs/{store.id}/tests.pdf" download>{t.report}</a>
    </div>
  {/if}
  {#if patterns.length > 0}
    <h3>{t.pattern}</h3>
    <ul data-testid="patterns">
      {#each patterns as { cause, trait, value, affected, tested: n, suspects } (cause + trait + value)}
        <li>
          {t.patternIs(pieceText(cause), t.traits[trait] ?? trait, value, affected.length, n)}
          {#if suspects.length > 0}{t.suspects(suspects.join(', '))}{/if}
        </li>
      {/each}
    </ul>
    {#if next}<p><b>{t.nextTest(next.opening)}</b></p>{/if}
  {/if}
</section>

<style>
  section {
    display: grid;
    gap: var(--gap-2);
    max-width: 56rem;
  }
  h2,
  h3,
  p,
  ul {
    margin: 0;
  }
  .do {
    display: flex;
    flex-flow: row wrap;
    gap: var(--gap-2);
  }
  li a {
    display: inline-flex;
    align-items: center;
    min-width: 44px;
    min-height: 44px;
    font-weight: 700;
  }
</style>
