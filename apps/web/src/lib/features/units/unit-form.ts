/** A unit as a form of texts, and back: every field says for itself what is wrong with it. */
import { unitsWords } from '$words/units.ts';
import {
  asTyped,
  lengthErrorTexts,
  parseLength,
  readU,
  unitSchema,
  writeU,
  type LengthUnit,
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
export const newUnitForm = (): UnitForm => ({
  ...EMPTY,
  operation: 'fixed',
  shape: 'rectangle',
  frameFace: USUAL_FRAME.frameFace.typed,
  finKind: USUAL_FRAME.fin.kind,
  finWidth: USUAL_FRAME.fin.width.typed,
  holeFromFrame: USUAL_FRAME.fin.holeFromFrame.typed,
  fromFront: USUAL_FRAME.fin.fromFront.typed,
});

/** Fields of heat through the whole: shown with their unit, so that one is never taken for another. */
type UField = 'uFactor' | 'frameU' | 'glassU';
export const uFields: ReadonlySet<UnitField> = new Set<UField>(['uFactor', 'frameU', 'glassU']);

/** A length as it was typed, unless that would be read as another one where lengths are counted in `lengths`. */
function shownLength({ typed, mm }: TypedLength, lengths: LengthUnit): string {
  const read = parseLength(typed, lengths);
  return read.ok && Math.abs(read.value.mm - mm) < SAME_mm ? typed : asTyped(mm, lengths).typed;
}
const SAME_mm = 0.05;
const LENGTHS = ['mm', 'in'] as const;

/** A bare figure with the unit it was typed in; what is no length stays as it is. */
export function withLengthUnit(typed: string, lengths: LengthUnit): string {
  const bare = /^[\d.,\s]+$/.test(typed) && parseLength(typed, lengths).ok;
  return bare ? `${typed.trim()}${lengths === 'in' ? '"' : ' mm'}` : typed;
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
  const heat = (value: number | undefined) => (value === undefined ? '' : writeU(value, lengths));
  const length = (value: TypedLength | undefined) => (value ? shownLength(value, lengths) : '');
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
    weight_kg: figure(unit.weight_kg),
    waterTest_Pa: figure(unit.waterTest_Pa),
    rating: unit.rating ?? '',
    uFactor: heat(unit.uFactor),
    frameU: heat(unit.frameU),
    glassU: heat(unit.glassU),
    spacerPsi: figure(unit.spacerPsi),
    shgc: figure(unit.shgc),
    madeAt_m: figure(unit.madeAt_m),
    foam: unit.limits?.foam ?? '',
    leastGap: length(unit.limits?.leastGap),
    largestGap: length(unit.limits?.largestGap),
    fasteners: unit.limits?.fasteners ?? '',
    fastener_N: figure(unit.limits?.fastener_N),
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
  const heat = (field: UField): number | undefined => {
    if (form[field].trim() === '') return undefined;
    const value = readU(form[field], lengths, was?.[field]);
    if (value === null) problems[field] = unitsWords.notU;
    return value ?? undefined;
  };
  const choice = (field: UnitField) => form[field] || undefined;
  const limits = defined({
    foam: choice('foam'),
    leastGap: length('leastGap', was?.limits?.leastGap),
    largestGap: length('largestGap', was?.limits?.largestGap),
    fasteners: choice('fasteners'),
    fastener_N: figure('fastener_N'),
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
      weight_kg: figure('weight_kg'),
      waterTest_Pa: figure('waterTest_Pa'),
      rating: choice('rating'),
      uFactor: heat('uFactor'),
      frameU: heat('frameU'),
      glassU: heat('glassU'),
      spacerPsi: figure('spacerPsi'),
      shgc: figure('shgc'),
      madeAt_m: figure('madeAt_m'),
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
