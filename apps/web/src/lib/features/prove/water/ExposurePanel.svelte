<script module lang="ts">
  import type { OpeningEditor } from '$lib/job/opening.svelte.ts';

  export interface ExposurePanelProps {
    editor: OpeningEditor;
  }
</script>

<script lang="ts">
  import LengthField from '$lib/ui/LengthField.svelte';
  import VerdictMark from '$lib/ui/VerdictMark.svelte';
  import { exposureWords } from '$words/prove-water.ts';
  import {
    choiceText,
    figuresIn,
    formatLength,
    headVerdict,
    needsHeadFlashing,
    panAgainst,
    plannedSeal,
    readMeasure,
    type InnerSealState,
    type Opening,
    type Verdict,
  } from '@hulvek/core';

  let { editor }: ExposurePanelProps = $props();
  const t = exposureWords;
  const plan = $derived(editor.plan);
  const units = $derived(editor.store.reads);
  const exposure = $derived(editor.opening.exposure ?? {});
  const length = $derived((mm: number) => formatLength(mm, units));
  const figures = $derived(figuresIn(units));
  /** Tried out here: what the pan does when the seal is not what was planned. */
  let trySeal = $state<InnerSealState | null>(null);
  const seal = $derived(trySeal ?? (plan.choices ? plannedSeal(plan.choices) : 'missing'));

  const exposed = $derived(plan.exposed);
  const pressures = $derived(exposed.design);
  const asked = $derived(exposed.asked_Pa);
  const rain = $derived(exposed.rain);
  const dam = $derived(
    plan.build && plan.choices
      ? panAgainst(
          {
            choices: plan.choices,
            numbers: plan.numbers,
            depth_mm: plan.build.context.opening.depth,
            asked_Pa: asked,
          },
          seal,
        )
      : null,
  );
  const passed = $derived(plan.unit?.waterTest_Pa);
  const testVerdict = $derived.by((): Verdict => {
    if (asked === null || passed === undefined) return 'not-checkable';
    return passed >= asked ? 'holds' : 'fails';
  });
  const panVerdict = $derived.by((): Verdict => {
    if (!dam) return 'not-checkable';
    if (plan.choices?.pan === 'none') return 'watch';
    return dam.holds ? 'holds' : 'fails';
  });
  const rainVerdict = $derived<Verdict>(plan.choices ? headVerdict(rain, plan.choices) : 'not-checkable');
  let heightProblem = $state('');

  function set(change: Partial<NonNullable<Opening['exposure']>>) {
    editor.change((opening) => {
      const next = Object.entries({ ...opening.exposure, ...change }).filter(([, v]) => v !== undefined);
      const { exposure: _before, ...rest } = opening;
      return next.length === 0 ? rest : { ...rest, exposure: Object.fromEntries(next) };
    });
  }
  const MOST_HEIGHT_m = 300;
  function setHeight(typed: string) {
    const value = readMeasure('height', typed, units, exposure.height_m);
    const empty = typed.trim() === '';
    const sound = empty || (value !== null && value >= 0 && value <= MOST_HEIGHT_m);
    heightProblem = sound ? '' : t.heightWrong(figures.measure('height', MOST_HEIGHT_m));
    if (sound) set({ height_m: empty || value === null ? undefined : value });
  }
</script>

