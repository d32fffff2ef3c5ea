/**
 * Stored values that were renamed, by where they stand. What people chose under an old name is read under the new one;
 * a value is never taken out of here. Renaming or removing one without a line here fails a test.
 */
export const renamed: Readonly<Record<string, Readonly<Record<string, string>>>> = {
  'choices.pan': { stretch: 'stretched' },
};

type Fields = Readonly<Record<string, unknown>>;
export const isFields = (value: unknown): value is Fields =>
  typeof value === 'object' && value !== null && !Array.isArray(value);

/** The fields of `group` under their present names; anything that is no such group as it is. */
function underPresentNames(group: string, fields: unknown): unknown {
  if (!isFields(fields)) return fields;
  return Object.fromEntries(
    Object.entries(fields).map(([key, value]) => {
      const names = renamed[`${group}.${key}`];
      return [key, typeof value === 'string' ? (names?.[value] ?? value) : value];
    }),
  );
}

/** A method or an opening with its choices under their present names. */
export function withPresentNames(document: unknown): unknown {
  if (!isFields(document) || document.choices === undefined) return document;
  return { ...document, choices: underPresentNames('choices', document.choices) };
}
