<!-- A spray from the sill up: a stage at a time with its clock, and water where it is seen. -->
<script module lang="ts">
  import type { FieldLog } from '$lib/features/install/field.svelte.ts';
  import type { Session, SprayTest } from '@hulvek/core';

  export interface SprayRunProps {
    log: FieldLog;
    session: Session;
    /** What would be seen at a wall of which the fault is known; `null` where there is none to try out with. */
    simulated: SprayTest | null;
  }
</script>

<script lang="ts">
  import { DeviceClock } from '$lib/device/clock.svelte.ts';
  import { readDraft, writeDraft } from '$lib/device/drafts.ts';
  import Button from '$lib/ui/Button.svelte';
  import { openingTestWords as t, zoneWords } from '$words/opening-tests.ts';
  import { sprayStages, stageLong, type Entry, type SprayStage, type WetZone } from '@hulvek/core';
  import { untrack } from 'svelte';
  import TakeBack from './TakeBack.svelte';
  import ZonePress from './ZonePress.svelte';

  let { log, session, simulated }: SprayRunProps = $props();
  const clock = new DeviceClock();
  $effect(() => clock.run());
  /** Which stage runs, and since when: it goes on over a restart. */
  const KEY = untrack(() => `spray:${session.entry.id}`);
  const read = (): { stage: SprayStage; from: number } | null => {
    const [stage, from] = (readDraft(KEY) ?? '').split(' ');
    const known = sprayStages.find((one) => one === stage);
    return known && Number(from) > 0 ? { stage: known, from: Number(from) } : null;
  };
  let running = $state(read());
  let drips = $state('');
  const least = $derived(stageLong(session.facts.pressing));
  const MINUTE_ms = 60_000;
  const minutes = $derived(running ? Math.max(0, (clock.now - running.from) / MINUTE_ms) : 0);
  const time = $derived(
    `${Math.floor(minutes)}:${String(Math.floor((minutes % 1) * 60)).padStart(2, '0')} min`,
  );
  const ran = $derived(new Map(session.stages.map((one) => [one.stage, one])));
  const next = $derived(sprayStages.find((stage) => !ran.has(stage)) ?? null);

  const say = (facts: NonNullable<Entry['facts']>, note = '') =>
    log.add({ kind: 'test', step: session.entry.step, undoes: null, note, facts });

  function run(stage: SprayStage) {
    running = { stage, from: Date.now() };
    writeDraft(KEY, `${stage} ${running.from}`);
    clock.turn();
  }
  function end() {
    if (!running) return;
    say({
      kind: 'stage',
      test: session.entry.id,
      stage: running.stage,
      minutes: Math.round(minutes * 10) / 10,
    });
    running = null;
    writeDraft(KEY, null);
  }
  function wet(zone: WetZone) {
    if (!running) return;
    const n = Number(drips.replace(',', '.'));
    const after_min = Math.round(minutes * 10) / 10;
    say({
      kind: 'wet',
      test: session.entry.id,
      zone,
      stage: running.stage,
      after_min,
      ...(drips.trim() !== '' && n >= 0 && { drips_min: n }),
    });
    drips = '';
  }
  function tryOut(stage: SprayStage) {
    if (!simulated) return;
    for (const leak of simulated.leaks.filter((one) => one.stage === stage))
      say(
        { kind: 'wet', test: session.entry.id, zone: leak.zone, stage, after_min: leak.early ? 2 : 11 },
        t.simulatedNote,
      );
    say({ kind: 'stage', test: session.entry.id, stage, minutes: least }, t.simulatedNote);
  }
</script>

<section data-testid="spray">
  <ol>
    {#each sprayStages as stage (stage)}
      {@const one = ran.get(stage)}
      <li data-ran={one !== undefined}>
        <span
          >{t.stage(t.stages[stage], least)}
          {#if one}<small>{one.minutes >= least ? t.whole(one.minutes) : t.short(one.minutes)}</small
            >{/if}</span
        >
        {#if one && !running}<TakeBack {log} id={one.id} step={session.entry.step} />{/if}
        {#if log.may('test') && !running && stage === next}
          <Button large onclick={() => run(stage)}>{t.run}</Button>
          {#if simulated}<Button kind="quiet" large onclick={() => tryOut(stage)}>{t.simulate}</Button>{/if}
        {/if}
      </li>
    {/each}
  </ol>
  {#if running}
    <p class="runs" role="timer"><b>{t.runs(t.stages[running.stage], time)}</b></p>
    {#if clock.unsure}<p class="caution" role="alert">{t.unsure}</p>{/if}
    <label>{t.drips}<input class="figure" inputmode="decimal" autocomplete="off" bind:value={drips} /></label>
    <ZonePress
      label={t.water}
      chosen={session.wet.flatMap(({ zone, stage }) => (stage === running?.stage ? [zone] : []))}
      onpress={wet}
    />
    <div><Button kind="main" large onclick={end}>{t.end}</Button></div>
  {/if}
  {#if session.wet.length > 0}
    <ul>
      {#each session.wet as { id, zone, stage, after_min, weather } (id)}
        <li>
          {stage
            ? t.waterAt(zoneWords[zone], t.stages[stage], after_min ?? 0)
            : t.waterBy(zoneWords[zone], weather ?? '')}
          <TakeBack {log} {id} step={session.entry.step} />
        </li>
      {/each}
    </ul>
  {:else if session.stages.length > 0}<p>{t.dry}</p>{/if}
</section>

<style>
  section,
  ol {
    display: grid;
    gap: var(--gap-2);
    margin: 0;
  }
  ol {
    padding-left: 1.2rem;
  }
  p {
    margin: 0;
  }
  .runs {
    font-size: 1.2rem;
  }
  label {
    display: grid;
    gap: 2px;
    max-width: 14rem;
  }
  small {
    display: block;
    color: var(--ink-soft);
  }
</style>
