/** Typing a length with gloves: what each big key does to the text, so that it always stays a length in the making. */

export const digitKeys = ['7', '8', '9', '4', '5', '6', '1', '2', '3', '.', '0'] as const;
/** Sixteenths, reduced, from 1/16 to 15/16. */
export const fractionKeys = Array.from({ length: 15 }, (_, i) => reduced(i + 1));

export type KeypadKey = (typeof digitKeys)[number] | '±' | '⌫' | (string & {});

function reduced(sixteenths: number): string {
  let [top, bottom] = [sixteenths, 16];
  while (top % 2 === 0) [top, bottom] = [top / 2, bottom / 2];
  return `${top}/${bottom}`;
}

/**
 * Returns the text after a key. A fraction takes the place of a fraction; a digit after one begins nothing new, since
 * a length ends with its fraction.
 *
 * @example pressKey('36', '3/8') // '36 3/8'
 * @example pressKey('36 3/8', '1/2') // '36 1/2'
 */
export function pressKey(text: string, key: KeypadKey): string {
  const minus = text.startsWith('-') ? '-' : '';
  const body = text.slice(minus.length);
  const [whole = '', fraction] = body.includes('/') ? body.split(/ (?=\d+\/)/).slice(-2) : [body];
  const inches = body.includes('/') && fraction === undefined ? '' : whole;
  if (key === '±') return minus ? body : `-${body}`;
  if (key === '⌫') return body === '' ? '' : minus + backspace(body, inches);
  if (key.includes('/'))
    return `${minus}${inches.includes('.') ? inches : [inches, key].filter(Boolean).join(' ')}`;
  if (body.includes('/')) return text;
  if (key === '.' && body.includes('.')) return text;
  return `${minus}${body === '0' && key !== '.' ? '' : body}${key}`;
}

/** A fraction goes as a whole: half of one means something else. */
const backspace = (body: string, inches: string): string => (body.includes('/') ? inches : body.slice(0, -1));
