/** A building model as a library reads it: lines with named attributes. What reads the file itself is no matter here. */

export interface IfcRef {
  readonly ref: number;
}
export type IfcValue = null | number | string | boolean | IfcRef | readonly IfcValue[];

export interface IfcLine {
  readonly id: number;
  /** In capitals, as files have it. */
  readonly type: string;
  readonly values: Readonly<Record<string, IfcValue>>;
}

export interface IfcLines {
  /** `IFC4`, `IFC2X3`, as the file says. */
  readonly schema: string;
  /** Ids of all lines of a type, without its subtypes. */
  readonly of: (type: string) => readonly number[];
  /** `null` where the file names a line that it does not have. */
  readonly line: (id: number) => IfcLine | null;
}

export const isRef = (value: IfcValue | undefined): value is IfcRef =>
  typeof value === 'object' && value !== null && 'ref' in value;

export const textIn = ({ values }: IfcLine, name: string): string => {
  const value = values[name];
  return typeof value === 'string' ? value.trim() : '';
};

export const numberIn = ({ values }: IfcLine, name: string): number | null => {
  const value = values[name];
  return typeof value === 'number' && Number.isFinite(value) ? value : null;
};

export const numbersIn = ({ values }: IfcLine, name: string): readonly number[] => {
  const value = values[name];
  return Array.isArray(value) ? value.filter((one): one is number => typeof one === 'number') : [];
};

/** What an attribute refers to: one line, or those of a list; lines that are not there are left out. */
export function linesIn(lines: IfcLines, { values }: IfcLine, name: string): IfcLine[] {
  const value = values[name];
  const refs = isRef(value) ? [value] : Array.isArray(value) ? value.filter(isRef) : [];
  return refs.flatMap(({ ref }) => lines.line(ref) ?? []);
}

export const lineIn = (lines: IfcLines, line: IfcLine, name: string): IfcLine | null =>
  linesIn(lines, line, name)[0] ?? null;