<fieldset disabled={!editor.mayPlan}>
  <legend>{t.place}</legend>
  <label for="height">{t.height}</label>
  <input
    id="height"
    class="figure"
    autocomplete="off"
    value={exposure.height_m === undefined ? '' : figures.measure('height', exposure.height_m)}
    aria-invalid={heightProblem !== ''}
    aria-describedby="height-say"
    onchange={(event) => setHeight(event.currentTarget.value)}
  />
  <p id="height-say" class="wide problem" aria-live="polite">{heightProblem}</p>
  <label for="zone">{t.zone}</label>
  <select
    id="zone"
    value={exposure.zone ?? 'corner'}
    onchange={(event) => set({ zone: event.currentTarget.value as 'field' | 'corner' })}
  >
    <option value="field">{t.zones.field}</option>
    <option value="corner">{t.zones.corner}</option>
  </select>
  {#each [['overhang', 0], ['toSoffit', 1]] as const as [field, least] (field)}
    <div class="wide">
      <LengthField
        id={field}
        keep="{editor.context.job.id}:{editor.id}:{field}"
        label={t[field]}
        value={exposure[field] ?? null}
        unit={units}
        least_mm={least}
        most_mm={20_000}
        onchange={(value) => set({ [field]: value ?? undefined })}
      />
    </div>
  {/each}
</fieldset>

<h3><VerdictMark verdict={testVerdict} word /> {t.pressures}</h3>
{#if pressures && asked !== null}
  <dl>
    <div>
      <dt>{t.velocity}</dt>
      <dd class="figure">{figures.measure('pressure', pressures.velocity_Pa)}</dd>
    </div>
    <div>
      <dt>{t.inward}</dt>
      <dd class="figure">{figures.measure('pressure', pressures.inward_Pa)}</dd>
    </div>
    <div>
      <dt>{t.outward}</dt>
      <dd class="figure">{figures.measure('pressure', pressures.outward_Pa)}</dd>
    </div>
    <div>
      <dt>{t.test}</dt>
      <dd class="figure">{figures.measure('pressure', asked)}</dd>
    </div>
  </dl>
  <p>
    {passed === undefined
      ? t.testUnknown
      : passed >= asked
        ? t.testHolds(figures.measure('pressure', passed), figures.measure('pressure', asked))
        : t.testFails(figures.measure('pressure', passed), figures.measure('pressure', asked))}
  </p>
{:else}<p>{editor.context.job.wind ? t.noHeight : t.noWind}</p>{/if}

<h3><VerdictMark verdict={panVerdict} word /> {t.panTitle}</h3>
<label class="seal"
  >{t.seal}
  <select value={seal} onchange={(event) => (trySeal = event.currentTarget.value as InnerSealState)}>
    {#each ['sound', 'doubtful', 'missing'] as const as name (name)}
      <option value={name}>{t.seals[name]}</option>
    {/each}
  </select>
</label>
{#if plan.choices?.pan === 'none'}<p>{t.panNone}</p>
{:else if dam}
  <p>
    {seal === 'sound' ? t.panSound : t.pan(length(dam.water_mm), length(dam.needed_mm), length(dam.has_mm))}
  </p>
  {#if !dam.holds}<p>{t.panFix}</p>{/if}
{:else}<p>{editor.context.job.wind ? t.noHeight : t.noWind}</p>{/if}

<h3>
  <VerdictMark verdict={rainVerdict} word />
  {t.rainTitle}
</h3>
<p>
  {rain === null ? t.rainUnknown : `${t.rain[rain]}.`}
  {needsHeadFlashing(rain) ? t.headNeeded : t.headSpared}
  {plan.choices && plan.choices.waterLayer !== 'existing'
    ? t.headHas(choiceText('head', plan.choices.head).name)
    : ''}
</p>
<p class="quiet">{t.sources}</p>
<p class="quiet">{t.printed}</p>

<style>
  fieldset {
    display: grid;
    grid-template-columns: 1fr 9.5rem;
    align-items: center;
    gap: 6px var(--gap-3);
  }
  legend {
    float: left;
    grid-column: 1 / -1;
    font-weight: 700;
    color: var(--ink-soft);
  }
  fieldset label {
    font-weight: 500;
  }
  .wide {
    grid-column: 1 / -1;
  }
  .problem:empty {
    display: none;
  }
  h3 {
    display: flex;
    align-items: baseline;
    gap: var(--gap-2);
    margin-top: var(--gap-3);
    padding-top: var(--gap-2);
    border-top: 1px solid var(--line);
  }
  dl div {
    display: grid;
    grid-template-columns: 1fr auto;
  }
  .seal {
    display: flex;
    align-items: center;
    gap: var(--gap-3);
  }
</style>
