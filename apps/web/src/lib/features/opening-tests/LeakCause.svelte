<!-- What explains a leak, likeliest first, each lit on the drawing; the look that tells most next, until one is left: open here. -->
<script module lang="ts">
  import type { FieldLog } from '$lib/features/install/field.svelte.ts';
  import type { Offered, Probe, Session } from '@hulvek/core';

  export interface LeakCauseProps {
    log: FieldLog;
    session: Session;
    /** What a look shows at a wall of which the fault is known; `null` where there is none to try out with. */
    simulate: ((probe: Offered) => Probe | null) | null;
  }
</script>

<script lang="ts">
  import Paper from '$lib/drawing/Paper.svelte';
  import Button from '$lib/ui/Button.svelte';
  import { failureText, openingTestWords as t, probeText, zoneWords } from '$words/opening-tests.ts';
  import {
    causesOf,
    causeWeights,
    coveringStep,
    faceDrawing,
    keyOf,
    nextLook,
    piecesFor,
    probesOf,
    sprayNetwork,
    sprayTestOf,
    stageLong,
    type Cause,
    type DrawingLayer,
    type WetZone,
  } from '@hulvek/core';
  import TakeBack from './TakeBack.svelte';
  import ZonePress from './ZonePress.svelte';

  let { log, session, simulate }: LeakCauseProps = $props();
  const build = $derived(log.frozen?.build ?? null);
  const network = $derived(
    build ? sprayNetwork(build, { pressure_Pa: session.facts.pressure_Pa ?? null }) : null,
  );
  const test = $derived(sprayTestOf(session));
  const weights = $derived(
    causeWeights(
      log.entries,
      [...log.store.views.values()].flatMap(({ opening, entries }) =>
        opening.id === log.opening ? [] : [entries],
      ),
    ),
  );
  const causes = $derived(network ? causesOf(network, test, probesOf(session), { weights }) : []);
  const look = $derived(network ? nextLook(network, causes, test.pressed) : { classes: [], probe: null });
  let asking = $state(false);
  let zones = $state<WetZone[]>([]);
  let lit = $state<string | null>(null);
  const top = $derived(look.classes[0]?.causes[0]);
  const shown = $derived(causes.find((one) => keyOf(one) === lit) ?? top);
  const isAsPlanned = $derived(top?.failures.length === 0);
  const NO_FIGURES: ReadonlySet<DrawingLayer> = new Set(['dimensions', 'names']);
  /** Pieces that a cause is about. */
  const pieces = $derived(
    new Set(
      (shown?.failures ?? []).flatMap((one) =>
        one.kind === 'bond'
          ? [one.piece]
          : build && one.kind === 'unit'
            ? piecesFor(build, 'unit').map(({ id }) => id)
            : [],
      ),
    ),
  );
  const textOf = ({ failures }: Cause) => failures.map(failureText).join(` ${t.together} `);

  function answer(probe: Offered, seen: readonly WetZone[], minutes: number, note = '') {
    const { wets, pressed, masked } = probe;
    log.add({
      kind: 'test',
      step: session.entry.step,
      undoes: null,
      note,
      facts: {
        kind: 'probe',
        test: session.entry.id,
        wets: [...wets],
        pressed,
        masked: [...masked],
        seen: [...seen],
        minutes,
      },
    });
    asking = false;
    zones = [];
  }
  function tryOut(probe: Offered) {
    const made: Probe | null = simulate?.(probe) ?? null;
    if (made) answer(probe, made.seen, stageLong(session.facts.pressing), t.simulatedNote);
  }

  /** Every piece of the cause at the step that laid it: what would cover it waits, until it is mended and looked at. */
  function toPunch(cause: Cause) {
    if (!build) return;
    for (const failure of cause.failures) {
      const piece =
        failure.kind === 'bond'
          ? failure.piece
          : failure.kind === 'unit'
            ? piecesFor(build, 'unit')[0]?.id
            : piecesFor(build, 'wall-layer')[0]?.id;
      // What nothing of this plan lays is noted where the work stands.
      const step =
        build.steps.findLast(({ places }) => piece !== undefined && places.includes(piece)) ??
        build.steps.findLast(({ places }) => places.length > 0);
      const at = piece !== undefined && step?.places.includes(piece) ? piece : step?.places[0];
      if (!step || at === undefined) continue;
      const before = coveringStep(build, at);
      log.add({
        kind: 'fault',
        step: step.id,
        undoes: null,
        note: t.found(failureText(failure)),
        facts: {
          kind: 'fault',
          piece: at,
          severity: 'stops',
          test: session.entry.id,
          ...(before !== null && { before }),
        },
        ...(failure.kind === 'bond' && { built: { kind: 'bond-lost' as const, piece: failure.piece } }),
      });
    }
  }
