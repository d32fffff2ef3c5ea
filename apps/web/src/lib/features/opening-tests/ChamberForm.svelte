<!-- Three readings of a chamber: everything masked, the joint open, all open; what the joint and the unit leak by themselves. -->
<script module lang="ts">
  import type { FieldLog } from '$lib/features/install/field.svelte.ts';
  import type { Session } from '@hulvek/core';

  export interface ChamberFormProps {
    log: FieldLog;
    session: Session;
    /** Readings of a simulated gauge are offered, to try out. */
    simulate: boolean;
  }
</script>

<script lang="ts">
  import Button from '$lib/ui/Button.svelte';
  import { openingTestWords as t } from '$words/opening-tests.ts';
  import { chamberFigures, seedOf, simulatedChamber, wouldMeet } from '@hulvek/core';

  import TakeBack from './TakeBack.svelte';

  let { log, session, simulate }: ChamberFormProps = $props();
  const id = $props.id();
  let typed = $state({ pressure: '75', tare: '', joint: '', open: '' });
  let problem = $state('');
  const size = $derived.by(() => {
    const unit = log.frozen?.build.context.unit;
    return unit ? { width: unit.width, height: unit.height } : null;
  });
  const one = (n: number) => n.toFixed(n < 10 ? 2 : 1);
  const figure = (text: string) => (text.trim() === '' ? NaN : Number(text.replace(',', '.')));

  function tryOut() {
    if (!size) return;
    const pressure_Pa = figure(typed.pressure) > 0 ? figure(typed.pressure) : 75;
    const readings = simulatedChamber(seedOf(session.entry.id), {
      pressure_Pa,
      area_m2: (size.width * size.height) / 1e6,
      joint_m: (2 * (size.width + size.height)) / 1000,
    });
    const facts = { kind: 'chamber' as const, test: session.entry.id, pressure_Pa, ...readings };
    log.add({ kind: 'test', step: session.entry.step, undoes: null, note: t.simulatedNote, facts });
  }

  function keep(event: SubmitEvent) {
    event.preventDefault();
    const [pressure_Pa, tare_m3h, joint_m3h, open_m3h] = [
      typed.pressure,
      typed.tare,
      typed.joint,
      typed.open,
    ].map(figure) as [number, number, number, number];
    const sound =
      [tare_m3h, joint_m3h, open_m3h].every((n) => n >= 0 && n <= 10_000) &&
      pressure_Pa > 0 &&
      pressure_Pa <= 5000;
    problem = sound ? '' : t.wrongChamber;
    if (!sound) return;
    const facts = {
      kind: 'chamber' as const,
      test: session.entry.id,
      pressure_Pa,
      tare_m3h,
      joint_m3h,
      open_m3h,
    };
    if (log.add({ kind: 'test', step: session.entry.step, undoes: null, note: '', facts }))
      typed = { ...typed, tare: '', joint: '', open: '' };
  }
</script>

<section data-testid="chamber">
  {#each session.chamber as readings (readings.id)}
    {#if size}
      {@const is = chamberFigures(readings, size)}
      {@const meets = wouldMeet(is)}
      <p>
        {is.isSound
          ? t.chamberIs({
              Pa: readings.pressure_Pa,
              joint: one(is.joint_m3h),
              unit: one(is.unit_m3h),
              perM: one(is.jointPerLength),
              perM2: one(is.unitPerArea),
            })
          : t.unsound}
        {meets === null ? '' : t.wouldMeet(meets)}
        <TakeBack {log} id={readings.id} step={session.entry.step} />
      </p>
    {/if}
  {/each}
  {#if log.may('test')}
    <form onsubmit={keep}>
      <h4>{t.chamber}</h4>
      <label for="{id}-p">{t.pressure}</label>
      <input id="{id}-p" class="figure" inputmode="decimal" bind:value={typed.pressure} />
      <label for="{id}-t">{t.tare}</label>
      <input id="{id}-t" class="figure" inputmode="decimal" bind:value={typed.tare} />
      <label for="{id}-j">{t.joint}</label>
      <input id="{id}-j" class="figure" inputmode="decimal" bind:value={typed.joint} />
      <label for="{id}-o">{t.open}</label>
      <input id="{id}-o" class="figure" inputmode="decimal" bind:value={typed.open} />
      {#if problem}<p class="problem" role="alert">{problem}</p>{/if}
      <div class="do">
        <Button type="submit" large>{t.keep}</Button>
        {#if simulate}<Button kind="quiet" large onclick={tryOut}>{t.simulate}</Button>{/if}
      </div>
    </form>
  {/if}
</section>

<style>
  form {
    display: grid;
    grid-template-columns: minmax(8rem, 1fr) minmax(0, 1fr);
    gap: var(--gap-2);
    align-items: center;
    max-width: 30rem;
  }
  h4,
  .do,
  .problem {
    grid-column: 1 / -1;
  }
  p,
  h4 {
    margin: 0;
  }
  input {
    min-height: var(--touch);
  }
</style>
