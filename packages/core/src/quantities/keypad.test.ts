import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { digitKeys, fractionKeys, pressKey } from './keypad.ts';
import { parseLength } from './parse-length.ts';

const type = (...keys: string[]) => keys.reduce(pressKey, '');

describe('the keypad', () => {
  it.each([
    [['3', '6', '3/8'], '36 3/8'],
    [['3', '6', '3/8', '1/2'], '36 1/2'],
    [['3/8'], '3/8'],
    [['3/8', '1/4'], '1/4'],
    [['±', '1/16'], '-1/16'],
    [['1', '/', '±', '±'].filter((k) => k !== '/'), '1'],
    [['3', '6', '3/8', '⌫'], '36'],
    [['3', '6', '3/8', '⌫', '⌫'], '3'],
    [['3/8', '⌫', '⌫'], ''],
    [['9', '2', '1', '.', '5', '.'], '921.5'],
    [['3', '6', '.', '5', '3/8'], '36.5'],
    [['3', '6', '3/8', '7'], '36 3/8'],
    [['0', '9'], '9'],
    [['0', '.', '5'], '0.5'],
  ])('%j types %s', (keys, text) => expect(type(...keys)).toBe(text));

  it('has the fifteen sixteenths, each once', () => {
    expect(fractionKeys).toEqual([
      '1/16', '1/8', '3/16', '1/4', '5/16', '3/8', '7/16', '1/2',
      '9/16', '5/8', '11/16', '3/4', '13/16', '7/8', '15/16',
    ]); // prettier-ignore
  });

  it('whatever is pressed reads as a length, or is not finished: empty, a sign, a point', () =>
    fc.assert(
      fc.property(
        fc.array(fc.constantFrom(...digitKeys, ...fractionKeys, '±', '⌫'), { maxLength: 9 }),
        (keys) => {
          const text = type(...keys);
          const unfinished = /^-?\.?$/.test(text);
          if (!unfinished) expect(parseLength(text, 'in').ok, `${keys.join(' ')} → ${text}`).toBe(true);
        },
      ),
    ));
});
