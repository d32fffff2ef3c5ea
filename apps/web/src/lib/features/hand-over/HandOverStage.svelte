<!-- What is handed over of an opening: what is still open first, then what is hidden now, departures, faults and tests. -->
<script module lang="ts">
  import type { OpeningEditor } from '$lib/job/opening.svelte.ts';

  export interface HandOverStageProps {
    editor: OpeningEditor;
  }
</script>

<script lang="ts">
  import EntryPicture from '$lib/features/install/EntryPicture.svelte';
  import { FieldLog } from '$lib/features/install/field.svelte.ts';
  import { dateTime } from '$lib/ui/time.ts';
  import { changeText } from '$words/prove-water.ts';
  import { deviationWords } from '$words/install.ts';
  import { handOverWords as t } from '$words/hand-over.ts';
  import { openingTestWords, zoneWords } from '$words/opening-tests.ts';
  import { punchWords } from '$words/punch.ts';
  import { dossierOf, formatLength, pieceText, stepText, type OpenPoint } from '@hulvek/core';
  import { onMount, untrack } from 'svelte';
  import DossierLinks from './DossierLinks.svelte';
  import { openText } from './open-text.ts';

  let { editor }: HandOverStageProps = $props();
  const log = untrack(() => new FieldLog(editor.store, editor.opening.id));
  onMount(() => log.tickClock());
  const path = $derived(`/jobs/${editor.store.id}/${editor.id}`);
  const length = $derived((mm: number) => formatLength(mm, editor.store.reads));
  const dossier = $derived.by(() => {
    const build = log.frozen?.build;
    const { issues, entries, now } = log;
    return build
      ? dossierOf({ build, issues, entries, materials: editor.store.context.materials, now })
      : null;
  });
  const hrefOf = (point: OpenPoint) => {
    if (point.kind === 'leak') return `${path}/test`;
    const step = point.kind === 'fault' ? point.fault.entry.step : 'step' in point ? point.step : '';
    return `${path}/install#step-${step}`;
  };
</script>

<div class="stage">
  <h2>{t.title}</h2>
  <p>{t.lead}</p>
  {#if !dossier}<p>{t.notStarted}</p>
  {:else}
    {#if editor.store.pack.rights.includes('settings')}
      <DossierLinks job={editor.store.id} opening={editor.id} label={t.pdf} />
    {/if}
    <section data-testid="still-open">
      <h3>{t.openTitle(dossier.open.length)}</h3>
      {#if dossier.open.length === 0}<p>{t.ready}</p>{/if}
      <ul>
        {#each dossier.open as point, i (i)}
          <li><a href={hrefOf(point)}>{openText(point, editor.store.reads)}</a></li>
        {/each}
      </ul>
    </section>
    {#if dossier.hidden.length > 0}
      <section>
        <h3>{t.hidden}</h3>
        <ol data-testid="hidden">
          {#each dossier.hidden as { piece, coveredBy, pictures } (piece)}
            <li>
              {t.hiddenBy(pieceText(piece), stepText(coveredBy).title)}
              {#if pictures.length === 0}<small>{t.noPicture}</small>{/if}
              <div class="pictures">
                {#each pictures as entry (entry.id)}
                  <EntryPicture {entry} job={editor.store.id} kept={log.keptPicture(entry.id)} />
                {/each}
              </div>
            </li>
          {/each}
        </ol>
      </section>
    {/if}
    {#if dossier.otherwise.length + dossier.departures.length > 0}
      <section>
        <h3>{t.departures}</h3>
        <ul>
          {#each dossier.otherwise as { id, built } (id)}
            {#if built}<li>{changeText(built, length)}</li>{/if}
          {/each}
          {#each dossier.departures as { id, facts, note, person, at } (id)}
            {#if facts?.kind === 'deviation'}<li>
                {deviationWords.is(deviationWords.froms[facts.from], facts.accepted)} “{note}”
                <small>{t.doneBy(dateTime(at), person)}</small>
              </li>{/if}
          {/each}
        </ul>
      </section>
    {/if}
    {#if dossier.faults.length > 0}
      <section>
        <h3>{t.faults}</h3>
        <ul>
          {#each dossier.faults as { entry, facts, status } (entry.id)}
            <li>{entry.note} <small>{pieceText(facts.piece)}, {punchWords.status[status]}</small></li>
          {/each}
        </ul>
      </section>
    {/if}
    {#if dossier.tests.length > 0}
      <section>
        <h3>{t.tests}</h3>
        <ul>
          {#each dossier.tests as { entry, facts, wet } (entry.id)}
            <li>
              {openingTestWords.kinds[facts.of]}, {dateTime(entry.at)}:
              {wet.length === 0 ? t.testDry : t.testWet(wet.map(({ zone }) => zoneWords[zone]).join(', '))}
            </li>
          {/each}
        </ul>
      </section>
    {/if}
    <section>
      <h3>{t.maintenance}</h3>
      <ul>
        {#each t.maintenanceLines as line (line)}<li>{line}</li>{/each}
      </ul>
    </section>
  {/if}
</div>

<style>
  .stage {
    display: grid;
    grid-template-columns: minmax(0, 1fr);
    gap: var(--gap-3);
    align-content: start;
    width: 100%;
    max-width: 52rem;
    padding: var(--gap-4);
  }
  h2,
  h3,
  p,
  ul,
  ol {
    margin: 0;
  }
  section,
  ol {
    display: grid;
    gap: var(--gap-2);
  }
  ul,
  ol {
    padding-left: 1.2rem;
  }
  li a {
    display: inline-flex;
    align-items: center;
    min-height: 44px;
  }
  small {
    color: var(--ink-soft);
  }
  .pictures {
    display: flex;
    flex-flow: row wrap;
    gap: var(--gap-2);
  }
</style>
