<!-- What was read of a building model: what has no size and why, and which walls its walls are here. -->
<script module lang="ts">
  import type { ModelChoice } from './model-choice.svelte.ts';

  export interface ModelNotesProps {
    model: ModelChoice;
  }
</script>

<script lang="ts">
  import { modelWords as t } from '$words/model.ts';
  import { formatLength, writeMeasure, type ModelWall } from '@hulvek/core';
  import type { WallChoice } from './model-choice.svelte.ts';

  let { model }: ModelNotesProps = $props();
  const reads = $derived(model.store.reads);
  const SHOWN = 12;
  const layersText = ({ layers }: ModelWall) =>
    layers.map(({ material, thickness_mm }) => `${material} ${formatLength(thickness_mm, reads)}`).join(', ');
  const rated = ({ u_Wm2K, fire }: Pick<ModelWall, 'u_Wm2K' | 'fire'>) =>
    [u_Wm2K === null ? '' : `U ${writeMeasure('transmittance', u_Wm2K, reads)}`, fire]
      .filter(Boolean)
      .join(', ');
  const saying = $derived(model.building.units.filter(({ u_Wm2K, fire }) => u_Wm2K !== null || fire !== ''));
  const ratings = $derived([...new Set(saying.map(rated))].slice(0, SHOWN).join('; '));
</script>

<section aria-labelledby="model" data-testid="model">
  <h2 id="model">{t.title}</h2>
  <p>{t.found(model.building.units.length, model.building.storeys.length, model.inside)}</p>
  {#if saying.length > 0}<p>{t.rated(saying.length, model.building.units.length, ratings)}</p>{/if}
  {#if model.unread.length > 0}
    <details>
      <summary>{t.unread(model.unread.length)}</summary>
      <ul>
        {#each model.unread.slice(0, SHOWN) as { guid, name, mark, problem } (guid)}
          <li>{[mark, name].filter(Boolean).join(' ')}: {problem ? t.problems[problem] : ''}</li>
        {/each}
        {#if model.unread.length > SHOWN}<li>{t.more(model.unread.length - SHOWN)}</li>{/if}
      </ul>
    </details>
  {/if}
  {#if model.building.walls.length > 0}
    <div class="scroll">
      <table>
        <thead>
          <tr>
            {#each Object.values(t.wallColumns) as head (head)}<th scope="col">{head}</th>{/each}
          </tr>
        </thead>
        <tbody>
          {#each model.building.walls as wall (wall.key)}
            <tr>
              <th scope="row">{wall.name || t.unnamed} <small>{rated(wall)}</small></th>
              <td>{wall.layers.length === 0 ? t.noLayers : layersText(wall)}</td>
              <td>
                <select
                  aria-label="{wall.name}: {t.wallColumns.here}"
                  value={model.choiceOf(wall)}
                  onchange={(event) => model.choose(wall, event.currentTarget.value as WallChoice)}
                >
                  {#if model.made.has(wall.key)}<option value="new">{t.newWall}</option>{/if}
                  {#each model.store.context.walls as { id, name } (id)}<option value="is:{id}">{name}</option
                    >{/each}
                  <option value="usual">{t.usualWall}</option>
                </select>
              </td>
            </tr>
          {/each}
        </tbody>
      </table>
    </div>
    <p class="quiet">{t.wallNote}</p>
  {/if}
</section>

<style>
  section {
    display: grid;
    gap: var(--gap-3);
  }
  h2,
  p,
  ul {
    margin: 0;
  }
  .scroll {
    overflow-x: auto;
  }
  table {
    border-collapse: collapse;
  }
  th,
  td {
    padding: 6px var(--gap-4) 6px 0;
    border-bottom: 1px solid var(--line);
    text-align: left;
    vertical-align: top;
  }
  small {
    display: block;
  }
  .quiet,
  small {
    color: var(--ink-soft);
    font-weight: 400;
  }
</style>
