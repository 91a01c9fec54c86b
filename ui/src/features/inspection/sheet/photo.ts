/** Enough to see a burr, and little enough to send. */
const LONGEST_SIDE = 1600;
const QUALITY = 0.8;

/** Returns a picture made smaller, as base64 of a JPEG without the place and the phone that it was taken with. */
export async function reduced(file: Blob): Promise<string> {
  const picture = await createImageBitmap(file);
  const scale = Math.min(1, LONGEST_SIDE / Math.max(picture.width, picture.height));
  const canvas = document.createElement('canvas');
  canvas.width = Math.round(picture.width * scale);
  canvas.height = Math.round(picture.height * scale);
  canvas.getContext('2d')?.drawImage(picture, 0, 0, canvas.width, canvas.height);
  picture.close();
  return canvas.toDataURL('image/jpeg', QUALITY).split(',')[1] ?? '';
}
