<script module lang="ts">
  import type { OpeningEditor } from '$lib/job/opening.svelte.ts';
  import type { Snippet } from 'svelte';

  export interface ProveLoadsProps {
    editor: OpeningEditor;
    /** Other proofs to go to. */
    proofs: Snippet;
  }
</script>

<script lang="ts">
  import VerdictMark from '$lib/ui/VerdictMark.svelte';
  import { WallDesk, wallViews } from '$lib/features/prove/wall-desk.svelte.ts';
  import { shellWords } from '$words/shell.ts';
  import { installWords } from '$words/install.ts';
  import { proveText, sideName } from '$words/prove.ts';
  import { figuresIn, handlingText } from '@hulvek/core';
  import { untrack } from 'svelte';
  import ProofFindings from '$lib/features/prove/ProofFindings.svelte';
  import ProofWall from '$lib/features/prove/ProofWall.svelte';

  let { editor, proofs }: ProveLoadsProps = $props();
  const t = proveText.loads;
  const desk = untrack(() => new WallDesk(editor, ['structure']));
  const loads = $derived(desk.plan.loads);
  const f = $derived(figuresIn(editor.store.reads));
</script>

<ProofWall {desk} title={t.title} empty={t.nothing} views={wallViews} handles={false}>
  {#snippet panel()}
    {@render proofs()}
    <h2><VerdictMark verdict={loads?.verdict ?? 'not-checkable'} word /> {t.title}</h2>
    {#if !editor.mayPlan}<p class="quiet">{shellWords.readOnly}</p>{/if}
    {#if loads}
      <h3><VerdictMark verdict={loads.handling?.verdict ?? 'not-checkable'} /> {t.weight}</h3>
      {#if loads.handling}
        <p class="caution" data-testid="handling">
          <b>{installWords.caution}.</b>
          {handlingText(loads.handling, f)}
        </p>
        <p class="quiet">{t.hands(f)}</p>
        <h4>{t.alone(f)}</h4>
        <table class="figures">
          <tbody>
            {#each [['fromFloor', loads.handling.alone.fromFloor], ['fromBench', loads.handling.alone.fromBench]] as const as [name, limit] (name)}
              <tr>
                <th scope="row">{t[name]}</th>
                <td>{t.limit(limit, f)}<br /><span class="soft">{t.multipliers(limit)}</span></td>
              </tr>
            {/each}
          </tbody>
        </table>
        <p class="quiet">{t.aloneNote}</p>
      {:else}<p>{t.noWeight}</p>{/if}
      <h3><VerdictMark verdict={loads.fasteners?.verdict ?? 'not-checkable'} /> {t.wind}</h3>
      {#if loads.fasteners}
        <p>{t.total(loads.fasteners.total_N, loads.fasteners.pressure_Pa, f)}</p>
        <table class="figures" data-testid="fastener-loads">
          <thead>
            <tr><th scope="col">{t.side}</th><th scope="col">{t.count}</th><th scope="col">{t.each}</th></tr>
          </thead>
          <tbody>
            {#each loads.fasteners.sides as side (side.side)}
              <tr>
                <th scope="row">{sideName(side.side)}</th>
                <td>{side.count}</td>
                <td>{f.measure('force', side.each_N)}</td>
              </tr>
            {/each}
          </tbody>
        </table>
        <p>{loads.fasteners.limit_N === null ? t.noLimit : t.limitSaid(loads.fasteners.limit_N, f)}</p>
        <p class="quiet">{t.windNote}</p>
      {:else}<p>{t.noWind}</p>{/if}
      {#if loads.bearing}
        <h3><VerdictMark verdict={loads.bearing.verdict} /> {t.bearing}</h3>
        <p>{t.bearingSays(loads.bearing.load_Nmm, loads.bearing.limit_Nmm, f)}</p>
      {/if}
      {#if loads.altitude}
        <h3><VerdictMark verdict={loads.altitude.verdict} /> {t.altitude}</h3>
        <p>{t.altitudeSays(loads.altitude.difference_Pa, loads.altitude.limit_Pa, f)}</p>
      {/if}
      <ProofFindings {desk} verdict={loads.verdict} />
    {:else}<p>{t.nothing}</p>{/if}
  {/snippet}
</ProofWall>

<style>
  th {
    white-space: nowrap;
  }
  .soft {
    color: var(--ink-soft);
    font-size: 0.85rem;
  }
  h4 {
    margin: 0;
  }
  h3 {
    display: flex;
    align-items: baseline;
    gap: var(--gap-2);
    margin-top: var(--gap-3);
    padding-top: var(--gap-2);
    border-top: 1px solid var(--line);
  }
  .caution {
    padding: var(--gap-2) var(--gap-3);
    background: var(--rust-soft);
  }
</style>
