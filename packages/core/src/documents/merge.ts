/** Three versions of one opening into one: what two people, or one person and an undo, changed apart from each other. */
import { contentHash } from '../quantities/content-hash.ts';
import type { Deviation, Opening } from './opening.ts';

/** A single choice, number or figure of an opening, as a path: `unit`, `numbers.slope`, `survey.values.widthTop`. */
export type OpeningField = string;

export interface Merge {
  /** Both changes together; where they clash, mine. */
  readonly merged: Opening;
  /** Fields that both changed, differently. */
  readonly clashes: readonly OpeningField[];
}

type Fields = ReadonlyMap<OpeningField, unknown>;

const GROUPS = ['numbers', 'survey', 'choices', 'deviations'] as const;

/** Every field with its content; groups are taken apart, so that two numbers never clash for being neighbours. */
function fieldsOf(opening: Opening): Fields {
  const { numbers, survey, choices = {}, deviations = [], ...plain } = opening;
  return new Map<string, unknown>([
    ...Object.entries(plain),
    ...Object.entries(numbers).map(([key, value]) => [`numbers.${key}`, value] as const),
    ...Object.entries(choices).map(([axis, choice]) => [`choices.${axis}`, choice] as const),
    ...deviations.map((deviation) => [`deviations.${deviation.rule}`, deviation] as const),
    ['survey.from', survey.from],
    ...Object.entries(survey.values).map(([key, value]) => [`survey.values.${key}`, value] as const),
  ]);
}

function openingFrom(fields: Fields, like: Opening): Opening {
  const group = (prefix: string) =>
    Object.fromEntries(
      [...fields]
        .filter(([path, value]) => path.startsWith(prefix) && value !== undefined)
        .map(([path, value]) => [path.slice(prefix.length), value]),
    );
  const plain = [...fields].filter(([path]) => !GROUPS.some((name) => path.startsWith(`${name}.`)));
  const choices = group('choices.');
  const deviations = Object.values(group('deviations.')) as Deviation[];
  const { choices: _choices, deviations: _deviations, ...rest } = like;
  return {
    ...rest,
    ...Object.fromEntries(plain),
    ...(Object.keys(choices).length > 0 && { choices }),
    ...(deviations.length > 0 && { deviations }),
    numbers: group('numbers.'),
    survey: { from: fields.get('survey.from') as Opening['survey']['from'], values: group('survey.values.') },
  };
}

const same = (a: unknown, b: unknown): boolean => contentHash(a) === contentHash(b);

/** Fields whose content differs. */
export function changedFields(a: Opening, b: Opening): OpeningField[] {
  const [before, after] = [fieldsOf(a), fieldsOf(b)];
  return [...new Set([...before.keys(), ...after.keys()])].filter(
    (path) => !same(before.get(path), after.get(path)),
  );
}

/**
 * Puts the changes from `base` to `mine` on top of `theirs`.
 *
 * @example mergeOpenings({ base, mine: undone, theirs: now }) // undoes a change and leaves everything else as it is
 */
export function mergeOpenings(v: { base: Opening; mine: Opening; theirs: Opening }): Merge {
  const mine = changedFields(v.base, v.mine);
  const theirs = new Set(changedFields(v.base, v.theirs));
  const [own, other] = [fieldsOf(v.mine), fieldsOf(v.theirs)];
  const fields = new Map(other);
  for (const path of mine) fields.set(path, own.get(path));
  return {
    merged: openingFrom(fields, v.theirs),
    clashes: mine.filter((path) => theirs.has(path) && !same(own.get(path), other.get(path))),
  };
}
