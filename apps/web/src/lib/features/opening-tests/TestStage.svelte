<!-- Tests of one opening: begun with their safety list, run, and from a leak to where to open. All of it works without a network. -->
<script module lang="ts">
  import type { OpeningEditor } from '$lib/job/opening.svelte.ts';

  export interface TestStageProps {
    editor: OpeningEditor;
  }
</script>

<script lang="ts">
  import { FieldLog } from '$lib/features/install/field.svelte.ts';
  import Button from '$lib/ui/Button.svelte';
  import { dateTime } from '$lib/ui/time.ts';
  import { openingTestWords as t, zoneWords } from '$words/opening-tests.ts';
  import {
    faultsOf,
    hiddenWall,
    openingTests,
    piecesFor,
    seedOf,
    sessionsOf,
    simulatedFaults,
    simulatedProbe,
    simulatedSpray,
    standing,
    type Entry,
    type Offered,
    type OpeningTest,
    type Session,
    type TestFacts,
    type WetZone,
  } from '@hulvek/core';
  import { onMount, untrack } from 'svelte';
  import { ways } from '$lib/features/install/readings.svelte.ts';
  import BeginTest from './BeginTest.svelte';
  import ChamberForm from './ChamberForm.svelte';
  import LeakCause from './LeakCause.svelte';
  import SprayRun from './SprayRun.svelte';
  import TakeBack from './TakeBack.svelte';
  import ZonePress from './ZonePress.svelte';

  let { editor }: TestStageProps = $props();
  const log = untrack(() => new FieldLog(editor.store, editor.opening.id));
  onMount(() => log.tickClock());
  const valid = $derived(standing(log.entries));
  const sessions = $derived(sessionsOf(valid).toReversed());
  let beginning = $state<OpeningTest | null>(null);
  let like = $state.raw<TestFacts | null>(null);
  let weather = $state('');
  let how = $state<'smoke' | 'infrared'>('smoke');
  const step = $derived(log.stepNow || (log.steps.at(-1)?.id ?? ''));

  function begin(facts: TestFacts) {
    if (log.add({ kind: 'test', step, undoes: null, note: '', facts })) {
      beginning = null;
      like = null;
    }
  }
  const say = (session: Session, facts: NonNullable<Entry['facts']>) =>
    log.add({ kind: 'test', step: session.entry.step, undoes: null, note: '', facts });
  const seen = (session: Session, zone: WetZone) =>
    say(session, {
      kind: 'wet',
      test: session.entry.id,
      zone,
      ...(weather.trim() !== '' && { weather: weather.trim() }),
    });
  const draught = (session: Session, zone: WetZone) =>
    say(session, { kind: 'draught', test: session.entry.id, zone, how });

  /** A wall with a fault that nobody knows, to try the search out with; it is gone once its piece was mended and looked at. */
  const hidden = $derived.by(() => {
    const build = log.frozen?.build;
    if (!build || ways.way !== 'simulated') return null;
    const pressure_Pa = sessions[0]?.facts.pressure_Pa ?? null;
    const mended = new Set(
      faultsOf(valid).flatMap(({ status, facts }) =>
        status === 'closed' && facts.test ? [facts.piece] : [],
      ),
    );
    const planted = simulatedFaults(build, seedOf(editor.opening.id), pressure_Pa).filter((one) =>
      one.kind === 'wall' && 'piece' in one.change
        ? !mended.has(one.change.piece)
        : !piecesFor(build, 'unit').some(({ id }) => mended.has(id)),
    );
    return hiddenWall(build, planted, pressure_Pa);
  });
  const sprayed = $derived(
    hidden && sessions[0]
      ? simulatedSpray(hidden, {
          pressed: (sessions[0].facts.pressing ?? 'none') !== 'none',
          seed: seedOf(sessions[0].entry.id),
        })
      : null,
  );
  const lookOf = (session: Session) =>
    hidden
      ? (probe: Offered) =>
          simulatedProbe(hidden, probe, seedOf(`${session.entry.id}${session.probes.length}`))
      : null;
  const laboratory = $derived(log.issue?.unit.waterTest_Pa ?? null);
</script>

