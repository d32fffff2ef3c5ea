/** Lines of an exchange file as they are written. Source: ISO 10303-21:2016, clause 6, from memory. */

/** What stands in a line: made by the functions below, so that nothing is written unquoted. */
export interface StepValue {
  readonly step: string;
}

const raw = (step: string): StepValue => ({ step });
export const NOTHING = raw('$');
export const DERIVED = raw('*');
export const int = (value: number): StepValue => raw(String(Math.round(value)));
export const word = (value: string): StepValue => raw(`.${value}.`);
export const list = (values: readonly StepValue[]): StepValue =>
  raw(`(${values.map(({ step }) => step).join(',')})`);
export const typed = (type: string, value: StepValue): StepValue => raw(`${type}(${value.step})`);
export const truth = (value: boolean): StepValue => word(value ? 'T' : 'F');

/** A real number always has its point. */
export function real(value: number): StepValue {
  const text = String(Math.round(value * 1e6) / 1e6).toUpperCase();
  if (/^-?\d+$/.test(text)) return raw(`${text}.`);
  return raw(text.includes('E') && !text.includes('.') ? text.replace('E', '.E') : text);
}

/** A text: signs beyond ASCII by their numbers, quotes and backslashes doubled. */
export function text(value: string): StepValue {
  let out = '';
  for (const sign of value) {
    const code = sign.codePointAt(0) ?? 0;
    if (sign === "'" || sign === '\\') out += sign + sign;
    else if (code >= 32 && code < 127) out += sign;
    else if (code < 0x10000) out += `\\X2\\${code.toString(16).toUpperCase().padStart(4, '0')}\\X0\\`;
    else out += `\\X4\\${code.toString(16).toUpperCase().padStart(8, '0')}\\X0\\`;
  }
  return raw(`'${out}'`);
}

/** Gathers lines; each is referred to by what `add` gives back. */
export class StepLines {
  readonly #lines: string[] = [];

  add(type: string, ...values: readonly StepValue[]): StepValue {
    const number = this.#lines.length + 1;
    this.#lines.push(`#${number}=${type}(${values.map(({ step }) => step).join(',')});`);
    return raw(`#${number}`);
  }

  file({ name, at, schema, by }: { name: string; at: string; schema: string; by: string }): string {
    return [
      'ISO-10303-21;',
      'HEADER;',
      `FILE_DESCRIPTION((${text('ViewDefinition [ReferenceView_V1.2]').step}),'2;1');`,
      `FILE_NAME(${text(name).step},${text(at.slice(0, 19)).step},(''),(''),${text(by).step},${text(by).step},'');`,
      `FILE_SCHEMA((${text(schema).step}));`,
      'ENDSEC;',
      'DATA;',
      ...this.#lines,
      'ENDSEC;',
      'END-ISO-10303-21;',
      '',
    ].join('\n');
  }
}
