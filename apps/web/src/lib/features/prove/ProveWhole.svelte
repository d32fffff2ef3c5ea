<script module lang="ts">
  import type { OpeningEditor } from '$lib/job/opening.svelte.ts';
  import type { Snippet } from 'svelte';

  export interface ProveWholeProps {
    editor: OpeningEditor;
    /** Single proofs to go to. */
    proofs: Snippet;
  }
</script>

<script lang="ts">
  import AirLine from '$lib/features/prove/air/AirLine.svelte';
  import WaterRun from '$lib/features/prove/water/WaterRun.svelte';
  import ProofMark from './ProofMark.svelte';
  import Missing from '$lib/features/findings/Missing.svelte';
  import GradeMark from '$lib/ui/GradeMark.svelte';
  import { AirDesk } from '$lib/features/prove/air/air-desk.svelte.ts';
  import { HeatDesk } from '$lib/features/prove/heat/heat-desk.svelte.ts';
  import { WaterDesk } from '$lib/features/prove/water/water-desk.svelte.ts';
  import { wallViews } from './wall-desk.svelte.ts';
  import { proofWords, type QuickProof } from './proof-words.ts';
  import { shellWords } from '$words/shell.ts';
  import { heatText } from '$words/prove-heat.ts';
  import { proveText, type ProofId } from '$words/prove.ts';
  import { cutIds, figuresIn, formatLength, judge, readingOrder, type Grade } from '@hulvek/core';
  import { onDestroy, untrack } from 'svelte';
  import ProofFindings from './ProofFindings.svelte';
  import ProofWall from './ProofWall.svelte';

  let { editor, proofs }: ProveWholeProps = $props();
  const t = proveText.whole;
  const water = untrack(() => new WaterDesk(editor));
  const air = untrack(() => new AirDesk(editor));
  const heat = untrack(() => new HeatDesk(editor));
  onDestroy(() => heat.close());
  water.view = 'sill';
  const plan = $derived(water.plan);
  const figure = (mm: number) => formatLength(mm, editor.context.job.units, 'figure');

  $effect(() => {
    air.view = water.view;
  });
  $effect(() => {
    const { opening } = water.desk.plan;
    void editor.context;
    untrack(() => heat.look(opening));
  });

  const f = $derived(figuresIn(editor.store.reads));
  const words = $derived(proofWords(plan, f));
  const judgement = $derived(
    judge(plan, { heat: heat.known, collides: editor.store.collisionsOf(editor.id).length > 0 }),
  );
  const coldest = $derived(
    cutIds
      .flatMap((cut) => heat.sides[cut]?.side.coldest ?? [])
      .toSorted((a, b) => a.temperature_C - b.temperature_C)[0] ?? null,
  );

  const rows = $derived.by((): { id: ProofId; grade: Grade; says: string }[] => {
    if (!plan.build) return [];
    const row = (id: Exclude<QuickProof, 'fit'>) => ({ id, grade: judgement.proofs[id], says: words[id] });
    const says = heat.problem
      ? heatText.problem(heat.problem)
      : t.heatSays(coldest?.temperature_C ?? null, coldest?.fRsi ?? null, f);
    return [
      row('water'),
      row('air'),
      { id: 'heat', grade: judgement.proofs.heat, says },
      row('joint'),
      row('moisture'),
      row('loads'),
    ];
  });
  const findings = $derived(readingOrder([...plan.findings, ...heat.findings]));
  /** Layers stand side by side in a cut, three pixels each. */
  const ASIDE_px = 3;
</script>

<ProofWall desk={water} title={t.title} empty={t.nothing} views={wallViews} steps handles={false}>
  {#snippet over(drawing)}
    <AirLine {drawing} course={air.course} ring={air.view === 'face' ? air.ring : null} gaps={[]} />
    {#if water.course}
      <WaterRun
        {drawing}
        course={water.course}
        lines={water.lines}
        wets={water.wets}
        at={water.at}
        playing={false}
        slow={false}
        {figure}
        aside={water.view === 'face' ? 0 : ASIDE_px}
        beside={null}
        onstop={(at) => (water.at = at)}
        onend={() => undefined}
      />
    {/if}
  {/snippet}
  {#snippet panel()}
    {@render proofs()}
    <h2><GradeMark grade={judgement} word working={judgement.working} /> {t.title}</h2>
    <Missing missing={judgement.missing} job={editor.context.job.id} opening={editor.id} />
    {#if !editor.mayPlan}<p class="quiet">{shellWords.readOnly}</p>{/if}
    {#if plan.build}
      <ul class="proofs" data-testid="proofs">
        {#each rows as { id, grade, says } (id)}
          <li data-proof={id} data-verdict={grade.grade}>
            <ProofMark {id} />
            <a href="?proof={id}">{proveText.proofs[id]}</a>
            <GradeMark {grade} word />
            <p>{says}</p>
          </li>
        {/each}
      </ul>
      <p class="links">
        <a class="as-button" href="/jobs/{editor.context.job.id}/{editor.id}/proof.pdf" download>{t.sheet}</a>
        <a class="as-button" href="/jobs/{editor.context.job.id}/{editor.id}/compare">{t.compare}</a>
      </p>
      <ProofFindings
        desk={water}
        verdict={judgement.grade}
        {findings}
        title={t.findings}
        onfix={(fix) => water.applyFix(fix)}
      />
    {:else}<p>{t.nothing}</p>{/if}
    <p class="quiet">{t.lead}</p>
  {/snippet}
</ProofWall>

<style>
  .proofs {
    display: grid;
  }
  .proofs li {
    display: grid;
    grid-template-columns: 34px 1fr auto;
    align-items: center;
    gap: 0 var(--gap-2);
    padding: var(--gap-2) 0;
    border-bottom: 1px solid var(--sand-deep);
  }
  .proofs a {
    font-weight: 700;
    min-height: 28px;
    display: flex;
    align-items: center;
  }
  .proofs p {
    grid-column: 2 / -1;
    color: var(--ink-soft);
  }
  .links {
    display: flex;
    flex-flow: row wrap;
    gap: var(--gap-2);
  }
</style>
