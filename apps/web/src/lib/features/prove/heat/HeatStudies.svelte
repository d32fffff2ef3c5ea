<script module lang="ts">
  import type { HeatDesk } from './heat-desk.svelte.ts';

  export interface HeatStudiesProps {
    heat: HeatDesk;
  }
</script>

<script lang="ts">
  import Button from '$lib/ui/Button.svelte';
  import { heatText } from '$words/prove-heat.ts';
  import { figuresIn, formatLength, studyIds } from '@hulvek/core';
  import StudyChart from './StudyChart.svelte';

  let { heat }: HeatStudiesProps = $props();
  const figure = (mm: number) => formatLength(mm, heat.editor.store.reads);
  const f = $derived(figuresIn(heat.editor.store.reads));
  const running = $derived(heat.study);
  const study = $derived(heat.study?.study ?? null);
</script>

<details open={heat.study !== null}>
  <summary><h3>{heatText.studies}</h3></summary>
  <form
    onsubmit={(event) => {
      event.preventDefault();
      heat.startStudy(heat.studied);
    }}
  >
    <label
      >{heatText.studyLabel}
      <select bind:value={heat.studied}>
        {#each studyIds as id (id)}<option value={id}>{heatText.studyName(id)}</option>{/each}
      </select>
    </label>
    <Button type="submit">{heatText.start}</Button>
    {#if running && running.done < running.total}
      <progress value={running.done} max={running.total} aria-label={heatText.studyName(heat.studied)}
      ></progress>
      <span role="status">{heatText.progress(running.done, running.total)}</span>
      <Button kind="quiet" onclick={() => heat.stopStudy()}>{heatText.stop}</Button>
    {/if}
  </form>
  {#if study}
    {#if running?.total === 0}<p>{heatText.studyNone}</p>{/if}
    {#if running?.done === running?.total && study.best}
      <p data-testid="study-best">{heatText.best(study, figure)}</p>
    {/if}
    {#if study.variants.length > 0}
      <StudyChart {study} {figure} reads={heat.editor.store.reads} />
      <div class="rows">
        <table>
          <thead>
            <tr>
              <th scope="col">{study.id === 'position' ? heatText.setback : heatText.axisOf(study.id)}</th>
              <th scope="col" class="figure"
                >{heatText.studyColumns.psi}<small class="unit"
                  >{heatText.psiUnit(heat.editor.store.reads)}</small
                ></th
              >
              <th scope="col" class="figure">{heatText.studyColumns.coldest}</th>
              <td></td>
            </tr>
          </thead>
          <tbody>
            {#each study.variants as variant (variant.id)}
              <tr>
                <th scope="row"
                  >{heatText.variant(study.id, variant, figure)}{#if variant.isNow}<em>
                      {heatText.now}</em
                    >{/if}</th
                >
                <td class="figure">{heatText.psiFigure(variant.psi, f)}</td>
                <td class="figure">{heatText.temperature(variant.coldest_C, f)}</td>
                <td>
                  {#if variant.set && !variant.isNow && heat.editor.mayPlan}
                    <button type="button" class="as-link" onclick={() => heat.take(variant)}
                      >{heatText.take}</button
                    >
                  {/if}
                </td>
              </tr>
            {/each}
          </tbody>
        </table>
      </div>
      <p class="quiet">{heatText.both}</p>
    {/if}
  {/if}
</details>

<style>
  form {
    display: flex;
    flex-flow: row wrap;
    align-items: end;
    gap: var(--gap-2) var(--gap-3);
    margin: var(--gap-2) 0;
  }
  label {
    display: grid;
    gap: var(--gap-1);
  }
  .rows {
    max-height: 260px;
    overflow-y: auto;
  }
  table {
    width: 100%;
    border-collapse: collapse;
  }
  th,
  td {
    padding: 3px var(--gap-2) 3px 0;
    text-align: left;
    font-weight: inherit;
    border-bottom: 1px solid var(--line);
  }
  thead th {
    font-size: 0.85rem;
    color: var(--ink-soft);
  }
  .figure {
    text-align: right;
  }
  td.figure {
    font-family: var(--mono);
  }
  em {
    color: var(--rust);
    font-style: normal;
    font-weight: 600;
  }
</style>
