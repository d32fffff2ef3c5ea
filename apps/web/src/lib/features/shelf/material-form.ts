/** A material as the texts of a form, and back. */
import { shelfWords } from '$words/shelf.ts';
import { fieldWords } from '$words/ui.ts';
import { unitsWords } from '$words/units.ts';
import {
  contactFaces,
  lengthErrorTexts,
  materialSchema,
  parseLength,
  readMeasure,
  typedFor,
  writeMeasure,
  type Chemistry,
  type ContactFace,
  type LengthUnit,
  type Material,
  type MeasureKind,
} from '@hulvek/core';

const FIGURES = ['rest_h', 'exposure_days'] as const;
export const materialMeasures = {
  least_C: 'temperature',
  most_C: 'temperature',
  sd_m: 'vapour',
  lambda_WmK: 'conductivity',
} as const satisfies Partial<Record<keyof Material, MeasureKind>>;
const MEASURES = Object.keys(materialMeasures) as readonly (keyof typeof materialMeasures)[];
const LENGTHS = ['width', 'length'] as const;
const YES_NO = ['dampSubstrate', 'roller'] as const;

export type MaterialField = (typeof FIGURES)[number] | (typeof MEASURES)[number] | (typeof LENGTHS)[number];
export type MaterialForm = Record<MaterialField | 'name', string> &
  Record<(typeof YES_NO)[number], '' | 'yes' | 'no'> & {
    primer: '' | 'never' | 'porous' | 'always';
    chemistry: '' | Chemistry;
    /** What its maker says of each face. */
    faces: Record<ContactFace, '' | 'banned' | 'allowed'>;
  };

export function materialForm(material: Material, reads: LengthUnit): MaterialForm {
  const yes = (value: boolean | undefined) => (value === undefined ? '' : value ? 'yes' : 'no');
  const figures = Object.fromEntries(
    FIGURES.map((f) => [f, material[f] === undefined ? '' : String(material[f])]),
  );
  const lengths = Object.fromEntries(
    LENGTHS.map((f) => {
      const length = material[f];
      return [f, length ? typedFor(length, reads) : ''];
    }),
  );
  const measures = Object.fromEntries(
    MEASURES.map((f) => {
      const value = material[f];
      return [f, value === undefined ? '' : writeMeasure(materialMeasures[f], value, reads)];
    }),
  );
  return {
    name: material.name,
    ...(figures as Record<(typeof FIGURES)[number], string>),
    ...(lengths as Record<(typeof LENGTHS)[number], string>),
    ...(measures as Record<(typeof MEASURES)[number], string>),
    dampSubstrate: yes(material.dampSubstrate),
    roller: yes(material.roller),
    primer: material.primer ?? '',
    chemistry: material.chemistry ?? '',
    faces: Object.fromEntries(
      contactFaces.map((face) => [
        face,
        material.banned?.includes(face) ? 'banned' : material.allowed?.includes(face) ? 'allowed' : '',
      ]),
    ) as MaterialForm['faces'],
  };
}

export type MaterialRead =
  { readonly ok: true; readonly value: Material } | { readonly ok: false; readonly problem: string };

/** Reads a form; what is left empty is not known, and what does not read is named. */
export function materialFromForm(was: Material, form: MaterialForm, units: LengthUnit): MaterialRead {
  const fields: Record<string, unknown> = {
    id: was.id,
    kind: was.kind,
    name: form.name,
    ...(was.origin && { origin: was.origin }),
  };
  const wrong = (field: keyof typeof shelfWords.fields, why: string): MaterialRead => ({
    ok: false,
    problem: `${shelfWords.fields[field]}: ${why}`,
  });
  for (const field of LENGTHS) {
    const typed = form[field].trim();
    if (typed === '') continue;
    const before = was[field];
    if (before && (['mm', 'in'] as const).some((shown) => typedFor(before, shown) === typed)) {
      fields[field] = before;
      continue;
    }
    const read = parseLength(typed, units);
    if (!read.ok) return wrong(field, lengthErrorTexts[read.error]);
    fields[field] = { typed, mm: read.value.mm };
  }
  for (const field of FIGURES) {
    const typed = form[field].trim().replace(',', '.');
    if (typed === '') continue;
    const value = Number(typed);
    if (!Number.isFinite(value)) return wrong(field, unitsWords.notAFigure);
    fields[field] = value;
  }
  for (const field of MEASURES) {
    const typed = form[field].trim();
    if (typed === '') continue;
    const value = readMeasure(materialMeasures[field], typed, units, was[field]);
    if (value === null) return wrong(field, fieldWords.measure(materialMeasures[field]));
    fields[field] = value;
  }
  for (const field of YES_NO) if (form[field] !== '') fields[field] = form[field] === 'yes';
  if (form.primer !== '') fields.primer = form.primer;
  if (form.chemistry !== '') fields.chemistry = form.chemistry;
  for (const said of ['banned', 'allowed'] as const) {
    const faces = contactFaces.filter((face) => form.faces[face] === said);
    if (faces.length > 0) fields[said] = faces;
  }
  const parsed = materialSchema.safeParse(fields);
  if (parsed.success) return { ok: true, value: parsed.data };
  const [issue] = parsed.error.issues;
  const field = String(issue?.path[0] ?? 'name');
  const named =
    field in shelfWords.fields ? shelfWords.fields[field as keyof typeof shelfWords.fields] : shelfWords.name;
  return { ok: false, problem: `${named}: ${issue?.message ?? ''}` };
}
