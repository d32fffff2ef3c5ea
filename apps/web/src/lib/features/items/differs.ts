/** What differs between two walls, units or methods, a line each, in the words of their forms. */
import { unitFields, unitForm } from '$lib/features/units/unit-form.ts';
import { itemWords } from '$words/items.ts';
import { wallWords } from '$words/sizes.ts';
import { unitsWords } from '$words/units.ts';
import {
  axes,
  axisTexts,
  choiceText,
  formatLength,
  methodChoices,
  parameterTexts,
  parseLength,
  typedFor,
  writeMeasure,
  type AxisId,
  type LengthUnit,
  type MethodDocument,
  type ParameterId,
  type TypedLength,
  type Unit,
  type Wall,
} from '@hulvek/core';

export type Difference = readonly [what: string, was: string, is: string];

/** As it was typed, and as it is read where that is another unit: two that round to the same are told apart. */
const bothWays = (length: TypedLength, reads: LengthUnit): string => {
  const typed = typedFor(length, reads);
  const read = parseLength(typed, reads);
  return read.ok && read.value.unit === reads ? typed : `${typed} (${formatLength(length.mm, reads)})`;
};

const named = (a: { name: string }, b: { name: string }): Difference[] =>
  a.name === b.name ? [] : [[itemWords.rename, a.name, b.name]];
const changed = (rows: readonly Difference[]): Difference[] => rows.filter(([, was, is]) => was !== is);

export function wallDiffers(a: Wall, b: Wall, reads: LengthUnit): Difference[] {
  const layer = (wall: Wall, i: number): string => {
    const one = wall.layers[i];
    return one
      ? `${wallWords.roles[one.role]}, ${wallWords.materials[one.material]}, ${bothWays(one.thickness, reads)}`
      : '–';
  };
  const sheet = ({ insideSheet_sd_m: sd }: Wall) =>
    sd === undefined ? '–' : writeMeasure('vapour', sd, reads);
  const most = Math.max(a.layers.length, b.layers.length);
  return [
    ...named(a, b),
    ...changed([
      ...Array.from({ length: most }, (_, i): Difference => [
        `${wallWords.role} ${i + 1}`,
        layer(a, i),
        layer(b, i),
      ]),
      [wallWords.sheet, sheet(a), sheet(b)],
    ]),
  ];
}

export function unitDiffers(a: Unit, b: Unit, reads: LengthUnit): Difference[] {
  const [was, is] = [unitForm(a, reads), unitForm(b, reads)];
  const words = unitsWords.choices as Partial<Record<string, Readonly<Record<string, string>>>>;
  return changed(
    unitFields.map((field): Difference => {
      const word = (value: string) => words[field]?.[value] ?? (value || '–');
      return [unitsWords.fields[field], word(was[field]), word(is[field])];
    }),
  );
}

export function methodDiffers(a: MethodDocument, b: MethodDocument, reads: LengthUnit): Difference[] {
  const [was, is] = [methodChoices(a), methodChoices(b)];
  const number = (method: MethodDocument, id: ParameterId): string => {
    const value = method.numbers?.[id];
    return value === undefined ? '–' : 'mm' in value ? typedFor(value, reads) : value.typed;
  };
  const numbers = [...new Set([...Object.keys(a.numbers ?? {}), ...Object.keys(b.numbers ?? {})])];
  const buck = ({ buck: one }: MethodDocument): string =>
    one
      ? `${wallWords.buckKinds[one.kind]}, ${formatLength(one.leg.mm, reads)}, ${formatLength(one.projection.mm, reads)}`
      : wallWords.buckKinds[''];
  return [
    ...named(a, b),
    ...changed([
      ...(Object.keys(axes) as AxisId[]).map((axis): Difference => [
        axisTexts[axis],
        choiceText(axis, was[axis]).name,
        choiceText(axis, is[axis]).name,
      ]),
      ...numbers.map((id): Difference => [
        parameterTexts[id as ParameterId],
        number(a, id as ParameterId),
        number(b, id as ParameterId),
      ]),
      [wallWords.buck, buck(a), buck(b)],
    ]),
  ];
}
