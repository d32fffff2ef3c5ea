/** Pictures are kept as they are sent, or refused: broken ones, huge ones, and those that say where they were taken. */
import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { crc32, deflateSync } from 'node:zlib';
import { describe, expect, it } from 'vitest';
import { count } from '../../../packages/core/test/support/count.ts';
import { LONGEST_SIDE_px, pictureOf } from '../src/lib/server/picture.ts';

const kinds = ['jpg', 'png', 'webp'] as const;
/** 8 × 8 px each, as a browser writes them. */
const pane = (kind: (typeof kinds)[number]): Buffer =>
  readFileSync(join(import.meta.dirname, 'fixtures', `pane.${kind}`));

const chunk = (kind: string, body: Buffer): Buffer => {
  const named = Buffer.concat([Buffer.from(kind, 'latin1'), body]);
  const [length, sum] = [Buffer.alloc(4), Buffer.alloc(4)];
  length.writeUInt32BE(body.length);
  sum.writeUInt32BE(crc32(named));
  return Buffer.concat([length, named, sum]);
};
/** A grey PNG of any size, with more chunks before its data. */
function png(width: number, height: number, more: Buffer[] = [], lines = height): Buffer {
  const head = Buffer.alloc(13);
  head.writeUInt32BE(width, 0);
  head.writeUInt32BE(height, 4);
  head.writeUInt8(8, 8);
  const data = deflateSync(Buffer.alloc(lines * (1 + width)));
  const mark = Buffer.from([0x89, 0x50, 0x4e, 0x47, 0x0d, 0x0a, 0x1a, 0x0a]);
  const parts = [chunk('IHDR', head), ...more, chunk('IDAT', data), chunk('IEND', Buffer.alloc(0))];
  return Buffer.concat([mark, ...parts]);
}
const segment = (marker: number, body: Buffer): Buffer => {
  const head = Buffer.from([0xff, marker, 0, 0]);
  head.writeUInt16BE(body.length + 2, 2);
  return Buffer.concat([head, body]);
};
const after = (bytes: Buffer, at: number, more: Buffer): Buffer =>
  Buffer.concat([bytes.subarray(0, at), more, bytes.subarray(at)]);

describe('a picture', () => {
  it.each(kinds)('that a browser wrote as %s is taken as it is', (kind) =>
    expect(pictureOf(pane(kind))).toMatchObject({ width_px: 8, height_px: 8, bytes: pane(kind).length }),
  );

  it.each([
    ['of 64 megapixels', png(8000, 8000)],
    ['a pixel too wide', png(LONGEST_SIDE_px + 1, 1)],
    ['whose lines do not fill it', png(40, 40, [], 39)],
    ['that unpacks to more than it is', png(2, 2, [], 5_000_000)],
    ['with text in it', png(4, 4, [chunk('tEXt', Buffer.from('Comment\0here'))])],
    ['with Exif in it, as PNG', png(4, 4, [chunk('eXIf', Buffer.alloc(8))])],
    ['with Exif in it, as JPEG', after(pane('jpg'), 2, segment(0xe1, Buffer.from('Exif\0\0')))],
    ['with something behind it', Buffer.concat([pane('jpg'), Buffer.from('<script>')])],
    ['that is an HTML page', Buffer.from('<!doctype html><p>')],
  ])('%s is refused', (_, bytes) => expect(pictureOf(bytes)).toBeNull());

  it('cut off anywhere is refused', () => {
    for (const kind of kinds) {
      const whole = pane(kind);
      for (let length = 0; length < whole.length; length++)
        expect(pictureOf(whole.subarray(0, length)), `${kind} ${length}`).toBeNull();
    }
  });

  it('with any bits turned is answered, and never with a failure', () => {
    let seed = 7;
    const next = (below: number) => (seed = (seed * 1103515245 + 12345) % 2147483648) % below;
    for (let i = 0; i < count(10_000, 600); i++) {
      const bytes = Buffer.from(pane(kinds[i % 3] ?? 'jpg'));
      for (let turns = 1 + next(6); turns > 0; turns--) bytes[next(bytes.length)] = next(256);
      const started = performance.now();
      pictureOf(bytes);
      expect(performance.now() - started).toBeLessThan(2000);
    }
  });
});
