/** What a picture really is, read from its own bytes: names and headers of an upload count for nothing. */
import type { photoTypes } from '@hulvek/core';
import { type Photo } from '@hulvek/core';
import { imageSize } from 'image-size';
import { sha256 } from './services/records.ts';

export const LARGEST_PICTURE_bytes = 4 * 1024 * 1024;
/** Devices send at most 1600 px; this leaves room for other senders. */
const LONGEST_SIDE_px = 8000;

const TYPES: Readonly<Record<string, (typeof photoTypes)[number]>> = {
  jpg: 'image/jpeg',
  png: 'image/png',
  webp: 'image/webp',
};

/** Returns `null` for anything that is not a whole JPEG, PNG or WebP of ordinary size. */
export function pictureOf(bytes: Uint8Array): Photo | null {
  if (bytes.length === 0 || bytes.length > LARGEST_PICTURE_bytes) return null;
  try {
    const { type, width, height } = imageSize(bytes);
    const mime = TYPES[type ?? ''];
    if (!mime || !(width > 0 && height > 0 && Math.max(width, height) <= LONGEST_SIDE_px)) return null;
    if (!endsWell(mime, bytes)) return null;
    return { sha256: sha256(bytes), type: mime, width_px: width, height_px: height, bytes: bytes.length };
  } catch {
    return null;
  }
}

/** The end marks of the three formats: a transfer that was cut off lacks them. */
function endsWell(type: Photo['type'], bytes: Uint8Array): boolean {
  const view = Buffer.from(bytes.buffer, bytes.byteOffset, bytes.byteLength);
  switch (type) {
    case 'image/jpeg':
      return view.subarray(-2).equals(Buffer.from([0xff, 0xd9]));
    case 'image/png':
      return view.subarray(-8, -4).toString('latin1') === 'IEND';
    case 'image/webp':
      return view.readUInt32LE(4) + 8 <= view.length;
  }
}
