<script module lang="ts">
  import type { Plan } from '@hulvek/core';

  export interface StageRailProps {
    job: string;
    opening: string;
    plan: Plan;
  }
</script>

<script lang="ts">
  import { page } from '$app/state';
  import { inSight } from '$lib/components/ui/scroll-to.ts';
  import { text } from '$lib/texts/en.ts';
  import { stages, type Stage } from '../../../params/stage.ts';

  let { job, opening, plan }: StageRailProps = $props();
  const READY: readonly Stage[] = ['measure', 'detail', 'install'];
  const now = $derived(page.params.stage);
  const reached = $derived<Partial<Record<Stage, boolean>>>({
    measure: plan.frame !== null && plan.frame.missing.length === 0,
    detail: plan.build !== null,
  });
</script>

<nav aria-label={text.stages.label}>
  <ol>
    {#each stages as stage (stage)}
      <li data-reached={reached[stage] ?? false} data-later={!READY.includes(stage)}>
        <a
          href="/jobs/{job}/{opening}/{stage}"
          aria-current={stage === now ? 'step' : undefined}
          {@attach inSight(stage === now)}
        >
          <span class="notch" aria-hidden="true"></span>{text.stages[stage]}
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
  li[data-later='true'] a:not([aria-current='step']) {
    color: var(--ink-soft);
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
