/** Files that are made to be large: answered in words, soon, without reading all of what is wrong. */
import { describe, expect, it } from 'vitest';
import { readJobFile, skarvPoint } from '@hulvek/core';

const file = skarvPoint();
const MANY = Array.from({ length: 200_000 }, () => ({}));

describe('a file of 200 000 empty things', () => {
  it.each([
    ['openings', { ...file, openings: MANY }],
    ['walls', { ...file, walls: MANY.slice(0, 5000) }],
    ['entries', { ...file, records: { ...file.records, entries: MANY } }],
    ['readings', { ...file, records: { ...file.records, readings: MANY } }],
  ])('in place of its %s is refused with a handful of problems', (_, injured) => {
    const read = readJobFile(JSON.stringify(injured));
    expect(read.ok).toBe(false);
    if (!read.ok) {
      expect(read.problems.length).toBeGreaterThan(0);
      expect(read.problems.length).toBeLessThan(40);
      for (const { message } of read.problems) expect(message).not.toBe('');
    }
  });
});
