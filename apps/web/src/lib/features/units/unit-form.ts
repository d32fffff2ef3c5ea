/** A unit as a form of texts, and back: every field says for itself what is wrong with it. */
import { fieldWords } from '$words/ui.ts';
import { unitsWords } from '$words/units.ts';
import {
  lengthErrorTexts,
  parseLength,
  readMeasure,
  typedFor,
  unitSchema,
  withMeasureUnit,
  writeMeasure,
  type LengthUnit,
  type MeasureKind,
  type TypedLength,
  type Unit,
} from '@hulvek/core';
import { USUAL_FRAME } from './usual-frame.ts';

export const unitFields = [
  'name',
  'operation',
  'shape',
  'width',
  'height',
  'frameDepth',
  'frameFace',
  'finKind',
  'finWidth',
  'holeFromFrame',
  'fromFront',
  'holePitch',
  'hinge',
  'mullions',
  'threshold',
  'frameMaterial',
  'panes',
  'weight_kg',
  'waterTest_Pa',
  'rating',
  'uFactor',
  'frameU',
  'glassU',
  'spacerPsi',
  'shgc',
  'madeAt_m',
  'foam',
  'leastGap',
  'largestGap',
  'fasteners',
  'fastener_N',
  'asksBedding',
  'asksPan',
  'asksTapeEdge',
  'asksBottomFin',
  'asksSource',
] as const;
export type UnitField = (typeof unitFields)[number];
export type UnitForm = Record<UnitField, string>;
export type UnitProblems = Partial<Record<UnitField, string>>;

const EMPTY = Object.fromEntries(unitFields.map((field) => [field, ''])) as UnitForm;

/** Usual figures to start from; how deep the frame is differs too much. */
export const newUnitForm = (reads: LengthUnit): UnitForm => ({
  ...EMPTY,
  operation: 'fixed',
  shape: 'rectangle',
  frameFace: typedFor(USUAL_FRAME.frameFace, reads),
  finKind: USUAL_FRAME.fin.kind,
  finWidth: typedFor(USUAL_FRAME.fin.width, reads),
  holeFromFrame: typedFor(USUAL_FRAME.fin.holeFromFrame, reads),
  fromFront: typedFor(USUAL_FRAME.fin.fromFront, reads),
});

/** Fields that are one figure with a unit of its own kind: shown with it, so that one is never taken for another. */
export const measureFields = {
  weight_kg: 'mass',
  waterTest_Pa: 'pressure',
  uFactor: 'transmittance',
  frameU: 'transmittance',
  glassU: 'transmittance',
  spacerPsi: 'lineTransmittance',
  madeAt_m: 'altitude',
  fastener_N: 'force',
} as const satisfies Partial<Record<UnitField, MeasureKind>>;
type MeasureField = keyof typeof measureFields;
const isMeasure = (field: UnitField): field is MeasureField => field in measureFields;

const LENGTHS = ['mm', 'in'] as const;

/** A bare figure gets the unit it was typed in; what is none stays as it is. */
export function withUnit(field: UnitField, typed: string, reads: LengthUnit): string {
  if (isMeasure(field)) return withMeasureUnit(measureFields[field], typed, reads);
  const bare = lengthFields.has(field) && /^[\d.,\s]+$/.test(typed) && parseLength(typed, reads).ok;
  return bare ? `${typed.trim()}${reads === 'in' ? '"' : ' mm'}` : typed;
}

/** Fields that are one length. */
export const lengthFields: ReadonlySet<UnitField> = new Set<UnitField>([
  'width',
  'height',
  'frameDepth',
  'frameFace',
  'finWidth',
  'holeFromFrame',
  'fromFront',
  'holePitch',
  'threshold',
  'leastGap',
  'largestGap',
]);

export function unitForm(unit: Unit, lengths: LengthUnit): UnitForm {
  const figure = (value: number | undefined) => (value === undefined ? '' : String(value));
  const measure = (field: MeasureField, value: number | undefined) =>
    value === undefined ? '' : writeMeasure(measureFields[field], value, lengths);
  const length = (value: TypedLength | undefined) => (value ? typedFor(value, lengths) : '');
  return {
    ...EMPTY,
    name: unit.name,
    operation: unit.operation,
    shape: unit.shape ?? 'rectangle',
    width: length(unit.width),
    height: length(unit.height),
    frameDepth: length(unit.frameDepth),
    frameFace: length(unit.frameFace),
    finKind: unit.fin.kind,
    finWidth: length(unit.fin.width),
    holeFromFrame: length(unit.fin.holeFromFrame),
    fromFront: length(unit.fin.fromFront),
    holePitch: length(unit.fin.holePitch),
    hinge: unit.hinge ?? '',
    mullions: (unit.mullions ?? []).map(length).join('; '),
    threshold: length(unit.threshold),
    frameMaterial: unit.frameMaterial ?? '',
    panes: (unit.panes ?? []).map(length).join('; '),
    weight_kg: measure('weight_kg', unit.weight_kg),
    waterTest_Pa: measure('waterTest_Pa', unit.waterTest_Pa),
    rating: unit.rating ?? '',
    uFactor: measure('uFactor', unit.uFactor),
    frameU: measure('frameU', unit.frameU),
    glassU: measure('glassU', unit.glassU),
    spacerPsi: measure('spacerPsi', unit.spacerPsi),
    shgc: figure(unit.shgc),
    madeAt_m: measure('madeAt_m', unit.madeAt_m),
    foam: unit.limits?.foam ?? '',
    leastGap: length(unit.limits?.leastGap),
    largestGap: length(unit.limits?.largestGap),
    fasteners: unit.limits?.fasteners ?? '',
    fastener_N: measure('fastener_N', unit.limits?.fastener_N),
    asksBedding: unit.asks?.bedding ?? '',
    asksPan: unit.asks?.pan ?? '',
    asksTapeEdge: unit.asks?.tapeEdge ?? '',
    asksBottomFin: unit.asks?.bottomFin ?? '',
    asksSource: unit.asks?.source ?? '',
  };
}

