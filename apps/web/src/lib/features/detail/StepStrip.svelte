<script module lang="ts">
  import type { PlannedStep } from '@hulvek/core';

  export interface StepStripProps {
    steps: readonly PlannedStep[];
    /** Steps done in the drawing, 0 to `steps.length`. */
    step: number;
    onstep: (step: number) => void;
  }
</script>

<script lang="ts">
  import { stripWords } from '$words/detail.ts';
  import { stepText } from '@hulvek/core';

  let { steps, step, onstep }: StepStripProps = $props();
  let strip = $state<HTMLElement>();
  const current = $derived(steps[step - 1]);
  const minutes = (n: number): string =>
    n < 60 ? `${n} min` : n % 60 === 0 ? `${n / 60} h` : `${Math.floor(n / 60)} h ${n % 60} min`;
  const sum = (key: 'work_min' | 'rest_min') => steps.reduce((total, s) => total + s[key], 0);
  const spent = $derived(
    stripWords.time(minutes(sum('work_min')), sum('rest_min') > 0 ? minutes(sum('rest_min')) : ''),
  );
  const said = $derived(
    current ? `${stripWords.of(step, steps.length)}: ${stepText(current.id).title}` : stripWords.bare,
  );

  const MOVES: Record<string, (now: number, last: number) => number> = {
    ArrowRight: (now) => now + 1,
    ArrowUp: (now) => now + 1,
    ArrowLeft: (now) => now - 1,
    ArrowDown: (now) => now - 1,
    PageUp: (now) => now + 5,
    PageDown: (now) => now - 5,
    Home: () => 0,
    End: (_, last) => last,
  };

  function keydown(event: KeyboardEvent) {
    const move = MOVES[event.key];
    if (!move) return;
    event.preventDefault();
    onstep(Math.min(Math.max(move(step, steps.length), 0), steps.length));
  }

  function drag(event: PointerEvent) {
    if (!strip || (event.type === 'pointermove' && event.buttons === 0)) return;
    const { left, width } = strip.getBoundingClientRect();
    const at = ((event.clientX - left) / width) * steps.length;
    onstep(Math.min(Math.max(Math.ceil(at), 0), steps.length));
    strip.setPointerCapture(event.pointerId);
  }
</script>

<div class="box">
  <div class="head">
    <p class="now">
      {#if current}
        <b>{stripWords.of(step, steps.length)}</b>
        {stepText(current.id).title}
        {#if current.holdPoint}<span class="hold">{stripWords.hold}</span>{/if}
      {:else}
        <b>{stripWords.bare}</b>
      {/if}
    </p>
  </div>
  <div
    class="strip"
    role="slider"
    tabindex="0"
    aria-label={stripWords.label}
    aria-valuemin="0"
    aria-valuemax={steps.length}
    aria-valuenow={step}
    aria-valuetext={said}
    bind:this={strip}
    onkeydown={keydown}
    onpointerdown={drag}
    onpointermove={drag}
  >
    {#each steps as row, i (row.id)}
      <span class="tick" data-state={i + 1 < step ? 'past' : i + 1 === step ? 'now' : 'ahead'}>
        <span class="number">{i + 1}</span>
        {#if row.holdPoint}<span class="stop" aria-hidden="true"></span>{/if}
      </span>
    {/each}
  </div>
  <p class="hint">
    <span class="stop" aria-hidden="true"></span>
    {stripWords.hold}. {stripWords.hint} <span class="time">{spent}</span>
  </p>
</div>

<style>
  .box {
    padding: var(--gap-3) var(--gap-4);
    border-top: 1px solid var(--line);
    background: var(--paper);
  }
  .head {
    display: flex;
    flex-flow: row wrap;
    justify-content: space-between;
    gap: var(--gap-1) var(--gap-4);
  }
  .time {
    margin-left: auto;
  }
  .hint {
    color: var(--ink-soft);
  }
  .hint {
    display: flex;
    align-items: center;
    gap: 6px;
    font-size: 0.88rem;
  }
  .hold {
    margin-left: var(--gap-2);
    color: var(--rust);
    font-weight: 600;
  }
  .strip {
    display: flex;
    gap: 2px;
    margin: var(--gap-2) 0;
    cursor: ew-resize;
    touch-action: none;
    user-select: none;
  }
  .tick {
    position: relative;
    flex: 1;
    display: grid;
    justify-items: center;
    align-content: start;
    gap: 3px;
    height: 40px;
    padding-top: 4px;
    background: var(--sand-deep);
    font-family: var(--mono);
    font-size: 0.8rem;
  }
  .tick[data-state='past'] {
    background: #cbdcd0;
  }
  .tick[data-state='now'] {
    background: var(--rust);
    color: #fff;
  }
  .stop {
    display: inline-block;
    width: 10px;
    height: 10px;
    border: 2px solid currentColor;
  }
  @media (max-width: 640px) {
    .number {
      display: none;
    }
  }
</style>
