/** The night that rain is reckoned for: typed by whoever looks, invented until then. */
import {
  formatLength,
  comesIn,
  drivingRain,
  parseLength,
  readMeasure,
  writeMeasure,
  type Build,
  type Evening,
  type LengthUnit,
} from '@hulvek/core';
import { untrack } from 'svelte';
import { orderWords as t } from '$words/order.ts';

/** Ten millimetres in six hours at a fresh breeze, over a metre of wall. */
const INVENTED = { rain_mm: 10, hours: 6, wind_ms: 6, catch_mm: 1000 };
const [LITRE_ml, GALLON_l] = [1000, 3.785411784];

export class Night {
  readonly #reads: () => LengthUnit;
  rain = $state('');
  hours = $state(String(INVENTED.hours));
  wind = $state('');
  above = $state('');
  /** Whether somebody typed any of it. */
  entered = $state(false);

  constructor(reads: () => LengthUnit) {
    this.#reads = reads;
    const unit = untrack(reads);
    this.rain = writeMeasure('rain', INVENTED.rain_mm, unit);
    this.wind = writeMeasure('speed', INVENTED.wind_ms, unit);
    this.above = formatLength(INVENTED.catch_mm, unit);
  }

  get reads(): LengthUnit {
    return this.#reads();
  }

  /** `null` while something of it is no figure. */
  figures = $derived.by(() => {
    const rain_mm = readMeasure('rain', this.rain, this.reads);
    const wind_ms = readMeasure('speed', this.wind, this.reads);
    const hours = Number(this.hours.trim().replace(',', '.'));
    const above = parseLength(this.above, this.reads);
    return rain_mm !== null && rain_mm >= 0 && wind_ms !== null && wind_ms >= 0 && hours > 0 && above.ok
      ? { rain_mm, wind_ms, hours, catch_mm: Math.max(0, above.value.mm) }
      : null;
  });
  /** Onto the façade, l/m². */
  falls = $derived.by(() => (this.figures ? drivingRain(this.figures) : 0));

  #amountOf(evening: Evening, build: Build): string | null {
    const litres = this.figures && comesIn(evening, build, this.falls, this.figures.catch_mm);
    if (litres === null) return null;
    if (this.reads === 'mm' && litres >= 1) return `${litres.toFixed(1)}\u202fl`;
    if (this.reads === 'in' && litres >= GALLON_l) return `${(litres / GALLON_l).toFixed(1)}\u202fgal`;
    return writeMeasure('volume', litres * LITRE_ml, this.reads, 0);
  }

  /** What this night would do, in words. */
  says(evening: Evening, build: Build): string {
    if (evening.noStop) return t.noStop(evening.noStop);
    if (evening.state === 'drains') return t.drains;
    if (evening.state === 'not-checkable') return t.unknown;
    const amount = this.#amountOf(evening, build);
    if (evening.open) return t.open(amount);
    return evening.state === 'wets-framing'
      ? t.framing(t.by(evening), amount)
      : t.room(t.by(evening), amount);
  }
}
