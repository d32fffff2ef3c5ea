/** What a picture really is, read from its own bytes: names and headers of an upload count for nothing. */
import { crc32, inflateSync } from 'node:zlib';
import type { photoTypes } from '@hulvek/core';
import { type Photo } from '@hulvek/core';
import { imageSize } from 'image-size';
import { sha256 } from './services/records.ts';

export const LARGEST_PICTURE_bytes = 4 * 1024 * 1024;
/** Devices shrink to this before they send; nothing is ever changed here. */
export const LONGEST_SIDE_px = 1600;

const TYPES: Readonly<Record<string, (typeof photoTypes)[number]>> = {
  jpg: 'image/jpeg',
  png: 'image/png',
  webp: 'image/webp',
};

/**
 * Returns `null` for anything that is not a whole JPEG, PNG or WebP of ordinary size, and for one that still says where or
 * with what it was taken.
 */
export function pictureOf(bytes: Uint8Array): Photo | null {
  if (bytes.length === 0 || bytes.length > LARGEST_PICTURE_bytes) return null;
  try {
    const { type, width, height } = imageSize(bytes);
    const mime = TYPES[type ?? ''];
    if (!mime || !(width > 0 && height > 0 && Math.max(width, height) <= LONGEST_SIDE_px)) return null;
    const view = Buffer.from(bytes.buffer, bytes.byteOffset, bytes.byteLength);
    if (!IS_WHOLE[mime](view, { width, height })) return null;
    return { sha256: sha256(bytes), type: mime, width_px: width, height_px: height, bytes: bytes.length };
  } catch {
    return null;
  }
}

type Check = (view: Buffer, size: { width: number; height: number }) => boolean;

const IS_WHOLE: Readonly<Record<Photo['type'], Check>> = {
  'image/jpeg': isWholeJpeg,
  'image/png': isWholePng,
  'image/webp': isWholeWebp,
};

/** Segments up to the first scan, no Exif or XMP among them; then to the end mark. Source: ISO/IEC 10918-1 annex B. */
function isWholeJpeg(view: Buffer): boolean {
  let at = 2;
  let framed = false;
  while (view[at] === 0xff) {
    const marker = view.readUInt8(at + 1);
    const length = view.readUInt16BE(at + 2);
    if (length < 2) return false;
    if (marker === 0xe1) return false;
    if (marker >= 0xc0 && marker <= 0xcf && ![0xc4, 0xc8, 0xcc].includes(marker)) framed = true;
    at += 2 + length;
    if (marker === 0xda) return framed && at < view.length - 2 && endsAtMark(view, at);
  }
  return false;
}

/** Within a scan the byte after 0xff is 0 or a restart mark; anything else begins a segment, and the last one is the end. */
function endsAtMark(view: Buffer, from: number): boolean {
  for (let at = from; at < view.length - 1;) {
    const marker = view.indexOf(0xff, at);
    if (marker < 0 || marker + 1 >= view.length) return false;
    const kind = view.readUInt8(marker + 1);
    if (kind === 0xd9) return marker + 2 === view.length;
    const isData = kind === 0 || kind === 0xff || (kind >= 0xd0 && kind <= 0xd7);
    at = isData ? marker + (kind === 0xff ? 1 : 2) : marker + 2 + view.readUInt16BE(marker + 2);
  }
  return false;
}

/** Chunks with their sums, lines that unpack to what the size asks for, no Exif or text. Source: W3C PNG, third edition. */
function isWholePng(view: Buffer, { width, height }: { width: number; height: number }): boolean {
  const [depth, colour, interlace] = [view.readUInt8(24), view.readUInt8(25), view.readUInt8(28)];
  const channels = { 0: 1, 2: 3, 3: 1, 4: 2, 6: 4 }[colour];
  if (channels === undefined) return false;
  const data: Buffer[] = [];
  for (let at = 8; at + 12 <= view.length;) {
    const length = view.readUInt32BE(at);
    const kind = view.subarray(at + 4, at + 8).toString('latin1');
    const body = view.subarray(at + 8, at + 8 + length);
    if (body.length < length) return false;
    if (crc32(view.subarray(at + 4, at + 8 + length)) !== view.readUInt32BE(at + 8 + length)) return false;
    if (['eXIf', 'tEXt', 'zTXt', 'iTXt'].includes(kind)) return false;
    if (kind === 'IDAT') data.push(body);
    at += 12 + length;
    if (kind !== 'IEND') continue;
    const lines = height * (1 + Math.ceil((width * depth * channels) / 8));
    // Interlaced pictures have lines of seven widths.
    const most = lines + 8 * height;
    const packed = inflateSync(Buffer.concat(data), { maxOutputLength: most });
    return at === view.length && (interlace === 1 || packed.length === lines);
  }
  return false;
}

/** Chunks that fill the file, no Exif or XMP among them. Source: RFC 9649. */
function isWholeWebp(view: Buffer): boolean {
  if (view.readUInt32LE(4) + 8 !== view.length) return false;
  let at = 12;
  while (at + 8 <= view.length) {
    const kind = view.subarray(at, at + 4).toString('latin1');
    if (kind === 'EXIF' || kind === 'XMP ') return false;
    const length = view.readUInt32LE(at + 4);
    at += 8 + length + (length % 2);
  }
  return at === view.length;
}
