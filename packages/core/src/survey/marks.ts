/** Marks of openings: rows of them, and the next one that is free. */

export const LONGEST_MARK = 16;
/** Openings that are added in one go. */
export const MOST_AT_ONCE = 500;

export type MarksProblem = 'none' | 'too-many' | 'too-long' | 'twice' | 'backwards' | 'not-a-row';

/** Two marks are one when they differ in nothing but capitals and spaces around them. */
export const sameMark = (mark: string): string => mark.trim().toLowerCase();

const RANGE = /^(.*?)(\d+)\s*(?:\.\.+|…|–|—|\bto\b)\s*(.*?)(\d+)$/i;

/** Marks as somebody writes a row of them: `S-01 to S-12`, or separated by commas, semicolons or line ends. */
export function marksIn(text: string): {
  readonly marks: readonly string[];
  readonly problem: MarksProblem | null;
} {
  const marks: string[] = [];
  const refuse = (problem: MarksProblem) => ({ marks: [], problem });
  for (const part of text.split(/[,;\n]/).map((one) => one.trim())) {
    if (part === '') continue;
    const range = RANGE.exec(part);
    if (!range) marks.push(part);
    else {
      const [, before = '', first = '', beforeLast = '', last = ''] = range;
      if (before !== beforeLast && beforeLast !== '') return refuse('not-a-row');
      if (Number(last) < Number(first)) return refuse('backwards');
      if (Number(last) - Number(first) >= MOST_AT_ONCE) return refuse('too-many');
      for (let n = Number(first); n <= Number(last); n++)
        marks.push(`${before}${String(n).padStart(first.length, '0')}`);
    }
  }
  const problem = problemOfMarks(marks);
  return problem === null ? { marks, problem } : refuse(problem);
}

/** What keeps openings of these marks from being added together. */
export function problemOfMarks(marks: readonly string[]): MarksProblem | null {
  if (marks.length === 0) return 'none';
  if (marks.length > MOST_AT_ONCE) return 'too-many';
  if (marks.some((mark) => mark.length > LONGEST_MARK)) return 'too-long';
  return new Set(marks.map(sameMark)).size < marks.length ? 'twice' : null;
}

/** The mark that follows one, past those that are taken. */
export function nextMark(mark: string, taken: readonly string[]): string {
  const known = new Set(taken.map(sameMark));
  const [, before = '', digits] = /^(.*?)(\d+)$/.exec(mark) ?? [undefined, `${mark} `];
  for (let n = digits === undefined ? 2 : Number(digits) + 1; ; n++) {
    const next = `${before}${String(n).padStart(digits?.length ?? 1, '0')}`;
    if (!known.has(sameMark(next))) return next;
  }
}

/**
 * Marks of a façade's openings, storey by storey from the ground. A mark that ends in three figures or more counts its storeys
 * in hundreds, S-101 below S-201; shorter ones count on from storey to storey.
 */
export function gridMarks(first: string, across: number, storeys: number): string[][] {
  const [, before = '', digits = '1'] = /^(.*?)(\d+)$/.exec(first.trim()) ?? [undefined, `${first.trim()}-`];
  const hundreds = digits.length >= 3;
  return Array.from({ length: storeys }, (_, storey) =>
    Array.from({ length: across }, (_, i) => {
      const n = Number(digits) + i + storey * (hundreds ? 100 : across);
      return `${before}${String(n).padStart(digits.length, '0')}`;
    }),
  );
}
