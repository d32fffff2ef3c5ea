/** Makes a picture small enough to keep and to send; what the camera wrote into it (place, device) is left behind. */

const LONGEST_SIDE_px = 1600;
const QUALITY = 0.82;

/** Returns a JPEG of at most 1600 px, or `null` when the file is no picture that this device can read. */
export async function scaledPicture(file: Blob): Promise<Blob | null> {
  let bitmap: ImageBitmap;
  try {
    bitmap = await createImageBitmap(file, { imageOrientation: 'from-image' });
  } catch {
    return null;
  }
  const scale = Math.min(1, LONGEST_SIDE_px / Math.max(bitmap.width, bitmap.height));
  const canvas = document.createElement('canvas');
  canvas.width = Math.max(1, Math.round(bitmap.width * scale));
  canvas.height = Math.max(1, Math.round(bitmap.height * scale));
  canvas.getContext('2d')?.drawImage(bitmap, 0, 0, canvas.width, canvas.height);
  bitmap.close();
  return new Promise((resolve) => canvas.toBlob(resolve, 'image/jpeg', QUALITY));
}
