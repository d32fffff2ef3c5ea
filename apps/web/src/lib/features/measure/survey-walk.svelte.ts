/** Measuring card by card: which point is asked, what is typed so far, what speaks against it, what it was read with. */
import { fieldWords } from '$words/ui.ts';
import { cardsWords } from '$words/measure.ts';
import {
  asTyped,
  doubts,
  formatLength,
  instrumentFor,
  inventedOpening,
  lengthErrorTexts,
  parseLength,
  pointFromOutside,
  pressKey,
  readingsFromOutside,
  seedOf,
  simulatedInstrument,
  surveyPoints,
  surveyWalk,
  type Doubt,
  type Instrument,
  type MeasuringInstrument,
  type SurveyPointId,
} from '@hulvek/core';
import { readDraft, writeDraft } from '$lib/device/drafts.ts';
import type { OpeningEditor } from '$lib/job/opening.svelte.ts';

const USUAL_mm = { width: 920, height: 1225, depth: 152 };

export class SurveyWalk {
  readonly editor: OpeningEditor;
  index = $state(0);
  typed = $state('');
  /** What the figure in the field was read with; typing by hand is the tape. */
  instrument = $state<Instrument>('tape');
  problem = $state('');
  lost = $state(false);
  #meters = new Map<Instrument, MeasuringInstrument>();
  #readings = 0;

  constructor(editor: OpeningEditor) {
    this.editor = editor;
    this.index = Math.max(
      0,
      surveyWalk.findIndex((point) => !this.editor.opening.survey.values[point]),
    );
    this.#show();
  }

  point = $derived.by((): SurveyPointId => surveyWalk[this.index] ?? 'widthBottom');
  taken = $derived.by(() => surveyWalk.filter((p) => this.editor.opening.survey.values[p]).length);
  stored = $derived.by(() => this.editor.opening.survey.values[this.point] ?? null);
  units = $derived.by(() => this.editor.store.reads);
  parsed = $derived.by(() => (this.typed.trim() === '' ? null : parseLength(this.typed, this.units)));
  changed = $derived.by(() => this.typed.trim() !== (this.stored?.typed ?? ''));

  /** What speaks against the figure in the field, beside all the others. */
  doubts = $derived.by((): readonly Doubt[] => {
    if (!this.parsed?.ok) return [];
    const { survey } = this.editor.opening;
    const point = pointFromOutside({ point: this.point, from: survey.from });
    const flips = survey.from === 'inside' && surveyPoints[this.point].flips;
    return doubts(point, flips ? -this.parsed.value.mm : this.parsed.value.mm, readingsFromOutside(survey));
  });

  press(key: string): void {
    this.typed = pressKey(this.typed, key);
    this.instrument = 'tape';
    this.problem = '';
  }

  /** A hardware keyboard, or an instrument that types. */
  type(value: string): void {
    this.typed = value;
    this.instrument = 'tape';
    this.problem = '';
  }

  /** Asks the simulated instrument that suits the point. */
  take(): void {
    const kind = instrumentFor(this.point);
    const { from } = this.editor.opening.survey;
    const answer = this.#meter(kind).read(pointFromOutside({ point: this.point, from }));
    this.lost = !answer.ok && answer.because === 'lost';
    if (!answer.ok) {
      this.problem = cardsWords.answers[answer.because];
      return;
    }
    const mm = from === 'inside' && surveyPoints[this.point].flips ? -answer.mm : answer.mm;
    this.typed = asTyped(mm, this.units).typed;
    this.instrument = kind;
    this.problem = '';
  }

  reconnect(): void {
    for (const meter of this.#meters.values()) meter.reconnect();
    this.lost = false;
    this.problem = '';
  }

  /** Keeps the figure and goes on; `false` when it cannot be kept. */
  keep(): boolean {
    if (this.changed && !this.#store()) return false;
    writeDraft(this.#draftKey, null);
    this.go(1);
    return true;
  }

  go(by: number): void {
    this.leave();
    this.index = Math.min(surveyWalk.length - 1, Math.max(0, this.index + by));
    this.#show();
  }

  /** Keeps what stands in the field, as leaving any field does; what does not read waits in it. */
  leave(): void {
    if (this.changed && !this.#store()) writeDraft(this.#draftKey, this.typed);
    else writeDraft(this.#draftKey, null);
  }

  get #draftKey(): string {
    return `${this.editor.store.id}:${this.editor.id}:${this.point}`;
  }

  #show(): void {
    this.typed = readDraft(this.#draftKey) ?? this.stored?.typed ?? '';
    this.problem = '';
    this.instrument = 'tape';
  }

  #store(): boolean {
    const { parsed, point } = this;
    if (parsed && !parsed.ok) {
      this.problem = lengthErrorTexts[parsed.error];
      return false;
    }
    const { least_mm, most_mm } = surveyPoints[point];
    if (parsed && (parsed.value.mm < least_mm || parsed.value.mm > most_mm)) {
      const [least, most] = [formatLength(least_mm, this.units), formatLength(most_mm, this.units)];
      this.problem = fieldWords.range(least, most);
      return false;
    }
    const value = parsed && { typed: this.typed.trim(), mm: parsed.value.mm };
    this.editor.change((opening) => {
      const values = { ...opening.survey.values };
      if (value) values[point] = value;
      else delete values[point];
      return { ...opening, survey: { from: opening.survey.from, values } };
    }, this.instrument);
    return true;
  }

  #meter(kind: Instrument): MeasuringInstrument {
    const known = this.#meters.get(kind);
    if (known) return known;
    const { opening, plan } = this.editor;
    const nominal = {
      width: plan.readings.roughWidth ?? (plan.unit ? plan.unit.width.mm + 20 : USUAL_mm.width),
      height: plan.readings.roughHeight ?? (plan.unit ? plan.unit.height.mm + 26 : USUAL_mm.height),
    };
    const truth = inventedOpening(seedOf(opening.id), nominal, USUAL_mm.depth);
    const meter = simulatedInstrument({
      kind,
      truth,
      seed: seedOf(`${opening.id}${kind}`) + this.#readings++,
    });
    this.#meters.set(kind, meter);
    return meter;
  }
}
