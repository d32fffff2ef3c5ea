<script module lang="ts">
  import type { Judgement, Opening } from '@hulvek/core';

  export interface StageRailProps {
    job: string;
    opening: Opening;
    /** `null` until it is judged. */
    judgement: Judgement | null;
  }
</script>

<script lang="ts">
  import { page } from '$app/state';
  import { inSight } from '$lib/ui/scroll-to.ts';
  import { stagesWords } from '$words/shell.ts';
  import { judgedProofs, openingFrame, readingsFromOutside, type JudgedProof } from '@hulvek/core';
  import { stages, type Stage } from '../../../params/stage.ts';

  let { job, opening, judgement }: StageRailProps = $props();
  const MEASURED: readonly JudgedProof[] = ['fit', 'delivery'];
  const CHOSEN = judgedProofs.filter((proof) => !MEASURED.includes(proof));
  const frame = $derived(openingFrame(readingsFromOutside(opening.survey)));
  const now = $derived(page.params.stage);
  const fails = $derived((proofs: readonly JudgedProof[]) =>
    proofs.some((proof) => judgement?.proofs[proof].grade === 'fails'),
  );
  /** What is decided at a stage is there, and nothing of it fails. */
  const reached = $derived<Partial<Record<Stage, boolean>>>({
    measure: frame !== null && frame.missing.length === 0 && !fails(MEASURED),
    detail: judgement !== null && !judgement.missing.includes('plan') && !fails(CHOSEN),
  });
</script>

<nav aria-label={stagesWords.label}>
  <ol>
    {#each stages as stage (stage)}
      <li data-reached={reached[stage] ?? false}>
        <a
          href="/jobs/{job}/{opening.id}/{stage}"
          aria-current={stage === now ? 'step' : undefined}
          {@attach inSight(stage === now)}
        >
          <span class="notch" aria-hidden="true"></span>{stagesWords[stage]}
        </a>
      </li>
    {/each}
  </ol>
</nav>

<style>
  nav {
    border-bottom: 1px solid var(--line);
    overflow-x: auto;
  }
  ol {
    display: flex;
    padding: 0 var(--gap-3);
  }
  li {
    flex: 1;
    min-width: max-content;
  }
  a {
    display: flex;
    align-items: center;
    justify-content: center;
    gap: var(--gap-2);
    min-height: var(--touch);
    padding: 0 var(--gap-2);
    border-bottom: 4px solid transparent;
    color: var(--ink);
    text-decoration: none;
  }
  a:hover {
    background: var(--sand);
  }
  a[aria-current='step'] {
    border-bottom-color: var(--rust);
    font-weight: 700;
  }
  .notch {
    width: 11px;
    height: 11px;
    border: 2px solid #8b897f;
    transform: rotate(45deg);
  }
  li[data-reached='true'] .notch {
    border-color: var(--good);
    background: var(--good);
  }
  a[aria-current='step'] .notch {
    border-color: var(--rust);
    background: var(--rust);
  }
</style>