</script>

<section class="cause" data-testid="cause">
  <h3>{t.causes}</h3>
  {#each session.probes as probe (probe.id)}
    <p class="quiet">
      {t.looked(
        probeText({
          kind:
            probe.masked.length > 1
              ? 'cover-unit'
              : probe.masked.length === 1
                ? 'mask'
                : probe.wets.length === 1
                  ? 'wet-only'
                  : 'no-pressure',
          wets: probe.wets,
          pressed: probe.pressed,
          masked: probe.masked,
        }),
        probe.seen.length > 0
          ? t.answers.wet(probe.seen.map((one) => zoneWords[one]).join(', '))
          : probe.minutes >= stageLong(session.facts.pressing)
            ? t.answers.dry
            : t.answers.short,
      )}
      <TakeBack {log} id={probe.id} step={session.entry.step} />
    </p>
  {/each}
  {#if isAsPlanned}<p>{t.asPlanned}</p>
  {:else if causes.length === 0}<p>{t.nothingExplains}</p>
  {:else}
    {#if build && shown}
      <div class="drawing">
        <Paper
          label={textOf(shown)}
          draw={(size) => {
            const drawing = faceDrawing(build, {
              ...size,
              step: build.steps.length,
              figure: () => '',
              hide: NO_FIGURES,
            });
            const marked = drawing.items.filter(
              (item) => pieces.has(item.owner) && (item.kind === 'area' || item.kind === 'line'),
            );
            return {
              ...drawing,
              items: [
                ...drawing.items,
                ...marked.flatMap((item) =>
                  item.kind === 'area'
                    ? [
                        {
                          kind: 'line' as const,
                          points: item.points,
                          stroke: 'new' as const,
                          owner: item.owner,
                        },
                      ]
                    : item.kind === 'line'
                      ? [{ ...item, stroke: 'new' as const }]
                      : [],
                ),
              ],
            };
          }}
        />
      </div>
    {/if}
    <ol>
      {#each look.classes as own (own.causes.map(keyOf).join())}
        <li>
          <b>{t.share(own.share)}</b>
          {#if own.causes.length > 1}<p class="quiet">{t.alike}</p>{/if}
          {#each own.causes as cause (keyOf(cause))}
            <button
              type="button"
              class="as-link"
              aria-pressed={shown !== undefined && keyOf(shown) === keyOf(cause)}
              onclick={() => (lit = keyOf(cause))}>{textOf(cause)}</button
            >
          {/each}
        </li>
      {/each}
    </ol>
    {#if look.probe}
      {@const probe = look.probe}
      <h3>{t.next}</h3>
      <p data-testid="next-look">{probeText(probe)}</p>
      {#if log.may('test')}
        <div class="do">
          <Button large onclick={() => (asking = !asking)}>{t.seen}</Button>
          <Button large onclick={() => answer(probe, [], stageLong(session.facts.pressing))}
            >{t.stayedDry}</Button
          >
          <Button kind="quiet" large onclick={() => answer(probe, [], 0)}>{t.wasTooShort}</Button>
          {#if simulate}<Button kind="quiet" large onclick={() => tryOut(probe)}>{t.simulate}</Button>{/if}
        </div>
        {#if asking}
          <ZonePress
            label={t.where}
            chosen={zones}
            onpress={(zone) =>
              (zones = zones.includes(zone) ? zones.filter((one) => one !== zone) : [...zones, zone])}
          />
          <div>
            <Button
              large
              disabled={zones.length === 0}
              onclick={() => answer(probe, zones, stageLong(session.facts.pressing))}>{t.seen}</Button
            >
          </div>
        {/if}
      {/if}
    {:else if top}
      <h3>{t.openHere}</h3>
      <p>{textOf(shown ?? top)}</p>
      {#if session.faults.length > 0}<p><b>{t.onPunch}</b> {t.afterwards}</p>
      {:else}
        <div>
          <Button kind="main" large disabled={!log.may('fault')} onclick={() => toPunch(shown ?? top)}
            >{t.toPunch}</Button
          >
        </div>
      {/if}
    {/if}
  {/if}
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
  p,
  h3 {
    margin: 0;
  }
  .drawing {
    height: 300px;
    background: var(--sand);
  }
  .as-link {
    display: block;
    min-height: var(--touch);
    text-align: left;
  }
  .as-link[aria-pressed='true'] {
    font-weight: 700;
  }
  .do {
    display: flex;
    flex-flow: row wrap;
    gap: var(--gap-2);
  }
</style>
