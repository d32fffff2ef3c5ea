<!-- The job's hand-over: every opening with what is still open, labels by façade, and the dossier. -->
<script module lang="ts">
  import type { JobStore } from '$lib/job/job.svelte.ts';

  export interface HandOverProps {
    store: JobStore;
  }
</script>

<script lang="ts">
  import { signedHeadOf } from '$lib/job/signed-head.ts';
  import JobPage from '$lib/features/shell/JobPage.svelte';
  import NoOpenings from '$lib/features/shell/NoOpenings.svelte';
  import { save } from '$lib/device/download.ts';
  import Button from '$lib/ui/Button.svelte';
  import { modelWords } from '$words/model.ts';
  import { handOverWords as t } from '$words/hand-over.ts';
  import { dossierOf, labelSchedule, labelStateOf } from '@hulvek/core';
  import { onMount } from 'svelte';
  import { labelFigures, labelsCsv } from './labels-csv.ts';
  import ShareLinks from '$lib/features/shared/ShareLinks.svelte';
  import ReadNotices from './ReadNotices.svelte';
  import ReleaseJob from './ReleaseJob.svelte';
  import DossierLinks from './DossierLinks.svelte';

  let { store }: HandOverProps = $props();
  const now = new Date().toISOString();
  /** That signs packages, where the line says it. */
  let key = $state('');
  onMount(async () => {
    key = (await signedHeadOf(store.id).catch(() => null))?.key ?? '';
  });
  const rows = $derived(
    [...store.views.values()].map(({ opening, issues, entries }) => {
      const issue = issues.at(-1);
      const build = issue && store.frozenOf(issue)?.build;
      const dossier = build && dossierOf({ build, issues, entries, materials: store.context.materials, now });
      return { opening, dossier: dossier ?? null, all: build?.steps.length ?? 0 };
    }),
  );
  const labels = $derived(
    labelSchedule({
      job: store.context.job,
      openings: [...store.views.values()].map(({ opening }) => opening),
      units: store.context.units,
    }),
  );
  const asked = $derived(labels.filter((row) => labelStateOf(row) !== 'not-asked'));
  const figures = $derived(labelFigures(store.reads));
  const HECTO_Pa = 100;

  const table = () =>
    save({ name: `${store.id}-labels.csv`, type: 'text/csv', content: labelsCsv(labels, store.reads) });
</script>

<JobPage view="handOver" lead={t.jobLead}>
  {#if rows.length === 0}<NoOpenings {store} />
  {:else}
    {#if store.pack.rights.includes('settings')}
      <DossierLinks
        job={store.id}
        label={t.jobPdf}
        whole
        mayRestore={store.pack.rights.includes('people')}
        {key}
      />
    {/if}
    <p class="files">
      <a class="as-button" href="/jobs/{store.id}/openings.ifc" download>{modelWords.write}</a>
      <a class="as-button" href="/jobs/{store.id}/stickers.pdf" download>{t.stickers}</a>
    </p>
    <h2>{t.openings}</h2>
    <!-- svelte-ignore a11y_no_noninteractive_tabindex -->
    <div class="wide-table" role="region" aria-label={t.openings} tabindex="0">
      <table class="lines">
        <thead>
          <tr>
            {#each Object.values(t.table) as head (head)}<th scope="col">{head}</th>{/each}
          </tr>
        </thead>
        <tbody data-testid="hand-over">
          {#each rows as { opening, dossier, all } (opening.id)}
            <tr>
              <th scope="row"
                ><a href="/jobs/{store.id}/{opening.id}/hand-over">{opening.mark}</a> {opening.name}</th
              >
              <td>{dossier ? t.doneOf(dossier.done, all) : ''}</td>
              <td>{dossier ? t.openTitle(dossier.open.length) : t.notBegun}</td>
              <td class="figure">{dossier?.tests.length ?? ''}</td>
              <td>{dossier?.released ? t.released : t.notReleased}</td>
            </tr>
          {/each}
        </tbody>
      </table>
    </div>
    <h2>{t.labels}</h2>
    {#if asked.length === 0}<p>{t.noFacades}</p>
    {:else}
      <!-- svelte-ignore a11y_no_noninteractive_tabindex -->
      <div class="wide-table" role="region" aria-label={t.labels} tabindex="0">
        <table class="lines" data-testid="labels">
          <thead>
            <tr>
              {#each Object.values(t.labelTable) as head (head)}<th scope="col">{head}</th>{/each}
            </tr>
          </thead>
          <tbody>
            {#each asked as row (row.opening)}
              <tr data-state={labelStateOf(row)}>
                <td>{row.facade}{row.azimuth_deg === null ? '' : `, ${row.azimuth_deg}°`}</td>
                <th scope="row">{row.mark}</th>
                <td>{row.unit}</td>
                <td>{figures.asked(row)}</td>
                <td>{figures.said(row.ordered)}</td>
                <td>{figures.said(row.read)}</td>
                <td>
                  {t.states[labelStateOf(row)]}
                  {#if row.altitude_Pa !== null && Math.abs(row.altitude_Pa) > 50 * HECTO_Pa}
                    <small>{t.altitude((row.altitude_Pa / HECTO_Pa).toFixed(0))}</small>
                  {/if}
                </td>
              </tr>
            {/each}
          </tbody>
        </table>
      </div>
      <p>{t.egress}</p>
      <div><Button onclick={table}>{t.csv}</Button></div>
    {/if}
    <ReleaseJob
      {store}
      openings={rows.filter(({ dossier }) => dossier?.released).length}
      of={rows.length}
      open={rows.reduce((n, { dossier }) => n + (dossier?.open.length ?? 0), 0)}
    />
    <ReadNotices job={store.id} />
    {#if store.pack.rights.includes('settings')}<ShareLinks {store} />{/if}
  {/if}
</JobPage>

<style>
  .wide-table {
    overflow-x: auto;
  }
  .files {
    display: flex;
    flex-flow: row wrap;
    gap: var(--gap-3);
  }
  h2,
  p {
    margin: 0;
  }
  th,
  td {
    padding: 6px var(--gap-3) 6px 0;
    text-align: left;
    vertical-align: middle;
  }
  th a {
    display: inline-flex;
    align-items: center;
    min-height: 44px;
  }
  [data-state='misses'] td:last-child {
    color: var(--bad);
    font-weight: 600;
  }
  small {
    display: block;
    color: var(--ink-soft);
  }
</style>
