<!-- Clocks that run at openings, the next to end first. They go on without a network and over a restart. -->
<script module lang="ts">
  import type { JobStore } from '$lib/job/job.svelte.ts';
  import type { RunningClock } from '@hulvek/core';

  export interface ClocksProps {
    store: JobStore;
    /** Of one opening; of all without it. */
    opening?: string;
    /** Which of them; all where it is left out. */
    kinds?: readonly RunningClock['kind'][];
  }
</script>

<script lang="ts">
  import { DeviceClock } from '$lib/device/clock.svelte.ts';
  import { dateTime } from '$lib/ui/time.ts';
  import { clockWords as t } from '$words/install.ts';
  import { taskTitle } from '$words/task-title.ts';
  import { progress, runningClocks } from '@hulvek/core';

  let { store, opening, kinds = ['open', 'rest', 'exposed'] }: ClocksProps = $props();
  const clock = new DeviceClock();
  $effect(() => clock.run());
  /** Told this long before its end, ms. */
  const SOON_ms: Readonly<Record<RunningClock['kind'], number>> = {
    open: 5 * 60_000,
    rest: 15 * 60_000,
    exposed: 3 * 86_400_000,
  };
  const MINUTE_ms = 60_000;
  /** Which clocks run changes with what is entered, and by the minute as rests end. */
  const minute = $derived(Math.floor(clock.now / MINUTE_ms));
  const running = $derived.by(() => {
    const now = new Date((minute + 1) * MINUTE_ms - 1).toISOString();
    return [...store.views.values()]
      .filter((view) => (opening ? view.opening.id === opening : view.issues.length > 0))
      .flatMap((view) => {
        const issue = view.issues.at(-1);
        const build = issue && store.frozenOf(issue)?.build;
        if (!build) return [];
        const states = progress(build.steps, view.issues, view.entries, now);
        const clocks = runningClocks(build, states, store.context.materials);
        return clocks
          .filter(({ kind }) => kinds.includes(kind))
          .map((one) => ({
            ...one,
            id: view.opening.id as string,
            mark: view.opening.mark,
          }));
      })
      .sort((a, b) => a.until.localeCompare(b.until));
  });
  const left = (until: string) => Date.parse(until) - clock.now;
  function leftText(ms: number): string {
    const over = ms < 0;
    const seconds = Math.floor(Math.abs(ms) / 1000);
    const [h, m, s] = [Math.floor(seconds / 3600), Math.floor(seconds / 60) % 60, seconds % 60];
    const two = (n: number) => String(n).padStart(2, '0');
    const text = h >= 48 ? t.days(Math.floor(h / 24)) : h > 0 ? `${h}:${two(m)} h` : `${m}:${two(s)} min`;
    return over ? t.over(text) : text;
  }
  const stateOf = (one: RunningClock) =>
    left(one.until) < 0 ? 'over' : left(one.until) < SOON_ms[one.kind] ? 'soon' : 'runs';
</script>

{#if running.length > 0}
  <section data-testid="clocks">
    <svelte:element this={opening ? 'h3' : 'h2'} class="title">{t.title}</svelte:element>
    {#if clock.unsure}<p class="unsure" role="alert">{t.unsure}</p>{/if}
    <ul>
      {#each running as one (one.id + one.kind + one.of + one.next)}
        <li data-state={stateOf(one)}>
          <span class="figure left">{leftText(left(one.until))}</span>
          <span>
            {#if !opening}<a href="/jobs/{store.id}/{one.id}/install">{one.mark}</a>{/if}
            {t.kinds[one.kind](taskTitle(one.of), one.next === '' ? '' : taskTitle(one.next))}
            <small>{t.until(dateTime(one.until))}</small>
          </span>
        </li>
      {/each}
    </ul>
  </section>
{/if}

<style>
  section {
    display: grid;
    gap: var(--gap-2);
    padding: var(--gap-3);
    border: 1px solid var(--line);
    border-radius: var(--radius);
  }
  .title,
  p,
  ul {
    margin: 0;
    padding: 0;
    font-size: 1rem;
  }
  ul {
    display: grid;
    gap: var(--gap-2);
    list-style: none;
  }
  li {
    display: grid;
    grid-template-columns: 8rem minmax(0, 1fr);
    gap: var(--gap-2);
    padding-left: var(--gap-2);
    border-left: 4px solid var(--line);
  }
  li[data-state='soon'] {
    border-left-color: var(--watch);
  }
  li[data-state='over'] {
    border-left-color: var(--bad);
  }
  li[data-state='over'] .left {
    color: var(--bad);
  }
  .left {
    font-weight: 600;
  }
  .unsure {
    padding-left: var(--gap-2);
    border-left: 4px solid var(--watch);
  }
</style>