<div class="stage">
  <h2>{t.title}</h2>
  <p>{t.lead}</p>
  <p class="caution">{t.caution}</p>
  {#if !log.issue}<p>{t.notStarted}</p>
  {:else}
    {#if log.problem}<p class="problem" role="alert">{log.problem}</p>{/if}
    {#if log.may('test')}
      {#if beginning}
        <BeginTest
          of={beginning}
          laboratory_Pa={laboratory}
          {like}
          onbegin={begin}
          oncancel={() => (beginning = null)}
        />
      {:else}
        <div class="do">
          {#each openingTests as of (of)}
            <Button large onclick={() => (beginning = of)}>{t.kinds[of]}</Button>
          {/each}
        </div>
        <label class="try"
          ><input
            type="checkbox"
            checked={ways.way === 'simulated'}
            onchange={(event) => ways.choose(event.currentTarget.checked ? 'simulated' : 'typed')}
          />{t.simulated}</label
        >
      {/if}
    {/if}
    {#if sessions.length === 0}<p>{t.none}</p>{/if}
    {#each sessions as session, i (session.entry.id)}
      <section class="session" data-testid="session">
        <h3>{t.kinds[session.facts.of]}</h3>
        <p class="quiet">
          {t.by(session.entry.person, dateTime(session.entry.at))}
          {#if session.stages.length + session.wet.length + session.faults.length === 0}
            <TakeBack {log} id={session.entry.id} step={session.entry.step} />
          {/if}
        </p>
        {#if session.facts.of === 'spray'}
          <SprayRun {log} {session} simulated={i === 0 ? sprayed : null} />
        {:else if session.facts.of === 'chamber'}<ChamberForm
            {log}
            {session}
            simulate={ways.way === 'simulated'}
          />
        {:else if session.facts.of === 'reported'}
          {#if log.may('test')}
            <label class="weather"
              >{t.weather}<input maxlength="200" autocomplete="off" bind:value={weather} /></label
            >
          {/if}
          <ZonePress
            label={t.water}
            chosen={session.wet.map(({ zone }) => zone)}
            disabled={!log.may('test')}
            onpress={(zone) => seen(session, zone)}
          />
          <ul>
            {#each session.wet as { id, zone, weather: by } (id)}<li>
                {t.waterBy(zoneWords[zone], by ?? '')}
                <TakeBack {log} {id} step={session.entry.step} />
              </li>{/each}
          </ul>
        {:else}
          <label class="weather"
            >{t.how}<select bind:value={how}
              >{#each ['smoke', 'infrared'] as const as one (one)}<option value={one}>{t.hows[one]}</option
                >{/each}</select
            ></label
          >
          <ZonePress
            label={t.draught}
            chosen={session.draughts.map(({ zone }) => zone)}
            disabled={!log.may('test')}
            onpress={(zone) => draught(session, zone)}
          />
          <ul>
            {#each session.draughts as { zone, how: by }, k (k)}<li>
                {zoneWords[zone]}, {t.hows[by]}
              </li>{/each}
          </ul>
        {/if}
        {#if session.wet.length > 0}
          <LeakCause {log} {session} simulate={i === 0 ? lookOf(session) : null} />
        {/if}
        {#if session.faults.length > 0 && i === 0 && log.may('test')}
          <div>
            <Button
              large
              onclick={() => {
                like = session.facts;
                beginning = 'spray';
              }}>{t.again}</Button
            >
          </div>
        {/if}
      </section>
    {/each}
  {/if}
</div>

<style>
  .stage {
    display: grid;
    grid-template-columns: minmax(0, 1fr);
    gap: var(--gap-3);
    align-content: start;
    width: 100%;
    max-width: 52rem;
    padding: var(--gap-4);
  }
  p,
  h2,
  h3 {
    margin: 0;
  }
  .do {
    display: flex;
    flex-flow: row wrap;
    gap: var(--gap-2);
  }
  .session {
    display: grid;
    gap: var(--gap-3);
    padding: var(--gap-3) 0;
    border-top: 1px solid var(--line);
  }
  .caution {
    padding-left: var(--gap-3);
    border-left: 3px solid var(--watch);
  }
  .try,
  .weather {
    display: flex;
    flex-flow: row wrap;
    gap: var(--gap-2);
    align-items: center;
    min-height: var(--touch);
  }
  .try input {
    width: 24px;
    height: 24px;
  }
</style>
