/** What the schema has against a value, as a plain sentence. */
import type * as z from 'zod/mini';

const KINDS: Readonly<Record<string, string>> = {
  string: 'text',
  number: 'a number',
  int: 'a whole number',
  boolean: 'true or false',
  array: 'a list',
  object: 'an object',
  record: 'an object',
  null: 'empty',
};

const SIZES: Readonly<Record<string, string>> = {
  string: ' characters',
  array: ' entries',
  number: '',
  int: '',
};

/** @param found the value at the place of the issue; `undefined` when nothing is there */
export function plainProblem(issue: z.core.$ZodIssue, found: unknown): string {
  if (found === undefined && issue.code !== 'custom') return 'this is missing';
  switch (issue.code) {
    case 'invalid_type':
      return `this must be ${KINDS[issue.expected] ?? issue.expected}`;
    case 'invalid_value':
      return `this must be ${issue.values.map((value) => JSON.stringify(value)).join(' or ')}`;
    case 'too_small':
      return `this must be ${issue.inclusive ? 'at least' : 'more than'} ${issue.minimum}${SIZES[issue.origin] ?? ''}`;
    case 'too_big':
      return `this must be at most ${issue.maximum}${SIZES[issue.origin] ?? ''}`;
    case 'invalid_key':
      return 'this name is not known here';
    case 'invalid_union':
      return 'this must be a length like { "typed": "36 3/8", "mm": 923.925 } or an angle like { "typed": "5°", "deg": 5 }';
    case 'invalid_format':
      return issue.format === 'regex'
        ? issue.message
        : `this must be written as ${FORMATS[issue.format] ?? issue.format}`;
    default:
      return issue.message;
  }
}

const FORMATS: Readonly<Record<string, string>> = {
  uuid: 'an id like 5ca20000-0000-4000-8000-000000000001',
  datetime: 'a time like 2026-11-16T07:30:00.000Z',
};

/** One thing that is wrong with a document. */
export interface DocumentProblem {
  /** Place in it, as `openings[2].survey.values.widthTop.mm`; empty for the document as a whole. */
  readonly path: string;
  readonly message: string;
}

/**
 * Everything a schema has against a document, each with its place and a plain sentence.
 *
 * @param at where the document stands in a greater one
 * @param most no more than so many
 */
export const plainProblems = (
  error: z.core.$ZodError,
  document: unknown,
  at: readonly PropertyKey[] = [],
  most = Infinity,
): DocumentProblem[] =>
  error.issues
    .slice(0, most)
    .flatMap((issue) => problemsOf(issue, document, at, most))
    .slice(0, most);

function problemsOf(
  issue: z.core.$ZodIssue,
  file: unknown,
  at: readonly PropertyKey[],
  most: number,
): DocumentProblem[] {
  if (issue.code === 'unrecognized_keys') {
    return issue.keys.slice(0, most).map((key) => ({
      path: pathText([...at, ...issue.path, key]),
      message: 'this field is not known here',
    }));
  }
  return [
    { path: pathText([...at, ...issue.path]), message: plainProblem(issue, valueAt(file, issue.path)) },
  ];
}

const valueAt = (value: unknown, path: readonly PropertyKey[]): unknown =>
  path.reduce<unknown>(
    (now, part) =>
      typeof now === 'object' && now !== null ? (now as Record<PropertyKey, unknown>)[part] : undefined,
    value,
  );

const pathText = (path: readonly PropertyKey[]): string =>
  path.reduce<string>(
    (text, part) =>
      typeof part === 'number' ? `${text}[${part}]` : text === '' ? String(part) : `${text}.${String(part)}`,
    '',
  );