/** Where in the document each field ends up, to bring its problem back to it. */
const PATHS: Readonly<Partial<Record<string, UnitField>>> = {
  'fin.kind': 'finKind',
  'fin.width': 'finWidth',
  'fin.holeFromFrame': 'holeFromFrame',
  'fin.fromFront': 'fromFront',
  'fin.holePitch': 'holePitch',
  'limits.foam': 'foam',
  'limits.leastGap': 'leastGap',
  'limits.largestGap': 'largestGap',
  'limits.fasteners': 'fasteners',
  'limits.fastener_N': 'fastener_N',
  'asks.source': 'asksSource',
};

export type UnitRead =
  { readonly ok: true; readonly unit: Unit } | { readonly ok: false; readonly problems: UnitProblems };

/** @param was what the form was made from: a figure nobody touched keeps all of its digits */
export function unitFromForm(
  id: string,
  form: UnitForm,
  lengths: LengthUnit,
  was: Unit | null = null,
): UnitRead {
  const problems: UnitProblems = {};
  /** Of these fields nobody touched the lengths stay what they were, whichever way they were shown. */
  const untouched = (field: UnitField): boolean =>
    was !== null && LENGTHS.some((shown) => unitForm(was, shown)[field] === form[field]);
  const length = (field: UnitField, before?: TypedLength, typed = form[field]): TypedLength | undefined => {
    if (typed.trim() === '') return undefined;
    if (before && untouched(field)) return before;
    const read = parseLength(typed, lengths);
    if (read.ok) return { typed: typed.trim(), mm: read.value.mm };
    problems[field] = lengthErrorTexts[read.error];
    return undefined;
  };
  const list = (field: UnitField, before?: TypedLength[]) => {
    if (before && untouched(field)) return before;
    const parts = form[field].split(';').filter((part) => part.trim() !== '');
    return parts.length === 0 ? undefined : parts.flatMap((part) => length(field, undefined, part) ?? []);
  };
  const figure = (field: UnitField): number | undefined => {
    if (form[field].trim() === '') return undefined;
    const value = Number(form[field].trim().replace(',', '.'));
    if (!Number.isFinite(value)) problems[field] = unitsWords.notAFigure;
    return value;
  };
  const measure = (field: MeasureField, before: number | undefined): number | undefined => {
    if (form[field].trim() === '') return undefined;
    const value = readMeasure(measureFields[field], form[field], lengths, before);
    if (value === null) problems[field] = fieldWords.measure(measureFields[field]);
    return value ?? undefined;
  };
  const choice = (field: UnitField) => form[field] || undefined;
  const limits = defined({
    foam: choice('foam'),
    leastGap: length('leastGap', was?.limits?.leastGap),
    largestGap: length('largestGap', was?.limits?.largestGap),
    fasteners: choice('fasteners'),
    fastener_N: measure('fastener_N', was?.limits?.fastener_N),
  });
  const asks = defined({
    bedding: choice('asksBedding'),
    pan: choice('asksPan'),
    tapeEdge: choice('asksTapeEdge'),
    bottomFin: choice('asksBottomFin'),
  });
  const asked = Object.keys(asks).length > 0 || form.asksSource.trim() !== '';
  const parsed = unitSchema.safeParse(
    defined({
      id,
      name: form.name,
      operation: form.operation,
      shape: choice('shape'),
      width: length('width', was?.width),
      height: length('height', was?.height),
      frameDepth: length('frameDepth', was?.frameDepth),
      frameFace: length('frameFace', was?.frameFace),
      fin: defined({
        kind: form.finKind,
        width: length('finWidth', was?.fin.width),
        holeFromFrame: length('holeFromFrame', was?.fin.holeFromFrame),
        fromFront: length('fromFront', was?.fin.fromFront),
        holePitch: length('holePitch', was?.fin.holePitch),
      }),
      hinge: choice('hinge'),
      mullions: list('mullions', was?.mullions),
      threshold: length('threshold', was?.threshold),
      frameMaterial: choice('frameMaterial'),
      panes: list('panes', was?.panes),
      weight_kg: measure('weight_kg', was?.weight_kg),
      waterTest_Pa: measure('waterTest_Pa', was?.waterTest_Pa),
      rating: choice('rating'),
      uFactor: measure('uFactor', was?.uFactor),
      frameU: measure('frameU', was?.frameU),
      glassU: measure('glassU', was?.glassU),
      spacerPsi: measure('spacerPsi', was?.spacerPsi),
      shgc: figure('shgc'),
      madeAt_m: measure('madeAt_m', was?.madeAt_m),
      limits: Object.keys(limits).length > 0 ? limits : undefined,
      asks: asked ? { ...asks, source: form.asksSource } : undefined,
    }),
  );
  if (parsed.success && Object.keys(problems).length === 0) return { ok: true, unit: parsed.data };
  for (const issue of parsed.success ? [] : parsed.error.issues) {
    const path = issue.path.map(String);
    const field = PATHS[path.slice(0, 2).join('.')] ?? (path[0] as UnitField);
    problems[field] ??= form[field] === '' ? unitsWords.needed : issue.message;
  }
  return { ok: false, problems };
}

const defined = <T extends object>(value: T): Partial<T> =>
  Object.fromEntries(Object.entries(value).filter(([, v]) => v !== undefined)) as Partial<T>;
