/** Marks of files in which phones keep pictures as HEIC: the brands of ISO/IEC 23008-12 that hold one picture. */
const BRANDS = ['heic', 'heix', 'heim', 'heis', 'mif1'];

/** Whether a file begins as HEIC does. */
export const isHeic = (head: Uint8Array): boolean => {
  const letters = String.fromCharCode(...head.subarray(4, 12));
  return letters.startsWith('ftyp') && BRANDS.includes(letters.slice(4));
};

const QUALITY = 0.92;

/** HEIC as JPEG, where this browser reads it; whatever it does not read is sent as it is, and refused in words. */
export async function asJpeg(file: Blob): Promise<Blob> {
  if (!isHeic(new Uint8Array(await file.slice(0, 12).arrayBuffer()))) return file;
  try {
    const picture = await createImageBitmap(file);
    const canvas = new OffscreenCanvas(picture.width, picture.height);
    canvas.getContext('2d')!.drawImage(picture, 0, 0);
    picture.close();
    return await canvas.convertToBlob({ type: 'image/jpeg', quality: QUALITY });
  } catch {
    return file;
  }
}
